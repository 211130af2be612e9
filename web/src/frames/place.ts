import type { FrameOnMap, TriedFrame } from "../api/client";

export interface Placed {
  frame: FrameOnMap;
  tried: TriedFrame;
  x: number;
  y: number;
  stands: boolean;
}

export interface Field {
  width: number;
  height: number;
}

export const MARGIN = { left: 30, right: 26, top: 26, bottom: 40 };
// What uses more of its strength than this is drawn at the bottom; what uses least at the top, if it is no more than so.
const MOST = 2;
const HALF = 0.6;

/** How high a share of strength is drawn: the less, the higher; all of it is the fence. */
export function high(ratio: number, least: number, { height }: Field): number {
  const share = Math.log(MOST / Math.min(Math.max(ratio, least), MOST)) / Math.log(MOST / least);
  return height - MARGIN.bottom - share * (height - MARGIN.top - MARGIN.bottom);
}

/** The least share of strength that is used, and no more than a little over half. */
export const leastOf = (tried: Map<string, TriedFrame>): number =>
  Math.max(Math.min(HALF, ...[...tried.values()].flatMap((each) => (typeof each.ratio === "number" ? [each.ratio] : []))), 0.02);

/** Every frame that was reckoned, where it stands on the map: further right takes more steel, higher uses less. */
export function placed(frames: FrameOnMap[], tried: Map<string, TriedFrame>, field: Field): Placed[] {
  const found = frames.flatMap((frame) => {
    const each = tried.get(frame.key);
    return each?.taken && typeof each.ratio === "number" ? [{ frame, tried: each, kg: each.taken.kg, ratio: each.ratio }] : [];
  });
  const [least, most] = [Math.min(...found.map((each) => each.kg)), Math.max(...found.map((each) => each.kg))];
  const top = leastOf(tried);
  const across = field.width - MARGIN.left - MARGIN.right;
  return found.map(({ frame, tried: each, kg, ratio }) => ({
    frame,
    tried: each,
    x: MARGIN.left + (most > least ? (kg - least) / (most - least) : 0.5) * across,
    y: high(ratio, top, field),
    stands: each.level === "holds" || each.level === "tight",
  }));
}

/** The next one from a frame in a direction: the nearest that lies that way more than aside. */
export function nextTo(from: Placed, all: Placed[], key: string): Placed | null {
  const way = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[key];
  if (!way) return null;
  const [wx, wy] = way as [number, number];
  let [best, least] = [null as Placed | null, Number.POSITIVE_INFINITY];
  for (const each of all) {
    const [dx, dy] = [each.x - from.x, each.y - from.y];
    const ahead = dx * wx + dy * wy;
    const aside = Math.abs(dx * wy) + Math.abs(dy * wx);
    if (each === from || ahead < 0.5) continue;
    const far = ahead + 2.5 * aside;
    if (far < least) [best, least] = [each, far];
  }
  return best;
}
