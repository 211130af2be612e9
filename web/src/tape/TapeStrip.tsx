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
const OVERVIEW_TOP = FACE_TOP + FACE + 9;
const OVERVIEW = 13;
export const STRIP_HEIGHT = OVERVIEW_TOP + OVERVIEW + 4;

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
  const [box, { width }] = useBox();
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
        const share = (event.clientX - element.getBoundingClientRect().left) / element.clientWidth;
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
        <svg width={width} height={STRIP_HEIGHT} role="presentation">
          <Hatches id={id} />
          <Stuff strip={strip} window={window} width={width} hatches={id} />
          <TapeFace
            units={units}
            window={{ from: window.from + strip.starts_m, span: window.span }}
            width={width}
            top={FACE_TOP}
            height={FACE}
            start={strip.starts_m}
            end={strip.length_m * 1.02 + strip.starts_m}
          />
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
          <Overview strip={strip} window={window} width={width} mark={mark} onMove={setView} />
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
  const fill = { steel: "var(--steel)", plastic: "var(--plastic)", post: "var(--post)", floor: "var(--air)", board: "var(--board)" }[strip.material];
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

/** The whole strip, small, with the stretch that is seen; pull it along. */
function Overview({ strip, window, width, mark, onMove }: { strip: Strip; window: Window; width: number; mark: StripMark | null; onMove: (window: Window) => void }) {
  const whole = wholeWindow(strip);
  const perMetre = width / whole.span;
  const x = (at: number) => (at - whole.from) * perMetre;
  const go = (event: PointerEvent<SVGGElement>) => {
    if (!event.buttons) return;
    event.stopPropagation();
    const left = event.currentTarget.ownerSVGElement?.getBoundingClientRect().left ?? 0;
    const at = (event.clientX - left) / perMetre + whole.from;
    onMove(clampWindow({ from: at - window.span / 2, span: window.span }, strip));
  };
  return (
    <g aria-hidden="true" onPointerDown={go} onPointerMove={go} cursor="ew-resize">
      <rect x="0" y={OVERVIEW_TOP - 6} width={width} height={OVERVIEW + 12} fill="transparent" />
      <path d={`M${x(0)} ${OVERVIEW_TOP + OVERVIEW / 2}H${x(strip.length_m)}`} stroke="var(--rule)" strokeWidth="3" />
      {strip.marks.map((each) => (
        <path
          key={each.id}
          d={`M${x(each.at_m)} ${OVERVIEW_TOP + (each === mark ? -1 : 3)}v${each === mark ? OVERVIEW + 2 : OVERVIEW - 6}`}
          stroke={each === mark ? "var(--paint)" : "var(--soft)"}
          strokeWidth={each === mark ? 3.5 : 1.5}
        />
      ))}
      {window.span < whole.span * 0.999 && (
        <rect x={x(window.from)} y={OVERVIEW_TOP} width={window.span * perMetre} height={OVERVIEW} fill="none" stroke="var(--ink)" strokeWidth="2" rx="2" />
      )}
    </g>
  );
}
