import { useMemo } from "react";
import styled from "styled-components";
import type { Card, MeasureState, Strip, StripMark } from "../api/client";
import { DrawingView } from "../drawing/DrawingView";
import { useSight } from "../house/useSight";
import { LengthField } from "../kit/LengthField";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";
import { TapeStrip } from "../tape/TapeStrip";
import { Pictures } from "./Pictures";
import { drawnAsTyped, tapeAsTyped } from "./waiting";

const Sheet = styled.article`
  display: grid;
  gap: 8px;
  padding: 10px 14px 14px;
  h2 { font-size: 21px; line-height: 1.25; text-wrap: pretty; }
  .what { font-size: 17px; color: var(--soft); font-weight: 600; }
  .number { font: 600 58px/1.05 ${FIGURES}; font-variant-numeric: tabular-nums; }
  .note { font-size: 16px; }
  .care { padding: 8px 10px; border-left: 6px double var(--ink); font-weight: 600; }
  .drawing { height: 230px; }
  .drawing.over { height: 180px; }
  .written > div { border-bottom: 0; }
  .written label { font-size: 17px; color: var(--ink); }
  .written input { min-height: 60px; font-size: 27px; border-width: 2px; }
`;

interface Props {
  card: Card;
  caution: string;
  /** The step that the card is of. */
  work: string;
  onNext: () => void;
  /** Cards of the step that something is on its way of: drawing and tape show it. */
  waiting: Card[];
}

/** One card: what to do, its drawing, its number, the piece of tape that matters, and a box for what the tape said. */
export function OneCard({ card, caution, work, onNext, waiting }: Props) {
  const { plan } = useSight();
  const step = plan.steps.find((each) => each.id === work);
  // That work's own drawing, never another's.
  const drawn = plan.drawings.find((each) => each.view === card.view);
  // There is no room here for more than a few words beside what is drawn.
  const drawing = useMemo(
    () => drawn && drawnAsTyped({ ...drawn, items: drawn.items.filter((item) => item.kind !== "note" || item.text.length <= FEW) }, waiting),
    [drawn, waiting],
  );
  const laid = plan.strips.find((each) => each.id === card.strip);
  const strip = useMemo(() => laid && tapeAsTyped(laid, waiting), [laid, waiting]);
  const mark = strip?.marks.find((each) => each.part === card.part);
  const settled = plan.measures[card.measure];
  const measure: MeasureState | undefined = card.measure
    ? (settled ?? { id: card.measure, label: card.label, kind: "length", reading: card.typed, options: [], hint: "", optional: true })
    : undefined;
  return (
    <Sheet aria-label={card.what || card.says}>
      {caution && <p className="care">{caution}</p>}
      <h2>
        <Words>{card.says}</Words>
      </h2>
      {card.state === "moved" && <p className="care">The plan has changed since this was done: look at it again.</p>}
      {card.what && <p className="what"><Words>{card.what}</Words></p>}
      {card.reading && <p className="number">{card.reading}</p>}
      {card.note && card.note !== measure?.hint && <p className="note"><Words>{card.note}</Words></p>}
      {measure && (
        <div className="written">
          <LengthField key={measure.id} measure={measure} onEnter={onNext} />
        </div>
      )}
      {drawing && step && (
        <div className={strip ? "drawing over" : "drawing"}>
          <DrawingView drawing={drawing} plan={plan} step={{ ...step, grips: [] }} chosen={mark?.part ?? card.part} onChoose={ignore} open={false} />
        </div>
      )}
      {strip && <TapeStrip key={`${strip.id} ${mark?.id}`} strip={pieceOf(strip, mark)} units={plan.tape.units} chosen={mark?.part ?? null} onChoose={ignore} onTick={ignore} />}
      <Pictures card={card} step={work} />
    </Sheet>
  );
}

/** Marks to each side of one that its piece of tape shows, and what is shown beyond the last of them, m. */
const BESIDE = 2;
const FEW = 16;
const BEYOND_M = 0.15;

/** The piece of a tape about a mark, with its neighbours: its left end reads on from where it begins. */
function pieceOf(strip: Strip, mark: StripMark | undefined): Strip {
  const place = mark ? strip.marks.indexOf(mark) : -1;
  if (place < 0 || strip.marks.length <= 2 * BESIDE + 1) return strip;
  const marks = strip.marks.slice(Math.max(place - BESIDE, 0), place + BESIDE + 1);
  const spots = marks.map((each) => each.at_m);
  const from = Math.max(Math.min(...spots) - BEYOND_M, 0);
  const to = Math.min(Math.max(...spots) + BEYOND_M, strip.length_m);
  return {
    ...strip,
    starts_m: (strip.starts_m ?? 0) + from,
    length_m: to - from,
    marks: marks.map((each) => ({ ...each, at_m: each.at_m - from })),
    bands: (strip.bands ?? [])
      .filter((band) => band.to_m > from && band.from_m < to)
      .map((band) => ({ ...band, from_m: Math.max(band.from_m, from) - from, to_m: Math.min(band.to_m, to) - from })),
  };
}

const ignore = (): void => undefined;
