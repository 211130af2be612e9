import { createGlobalStyle } from "styled-components";
import "@fontsource/atkinson-hyperlegible-next/latin-400.css";
import "@fontsource/atkinson-hyperlegible-next/latin-600.css";
import "@fontsource/barlow-semi-condensed/latin-500.css";
import "@fontsource/barlow-semi-condensed/latin-600.css";

/** Words are set in Atkinson, every number and heading in Barlow, so that figures look alike everywhere. */
export const WORDS = '"Atkinson Hyperlegible Next", "Barlow Semi Condensed", sans-serif';
export const FIGURES = '"Barlow Semi Condensed", "Atkinson Hyperlegible Next", sans-serif';

/**
 * Field notebook and marking paint. `--paint` is only for what to mark on the material and what can
 * be taken hold of; verdicts, tabs and buttons are ink.
 */
export const Look = createGlobalStyle`
  :root {
    --paper: #f6f2e8;
    --desk: #ece5d7;
    --sheet: #fffdf7;
    --ink: #1d2b38;
    --soft: #4d5b66;
    --rule: #b9af9c;
    --faint: #d9d0bf;
    --paint: #d8420b;
    --paint-word: #b23406;
    --steel: #b3c0c7;
    --post: #8fa0aa;
    --plastic: #dfe3e0;
    --board: #dcc9a3;
    --concrete: #d3d2cc;
    --soil: #e2d5be;
    --soil-mark: #bda987;
    --string: #9a7a1f;
    --air: #e6ebe8;
    --tape: #fbf4cf;
    --holds: #2c6b4f;
    --tight: #8a5a00;
    --fails: #9c1f2e;
  }
  :root[data-sun] {
    --paper: #ffffff;
    --desk: #ffffff;
    --sheet: #ffffff;
    --ink: #000000;
    --soft: #1c1c1c;
    --rule: #000000;
    --faint: #6b6b6b;
    --paint: #b32d00;
    --paint-word: #9a2700;
    --steel: #ffffff;
    --post: #c9c9c9;
    --plastic: #f0f0f0;
    --board: #f2f2f2;
    --concrete: #e4e4e4;
    --soil: #efefef;
    --soil-mark: #8a8a8a;
    --string: #000000;
    --air: #f4f4f4;
    --tape: #ffffff;
    --holds: #003d22;
    --tight: #5a3500;
    --fails: #7a0014;
  }
  *, *::before, *::after { box-sizing: border-box; }
  html, body { margin: 0; height: 100%; }
  body {
    background: var(--paper);
    color: var(--ink);
    font: 400 15px/1.4 ${WORDS};
    -webkit-font-smoothing: antialiased;
  }
  #bench { min-height: 100%; }
  h1, h2, h3, p, dl, dd, ol, ul { margin: 0; padding: 0; }
  h1, h2, h3 { font-family: ${FIGURES}; font-weight: 600; }
  button, input { font: inherit; color: inherit; }
  a { color: inherit; }
  :focus { outline: none; }
  :focus-visible, [data-focus-visible] { outline: 3px solid var(--ink); outline-offset: 2px; }
  .figures { font-family: ${FIGURES}; font-weight: 600; font-variant-numeric: tabular-nums; white-space: nowrap; word-spacing: 0.08em; }
  .unseen {
    position: absolute; width: 1px; height: 1px; overflow: hidden;
    clip-path: inset(50%); white-space: nowrap;
  }
  @media (prefers-reduced-motion: reduce) {
    *, *::before, *::after { transition: none; animation: none; }
  }
`;
