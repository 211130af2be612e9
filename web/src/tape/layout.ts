import type { Strip, StripMark } from "../api/client";

/** The stretch of the strip that is seen. */
export interface Window {
  from: number;
  span: number;
}

export interface Placed {
  mark: StripMark;
  x: number;
  labelX: number;
  row: number | null;
}

const READING = 9.2;
const WHAT = 6.7;
const APART = 10;
export const ROWS = 2;

const labelWidth = (mark: StripMark): number => Math.max(mark.reading.length * READING, mark.what.length * WHAT, 30);

/** How far a label may stand from its mark, and what a crossed leader counts for, px. */
const REACH = 110;
const STEP = 6;
const CROSSED = 70;
const LEADER = 4;

type Span = [number, number];
const free = (spans: Span[], from: number, to: number): boolean => spans.every(([a, b]) => to <= a || from >= b);

/** The nearest free place to x in a row, or null within reach. */
function freePlace(spans: Span[], x: number, half: number, width: number): number | null {
  for (let away = 0; away <= REACH; away += STEP) {
    for (const at of away === 0 ? [x] : [x - away, x + away]) {
      if (at - half >= -2 && at + half <= width + 2 && free(spans, at - half, at + half)) return at;
    }
  }
  return null;
}

/**
 * Lay out labels in two rows, the chosen mark first, then from the ends inward. A label stands over
 * its mark where it can, else as near as there is room; one without room is left to zooming.
 */
export function placeMarks(marks: StripMark[], window: Window, width: number, chosen: string | null): Placed[] {
  const perMetre = width / window.span;
  const low: Span[] = [];
  const high: Span[] = [];
  const seen = marks
    .map((mark) => ({ mark, x: (mark.at_m - window.from) * perMetre }))
    .filter(({ x }) => x >= -0.5 && x <= width + 0.5);
  const place = ({ mark, x }: { mark: StripMark; x: number }): Placed => {
    const half = labelWidth(mark) / 2 + APART / 2;
    const wanted = Math.min(Math.max(x, half), Math.max(width - half, half));
    const below = freePlace(low, wanted, half, width);
    const above = freePlace(high, wanted, half, width);
    const belowCost = below === null ? Number.POSITIVE_INFINITY : Math.abs(below - wanted);
    const aboveCost =
      above === null ? Number.POSITIVE_INFINITY : Math.abs(above - wanted) + 1 + (free(low, x - LEADER, x + LEADER) ? 0 : CROSSED);
    if (below !== null && belowCost <= aboveCost) {
      low.push([below - half, below + half]);
      return { mark, x, labelX: below, row: 0 };
    }
    if (above !== null) {
      high.push([above - half, above + half]);
      low.push([x - LEADER, x + LEADER]);
      return { mark, x, labelX: above, row: 1 };
    }
    return { mark, x, labelX: x, row: null };
  };
  const inward = seen.map((each, rank) => ({ each, rank: Math.min(rank, seen.length - 1 - rank) }));
  inward.sort((a, b) => Number(b.each.mark.id === chosen) - Number(a.each.mark.id === chosen) || a.rank - b.rank);
  const placed = new Map(inward.map(({ each }) => [each.mark.id, place(each)]));
  return seen.map(({ mark }) => placed.get(mark.id) as Placed);
}

/** Closest zoom: a hand's width of tape over the strip. */
const CLOSEST_M = 0.12;

export function clampWindow(window: Window, strip: Pick<Strip, "length_m">): Window {
  const whole = wholeWindow(strip);
  const span = Math.min(Math.max(window.span, CLOSEST_M), whole.span);
  const from = Math.min(Math.max(window.from, whole.from), whole.from + whole.span - span);
  return { from, span };
}

/** All of the strip, with a little beyond both ends. */
export function wholeWindow(strip: Pick<Strip, "length_m">): Window {
  const beyond = strip.length_m * 0.015;
  return { from: -beyond, span: strip.length_m + 2 * beyond };
}

/** Where to begin: all of it when every label has room, else as far in as lets them have it. */
export function openingWindow(strip: Strip, width: number): Window {
  const whole = wholeWindow(strip);
  for (const share of [1, 0.75, 0.5, 0.4, 0.3]) {
    const window = { from: whole.from, span: whole.span * share };
    const marks = placeMarks(strip.marks, window, width, null);
    if (marks.every((each) => each.row !== null)) return window;
  }
  return { from: whole.from, span: whole.span * 0.3 };
}

export function zoomed(window: Window, strip: Strip, factor: number, about: number): Window {
  const share = (about - window.from) / window.span;
  const span = Math.min(Math.max(window.span * factor, CLOSEST_M), wholeWindow(strip).span);
  return clampWindow({ from: about - share * span, span }, strip);
}

/** The same zoom, moved as little as needed for a place to be well inside. */
export function bringIn(window: Window, strip: Strip, at: number): Window {
  const edge = window.span * 0.12;
  if (at < window.from + edge) return clampWindow({ from: at - edge * 2.5, span: window.span }, strip);
  if (at > window.from + window.span - edge) return clampWindow({ from: at + edge * 2.5 - window.span, span: window.span }, strip);
  return window;
}
