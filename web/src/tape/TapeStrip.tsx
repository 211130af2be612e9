import { type KeyboardEvent, memo, type PointerEvent, useCallback, useEffect, useId, useMemo, useRef, useState } from "react";
import styled from "styled-components";
import type { Strip, StripMark } from "../api/client";
import { useBox } from "../drawing/DrawingView";
import { Hatches } from "../drawing/hatches";
import { alike } from "../house/alike";
import { FIGURES } from "../look/look";
import { bringIn, clampWindow, openingWindow, type Placed, placeMarks, type Window, wholeWindow, zoomed } from "./layout";
import { TapeFace } from "./TapeFace";

const LABEL_ROW = 37;
const LABELS = 2 * LABEL_ROW + 4;
const STUFF_TOP = LABELS + 4;
const STUFF = 17;
const FACE_TOP = STUFF_TOP + STUFF + 2;
const FACE = 40;
/** Room at the left for the hook or what was paid out, at the right for the case. */
const HOOK = 30;
const CASE = 74;
export const STRIP_HEIGHT = FACE_TOP + FACE + 16;

const Holder = styled.div`
  position: relative;
  height: ${STRIP_HEIGHT}px;
  > div { position: absolute; inset: 0; touch-action: pan-y; }
  > div:focus-visible { outline: 3px solid var(--ink); outline-offset: 4px; }
  svg { display: block; overflow: visible; }
  text { fill: var(--ink); font-family: ${FIGURES}; }
  .reading, .what { paint-order: stroke; stroke: var(--paper); stroke-width: 5px; stroke-linejoin: round; }
  .reading { font-size: 18px; font-weight: 600; font-variant-numeric: tabular-nums; }
  .what { font-size: 14px; font-weight: 500; fill: var(--soft); }
  .face { font-variant-numeric: tabular-nums; }
  .chosen .reading { fill: var(--paint-word); }
  .chosen .what { fill: var(--ink); }
`;

interface Props {
  strip: Strip;
  units: "feet" | "metric";
  chosen: string | null;
  onChoose: (part: string) => void;
  onTick: (mark: StripMark) => void;
}

/**
 * A tape laid beside what is measured, with every mark to make.
 *
 * Arrow keys step from mark to mark, Home and End go to the ends, + and − zoom about the chosen
 * mark, 0 shows all of it, Page Up and Down move along, Space ticks a peg or post off.
 */
export const TapeStrip = memo(function TapeStrip({ strip, units, chosen, onChoose, onTick }: Props) {
  const [box, outer] = useBox();
  const width = Math.max(outer.width - HOOK - CASE, 80);
  const id = useId();
  const [view, setView] = useState<Window | null>(null);
  const window = clampWindow(view ?? openingWindow(strip, width), strip);
  const mark = strip.marks.find((each) => each.part === chosen) ?? null;
  const placed = useMemo(() => placeMarks(strip.marks, window, width, mark?.id ?? null), [strip, window, width, mark]);
  const perMetre = width / window.span;

  // A mark chosen elsewhere, on the drawing or in the list, comes into view.
  const at = mark?.at_m;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a newly chosen mark moves the strip
  useEffect(() => {
    if (at !== undefined) setView((now) => bringIn(now ?? openingWindow(strip, width), strip, at));
  }, [chosen, strip.id]);

  const step = (by: number) => {
    const here = mark ? strip.marks.indexOf(mark) : by > 0 ? -1 : strip.marks.length;
    const next = strip.marks[Math.min(Math.max(here + by, 0), strip.marks.length - 1)];
    if (next) onChoose(next.part);
  };
  const middle = window.from + window.span / 2;
  const zoom = (factor: number, about = mark?.at_m ?? middle) => setView(zoomed(window, strip, factor, about));
  const slide = (share: number) => setView(clampWindow({ ...window, from: window.from + window.span * share }, strip));

  const keys: Record<string, () => void> = {
    ArrowRight: () => step(1),
    ArrowLeft: () => step(-1),
    Home: () => step(-strip.marks.length),
    End: () => step(strip.marks.length),
    "+": () => zoom(1 / 1.5),
    "=": () => zoom(1 / 1.5),
    "-": () => zoom(1.5),
    "0": () => setView(wholeWindow(strip)),
    PageUp: () => slide(-0.8),
    PageDown: () => slide(0.8),
    " ": () => mark?.tick && onTick(mark),
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const act = keys[event.key];
    if (!act || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    if (event.key === " " && event.repeat) return;
    act();
  };

  const pick = useCallback((part: string) => void (pull.current?.moved || onChoose(part)), [onChoose]);
  const pull = useRef<{ x: number; from: number; moved: boolean } | null>(null);
  const onPointerDown = (event: PointerEvent) => {
    pull.current = { x: event.clientX, from: window.from, moved: false };
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>) => {
    const start = pull.current;
    if (!start || !event.buttons) return;
    const moved = event.clientX - start.x;
    if (!start.moved && Math.abs(moved) > 4) {
      start.moved = true;
      event.currentTarget.setPointerCapture(event.pointerId);
    }
    if (start.moved) setView(clampWindow({ ...window, from: start.from - moved / perMetre }, strip));
  };

  // React's own wheel listener is passive; this one has to keep the page from scrolling.
  const act = useRef({ zoom, slide });
  act.current = { zoom, slide };
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      const sideways = Math.abs(event.deltaX) > Math.abs(event.deltaY) || event.shiftKey;
      if (sideways) act.current.slide(((event.deltaX || event.deltaY) / element.clientWidth) * 1.2);
      else {
        const along = event.clientX - element.getBoundingClientRect().left - HOOK;
        const share = Math.min(Math.max(along / Math.max(element.clientWidth - HOOK - CASE, 80), 0), 1);
        act.current.zoom(event.deltaY > 0 ? 1.18 : 1 / 1.18, windowRef.current.from + windowRef.current.span * share);
      }
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  }, [box]);
  const windowRef = useRef(window);
  windowRef.current = window;

  return (
    <Holder>
      <div
        ref={box}
        role="listbox"
        tabIndex={0}
        aria-label={`${strip.title}: ${strip.about}`}
        aria-orientation="horizontal"
        aria-activedescendant={mark ? `${id}-${mark.id}` : undefined}
        data-strip={strip.id}
        data-span={window.span.toFixed(4)}
        onKeyDown={onKeyDown}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={() => {
          pull.current = null;
        }}
      >
        <svg width={outer.width} height={STRIP_HEIGHT} role="presentation">
          <Hatches id={id} />
          <g transform={`translate(${HOOK} 0)`}>
            <Stuff strip={strip} window={window} width={width} hatches={id} />
            <TapeFace
              units={units}
              window={{ from: window.from + strip.starts_m, span: window.span }}
              width={width}
              top={FACE_TOP}
              height={FACE}
              start={strip.starts_m}
              end={window.from + window.span + strip.starts_m}
            />
            {window.from > 0 ? (
              <PaidOut before={marksBefore(strip, window)} onPull={() => slide(-0.8)} />
            ) : (
              <Hook x={-window.from * perMetre} clamped={strip.starts_m > 0} />
            )}
            <Case x={width} held={marksBeyond(strip, window)} onPull={() => slide(0.8)} />
            {placed.map((each) => (
              <Leader key={each.mark.id} placed={each} />
            ))}
            {placed.map((each) => (
              <Label
                key={each.mark.id}
                placed={each}
                id={`${id}-${each.mark.id}`}
                chosen={each.mark === mark}
                onPick={pick}
              />
            ))}
          </g>
        </svg>
        {strip.marks
          .filter((each) => !placed.some((seen) => seen.mark === each))
          .map((each) => (
            <span key={each.id} className="unseen" role="option" id={`${id}-${each.id}`} aria-selected={each === mark} aria-label={spoken(each)} />
          ))}
      </div>
    </Holder>
  );
});

const STATE_WORDS = { open: "", set: ", set", moved: ", moved since it was set" } as const;
const spoken = (mark: StripMark): string =>
  `${mark.what}, ${mark.reading}${mark.tick ? STATE_WORDS[mark.state ?? "open"] : ""}${mark.note ? `, ${mark.note}` : ""}`;

interface LabelProps {
  placed: Placed;
  id: string;
  chosen: boolean;
  onPick: (part: string) => void;
}

const Label = memo(function Label({ placed, id, chosen, onPick }: LabelProps) {
  const { mark, x, labelX, row } = placed;
  const line = labelLine(row ?? 0);
  const done = mark.state === "set";
  return (
    <g role="option" id={id} aria-selected={chosen} aria-label={spoken(mark)} className={chosen ? "chosen" : ""} onClick={() => onPick(mark.part)} cursor="pointer" data-mark={mark.part}>
      {row !== null && (
        <>
          <rect x={labelX - 34} y={line - 17} width="68" height={LABEL_ROW} fill="transparent" />
          <text className="reading" x={labelX} y={line} textAnchor="middle">
            {mark.reading}
          </text>
          <text className="what" x={labelX} y={line + 15} textAnchor="middle">
            {mark.what}
            {done ? " ✓" : ""}
            {mark.state === "moved" ? " ✕" : ""}
          </text>
        </>
      )}
      <path
        d={`M${x} ${row === null && !chosen ? STUFF_TOP : LABELS}V${FACE_TOP + 14}`}
        stroke="var(--paint)"
        strokeWidth={chosen ? 3.5 : 2}
      />
      <path d={`M${x - (chosen ? 8 : 5.5)} ${LABELS - 4}h${chosen ? 16 : 11}L${x} ${STUFF_TOP + 5}Z`} fill={done && !chosen ? "var(--ink)" : "var(--paint)"} />
    </g>
  );
}, (a, b) => a.id === b.id && a.chosen === b.chosen && alike(a.placed, b.placed));

const labelLine = (row: number): number => LABELS - (row + 1) * LABEL_ROW + 17;

/** From a label down to its mark: sideways first, then plumb, behind the labels of the row below. */
function Leader({ placed: { x, labelX, row } }: { placed: Placed }) {
  if (row === null || (row === 0 && Math.abs(labelX - x) <= 12)) return null;
  const near = labelX + Math.max(Math.min(x - labelX, 26), -26);
  const from = labelLine(row) + 19;
  const d = row === 0 ? `M${near} ${from}L${x} ${LABELS - 3}` : `M${near} ${from - 2}L${x} ${from + 3}V${LABELS - 3}`;
  return <path d={d} stroke="var(--ink)" strokeWidth="1" opacity="0.45" fill="none" />;
}

/** What the tape lies beside: a string, a tube, a post, the floor, with its stretches hatched. */
function Stuff({ strip, window, width, hatches }: { strip: Strip; window: Window; width: number; hatches: string }) {
  const perMetre = width / window.span;
  const x = (at: number) => Math.min(Math.max((at - window.from) * perMetre, -4), width + 4);
  const [from, to] = [x(0), x(strip.length_m)];
  if (strip.material === "string") {
    return <path d={`M${from} ${STUFF_TOP + STUFF / 2}H${to}`} stroke="var(--string)" strokeWidth="3.5" />;
  }
  const fill = { steel: "var(--steel)", plastic: "var(--plastic)", post: "var(--post)", floor: "var(--air)", film: "var(--air)", board: "var(--board)" }[strip.material];
  return (
    <g>
      <rect x={from} y={STUFF_TOP} width={to - from} height={STUFF} fill={fill} stroke="var(--ink)" strokeWidth="1.2" />
      {(strip.bands ?? []).map((band) => {
        const [start, end] = [x(band.from_m), x(band.to_m)];
        const hatch = { socket: "post", bent: "bent", joint: "joint", buried: "soil", headroom: "", dug: "soil" }[band.kind];
        return (
          <g key={`${band.kind} ${band.from_m}`}>
            <rect
              x={start}
              y={STUFF_TOP}
              width={Math.max(end - start, 0)}
              height={STUFF}
              fill={hatch ? `url(#${hatches}-${hatch})` : "var(--sheet)"}
              stroke="var(--ink)"
              strokeWidth="0.8"
            />
            {end - start > band.what.length * 6.6 + 12 && (
              <g>
                <rect x={(start + end) / 2 - band.what.length * 3.3 - 4} y={STUFF_TOP + 2} width={band.what.length * 6.6 + 8} height={STUFF - 4} fill={hatch ? fill : "var(--sheet)"} />
                <text x={(start + end) / 2} y={STUFF_TOP + 13} textAnchor="middle" fontSize="13" fontWeight="500">
                  {band.what}
                </text>
              </g>
            )}
          </g>
        );
      })}
    </g>
  );
}

const marksBefore = (strip: Strip, window: Window): number => strip.marks.filter((each) => each.at_m < window.from).length;
const marksBeyond = (strip: Strip, window: Window): number => strip.marks.filter((each) => each.at_m > window.from + window.span).length;

const METAL = { fill: "var(--post)", stroke: "var(--ink)", strokeWidth: 1.2, strokeLinejoin: "round" } as const;

/** The end of the blade where it is held: its riveted hook over the end of the work, or a hand's clamp at a mark. */
function Hook({ x, clamped }: { x: number; clamped: boolean }) {
  const top = STUFF_TOP - 3;
  return (
    <g aria-hidden="true" transform={`translate(${x} 0)`}>
      {clamped ? (
        <path d={`M-9 ${FACE_TOP - 3}h14v${FACE + 6}h-14Z`} {...METAL} />
      ) : (
        <>
          <path d={`M-4 ${top}v${FACE_TOP + FACE - top - 6}h14v-15h-10V${top}Z`} {...METAL} />
          <circle cx="5" cy={FACE_TOP + FACE - 14} r="1.7" fill="var(--ink)" />
        </>
      )}
    </g>
  );
}

/** What of the blade lies to the left of what is seen, in a loose turn; pressed, it is drawn back. */
function PaidOut({ before, onPull }: { before: number; onPull: () => void }) {
  const middle = FACE_TOP + FACE / 2;
  return (
    <g aria-hidden="true" cursor="w-resize" onClick={onPull} data-tape="back">
      <path d={`M0 ${FACE_TOP + 0.5}H-8a${FACE / 2} ${FACE / 2} 0 0 0 0 ${FACE - 1}H0`} fill="var(--tape)" stroke="var(--ink)" />
      <path d={`M-2 ${FACE_TOP + 7}h-6a${FACE / 2 - 7} ${FACE / 2 - 7} 0 0 0 0 ${FACE - 14}h6`} fill="none" stroke="var(--rule)" />
      {before > 0 && (
        <text x="-9" y={middle + 5} textAnchor="middle" fontSize="14" fontWeight="600">
          {before}
        </text>
      )}
    </g>
  );
}

/** The case that the blade comes out of: it holds what isn't seen, and says how many marks; pressed, more comes out. */
function Case({ x, held, onPull }: { x: number; held: number; onPull: () => void }) {
  const top = FACE_TOP - 22;
  const foot = FACE_TOP + FACE + 13;
  return (
    <g aria-hidden="true" cursor={held ? "e-resize" : "default"} onClick={onPull} transform={`translate(${x} 0)`} data-tape="case">
      <path d={`M0 ${foot}V${top + 20}q0 -20 20 -20h30q24 0 24 26V${foot - 8}q0 8 -8 8Z`} fill="var(--paint)" stroke="var(--ink)" strokeWidth="1.4" />
      <path d={`M0 ${FACE_TOP - 4}h5v${FACE + 8}h-5Z`} {...METAL} />
      <circle cx="40" cy={(top + foot) / 2} r="21" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.2" />
      {held > 0 ? (
        <>
          <text x="40" y={(top + foot) / 2 + 1} textAnchor="middle" fontSize="17" fontWeight="600">
            {held}
          </text>
          <text x="40" y={(top + foot) / 2 + 13} textAnchor="middle" fontSize="12">
            more
          </text>
        </>
      ) : (
        <circle cx="40" cy={(top + foot) / 2} r="5" fill="var(--ink)" />
      )}
    </g>
  );
}
