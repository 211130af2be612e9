import styled from "styled-components";
import { FIGURES } from "../look/look";

/** The right of the bench: a step's panel, the keys, the history or the files. */
export const Side = styled.aside`
  grid-area: panel;
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 12px 16px 10px;
  background: var(--desk);
  border-left: 1px solid var(--ink);
  overflow-y: auto;
  position: relative;
  h1 { font-size: 21px; line-height: 1.2; padding-right: 92px; }
  h2 { font-size: 16px; margin-top: 6px; }
  .wrong { color: var(--fails); font-size: 14.5px; line-height: 1.35; }
  .keys { font-size: 13.5px; line-height: 1.3; color: var(--soft); }
  .next { font: 600 16px/1.3 ${FIGURES}; font-variant-numeric: tabular-nums; }
  .caution { padding: 6px 0 6px 12px; border-left: 5px double var(--ink); font-weight: 600; font-size: 14.5px; line-height: 1.3; }
  @media (max-width: 820px) { border-left: 0; border-top: 1px solid var(--ink); }
`;
