import type { Item } from "../api/client";
import type { Frame } from "./frame";

type Of<Kind> = Extract<Item, { kind: Kind }>;

const STYLES = {
  contour: { stroke: "var(--soil-mark)", strokeWidth: 1.4, strokeLinecap: "round" },
  meeting: { stroke: "var(--ink)", strokeWidth: 2.6, strokeLinecap: "round" },
  post: { stroke: "var(--ink)", strokeWidth: 3.5 },
  behind: { stroke: "var(--soft)", strokeWidth: 1.4, strokeDasharray: "5 3" },
} as const;

/** Many straight pieces as one path: contour lines, where pad and ground meet, posts edge on. */
export function SegmentsItem({ item, frame }: { item: Of<"segments">; frame: Frame }) {
  const d = item.ends
    .map(([x0, y0, x1, y1]) => `M${frame.x(x0).toFixed(1)} ${frame.y(y0).toFixed(1)}L${frame.x(x1).toFixed(1)} ${frame.y(y1).toFixed(1)}`)
    .join("");
  return <path d={d} fill="none" {...STYLES[item.style]} />;
}

/** Places where the rod stood, as one path of small crosses. */
export function DotsItem({ item, frame }: { item: Of<"dots">; frame: Frame }) {
  const d = item.places.map(([x, y]) => `M${(frame.x(x) - 2).toFixed(1)} ${frame.y(y).toFixed(1)}h4m-2 -2v4`).join("");
  return <path d={d} fill="none" stroke="var(--soft)" strokeWidth="1" />;
}

const HEAD = 11;

/** From where something is to where it goes. */
export function ArrowItem({ item, frame }: { item: Of<"arrow">; frame: Frame }) {
  const [x0, y0, x1, y1] = [frame.x(item.x0), frame.y(item.y0), frame.x(item.x1), frame.y(item.y1)];
  const long = Math.hypot(x1 - x0, y1 - y0);
  if (long < 1) return null;
  const [ux, uy] = [(x1 - x0) / long, (y1 - y0) / long];
  const head = Math.min(HEAD, long);
  const [bx, by] = [x1 - ux * head, y1 - uy * head];
  return (
    <g data-arrow={item.part}>
      <path d={`M${x0} ${y0}L${bx} ${by}`} stroke="var(--paint)" strokeWidth="3.5" />
      <path d={`M${x1} ${y1}L${bx - uy * head * 0.5} ${by + ux * head * 0.5}L${bx + uy * head * 0.5} ${by - ux * head * 0.5}Z`} fill="var(--paint)" />
    </g>
  );
}
