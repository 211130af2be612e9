import { memo } from "react";
import type { Item } from "../api/client";
import type { Frame } from "./frame";
import { looksTheSame } from "./same";

type Mark = Extract<Item, { kind: "mark" }>;

/** A place to find on the ground or the bow; the mark that is chosen wears a ring of paint. */
export const MarkItem = memo(function MarkItem({ item, frame, lit, onPick }: { item: Mark; frame: Frame; lit: boolean; onPick: (part: string) => void }) {
  const [x, y] = [frame.x(item.x), frame.y(item.y)];
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: a pointer's short cut to the strip's mark
    <g transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`} onClick={() => onPick(item.part)} cursor="pointer" data-mark={item.part}>
      <title>{item.label}</title>
      <circle r="12" fill="transparent" />
      {lit && <circle r="11" fill="none" stroke="var(--paint)" strokeWidth="3.5" />}
      {item.symbol === "peg" && <Peg state={item.state ?? "open"} />}
      {item.symbol === "centre" && <path d="M-6 0H6M0 -6V6" stroke="var(--ink)" strokeWidth="1.4" />}
      {item.symbol === "joint" && <path d="M-5 -5L5 5M5 -5L-5 5" stroke="var(--ink)" strokeWidth="2" />}
      {(item.symbol === "bend" || item.symbol === "crown" || item.symbol === "socket") && (
        <path
          d="M0 -9V9"
          stroke="var(--paint)"
          strokeWidth={lit ? 4.5 : 3}
          transform={`rotate(${((-(item.heading_rad ?? 0) * 180) / Math.PI).toFixed(1)})`}
        />
      )}
    </g>
  );
}, looksTheSame);

/** A stake seen from above: open until it is set, crossed out when the plan has left it behind. */
function Peg({ state }: { state: "open" | "set" | "moved" }) {
  return (
    <g stroke="var(--ink)" strokeWidth="1.6">
      <rect x="-4.5" y="-4.5" width="9" height="9" fill={state === "set" ? "var(--ink)" : "var(--sheet)"} />
      {state === "moved" && <path d="M-4.5 -4.5L4.5 4.5M4.5 -4.5L-4.5 4.5" />}
    </g>
  );
}
