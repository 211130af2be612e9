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

/** How far a label may stand from its mark before it is left to zooming, px. */
const REACH = 120;

interface Wanted {
  mark: StripMark;
  x: number;
  half: number;
}

/**
 * Places for labels in one row: in the order of their marks, without overlap, as near to them as can
 * be (least squares, by pooling neighbours that push each other).
 */
function dodge(wanted: Wanted[], width: number): number[] {
  const shift: number[] = [];
  wanted.forEach((each, place) => {
    const before = wanted[place - 1];
    shift.push(before ? (shift[place - 1] ?? 0) + before.half + each.half : 0);
  });
  const pools: { sum: number; count: number }[] = [];
  wanted.forEach((each, place) => {
    let pool = { sum: each.x - (shift[place] ?? 0), count: 1 };
    for (let last = pools.at(-1); last && last.sum / last.count > pool.sum / pool.count; last = pools.at(-1)) {
      pools.pop();
      pool = { sum: pool.sum + last.sum, count: pool.count + last.count };
    }
    pools.push(pool);
  });
  const low = wanted[0]?.half ?? 0;
  const high = width - (wanted.at(-1)?.half ?? 0) - (shift.at(-1) ?? 0);
  const level = pools.flatMap((pool) => Array<number>(pool.count).fill(Math.max(Math.min(pool.sum / pool.count, high), low)));
  return level.map((each, place) => each + (shift[place] ?? 0));
}

/**
 * Lay out labels in two rows. A label that would stand on its neighbour goes to the upper row; those
 * that still crowd make room for each other; where there is none, every second one is left to zooming,
 * never the chosen one.
 */
export function placeMarks(marks: StripMark[], window: Window, width: number, chosen: string | null): Placed[] {
  const perMetre = width / window.span;
  const seen: Wanted[] = marks
    .map((mark) => ({ mark, x: (mark.at_m - window.from) * perMetre, half: labelWidth(mark) / 2 + APART / 2 }))
    .filter(({ x }) => x >= -0.5 && x <= width + 0.5);
  const rows: Wanted[][] = Array.from({ length: ROWS }, () => []);
  const clash = (row: Wanted[], each: Wanted) => {
    const last = row.at(-1);
    return last ? last.x + last.half - (each.x - each.half) : Number.NEGATIVE_INFINITY;
  };
  for (const each of seen) {
    const best = rows.reduce((a, b) => (clash(a, each) <= Math.max(clash(b, each), 0) ? a : b));
    best.push(each);
  }
  const places = new Map<string, { row: number; at: number }>();
  rows.forEach((first, row) => {
    let kept = first;
    for (;;) {
      const at = dodge(kept, width);
      const total = kept.reduce((sum, each) => sum + 2 * each.half, 0);
      const strayed = kept.some((each, place) => Math.abs((at[place] ?? 0) - each.x) > REACH);
      if (kept.length < 2 || (total <= width && !strayed)) {
        kept.forEach((each, place) => {
          places.set(each.mark.id, { row, at: at[place] ?? each.x });
        });
        return;
      }
      kept = kept.filter((each, place) => place % 2 === 0 || each.mark.id === chosen);
      if (kept.length === first.length) return;
      first = kept;
    }
  });
  return seen.map(({ mark, x }) => {
    const place = places.get(mark.id);
    return { mark, x, labelX: place?.at ?? x, row: place?.row ?? null };
  });
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
