import type { Drawing } from "../api/client";

/** Room kept free around what has size, px. */
export interface Margins {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Distance between lanes of dimension lines, px. */
export const LANE = 36;

/** True size to screen: metres with y up become pixels with y down, at one scale. */
export interface Frame {
  scale: number;
  /** Middle of the drawing, px. */
  middle: number;
  x: (x: number) => number;
  y: (y: number) => number;
}

export function fit(bounds: Pick<Drawing, "x0" | "y0" | "x1" | "y1">, width: number, height: number, margins: Margins): Frame {
  const across = Math.max(bounds.x1 - bounds.x0, 0.1);
  const up = Math.max(bounds.y1 - bounds.y0, 0.1);
  const roomX = Math.max(width - margins.left - margins.right, 40);
  const roomY = Math.max(height - margins.top - margins.bottom, 40);
  const scale = Math.min(roomX / across, roomY / up);
  const left = margins.left + (roomX - across * scale) / 2;
  const base = height - margins.bottom - (roomY - up * scale) / 2;
  return { scale, middle: width / 2, x: (x) => left + (x - bounds.x0) * scale, y: (y) => base - (y - bounds.y0) * scale };
}

/** How many lanes of dimension lines a drawing has on each side, as room to keep free. */
export function marginsFor(drawing: Drawing): Margins {
  const most = { left: 0, right: 0, bottom: 0, top: 0 };
  for (const item of drawing.items) {
    if (item.kind !== "dimension") continue;
    const dx = item.x1 - item.x0;
    const dy = item.y1 - item.y0;
    const lane = item.lane ?? 1;
    if (Math.abs(dx) > Math.abs(dy)) most[dx < 0 ? "bottom" : "top"] = Math.max(most[dx < 0 ? "bottom" : "top"], lane);
    else most[dy > 0 ? "left" : "right"] = Math.max(most[dy > 0 ? "left" : "right"], lane);
  }
  return {
    left: most.left ? 60 + most.left * LANE : 30,
    right: most.right ? 34 + most.right * LANE : 30,
    top: 24 + most.top * LANE,
    bottom: 28 + most.bottom * LANE,
  };
}
