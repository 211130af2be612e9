import type { Item } from "../api/client";
import { type Frame, LANE } from "./frame";

type Dimension = Extract<Item, { kind: "dimension" }>;
const TICK = 5;
const GAP = 3;
/** Room that a grip at the end takes, px. */
const ROOM = 22;
const CHARACTER = 8.1;
/** Between words one below the other, px. */
const ROW = 19;

/** Words that have no room in a short upright line: outside it on the left, under its foot on the right. */
function besideUpright(x: number, y: number, foot: number, outward: number, row: number) {
  return outward > 0 ? { x, y: foot + 27 + row * ROW, anchor: "middle" as const } : { x: x - 14, y, anchor: "end" as const };
}

/** Where words stand that have no room in a short level line: below one in the middle, else past the grip at its end. */
function beside(left: number, right: number, y: number, frame: Frame) {
  if (left < frame.middle && frame.middle < right) return { x: (left + right) / 2, y: y + 17, anchor: "middle" as const };
  return right < frame.middle ? { x: right + 20, y, anchor: "start" as const } : { x: left - 10, y, anchor: "end" as const };
}

/** A measured distance with its reading in the line, lanes away from what it measures. */
interface Props {
  item: Dimension;
  frame: Frame;
  lit: boolean;
  faint: boolean;
  /** Called with where its words stand when they are pressed to type others, if they can be. */
  onType?: (at: { x: number; y: number }) => void;
}

export function DimensionItem({ item, frame, lit, faint, onType }: Props) {
  const [ax, ay, bx, by] = [frame.x(item.x0), frame.y(item.y0), frame.x(item.x1), frame.y(item.y1)];
  const length = Math.hypot(bx - ax, by - ay);
  if (length < 1) return null;
  const [ux, uy] = [(bx - ax) / length, (by - ay) / length];
  // Left of travel with y up is right of travel with y down.
  const [nx, ny] = [uy, -ux];
  const away = (item.lane ?? 1) * LANE;
  const at = (along: number, out: number) => `${(ax + ux * along + nx * out).toFixed(1)} ${(ay + uy * along + ny * out).toFixed(1)}`;
  const upright = Math.abs(ux) < Math.abs(uy);
  const words = item.text.length * CHARACTER + 10;
  const inside = length > words + ROOM;
  const cx = ax + ux * (length / 2) + nx * away;
  const cy = ay + uy * (length / 2) + ny * away;
  const lines = inside
    ? `M${at(0, away)}L${at((length - words) / 2, away)}M${at((length + words) / 2, away)}L${at(length, away)}`
    : `M${at(0, away)}L${at(length, away)}`;
  const ends = [0, length]
    .map((along) => `M${at(along - TICK * 0.7, away - TICK)}L${at(along + TICK * 0.7, away + TICK)}M${at(along, GAP)}L${at(along, away + TICK + 2)}`)
    .join("");
  const place = inside
    ? { x: cx, y: cy, anchor: "middle" as const }
    : upright
      ? besideUpright(cx, cy, Math.max(ay, by), nx, item.row ?? 0)
      : beside(Math.min(ax, bx), Math.max(ax, bx), cy, frame);
  return (
    <g opacity={faint ? 0.55 : 1}>
      <path d={lines} stroke="var(--ink)" strokeWidth={lit ? 2.2 : 1.1} fill="none" />
      <path d={ends} stroke="var(--ink)" strokeWidth={lit ? 2 : 1} fill="none" opacity={0.75} />
      {/* biome-ignore lint/a11y/noStaticElementInteractions: a pointer's short cut to the field of the panel */}
      <text
        className="figures"
        data-type={onType ? item.measure : undefined}
        onClick={onType && (() => onType(place))}
        cursor={onType ? "text" : undefined}
        x={place.x}
        y={place.y}
        textAnchor={place.anchor}
        dominantBaseline="central"
        fontSize={17}
        transform={upright && inside ? `rotate(-90 ${place.x} ${place.y})` : undefined}
      >
        {item.text}
      </text>
    </g>
  );
}
