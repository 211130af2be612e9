import type { Item } from "../api/client";
import type { Frame } from "./frame";

type Grower = Extract<Item, { kind: "grower" }>;

/** A grower in a brimmed hat, to scale, drawn in a box 100 wide for a height of 340. */
export function GrowerItem({ item, frame, lit }: { item: Grower; frame: Frame; lit: boolean }) {
  const scale = (item.height_m * frame.scale) / 340;
  const tone = item.upright ? "var(--soft)" : "var(--fails)";
  return (
    <g transform={`translate(${frame.x(item.x).toFixed(1)} ${frame.y(item.y).toFixed(1)}) scale(${scale.toFixed(4)})`} opacity={lit ? 1 : 0.85}>
      <g fill={item.upright ? "var(--paper)" : "var(--sheet)"} stroke={tone} strokeWidth={2.2 / scale} strokeLinejoin="round" strokeLinecap="round">
        <path d="M-30 0L-22 -150M30 0L22 -150M0 -130L-4 0M0 -130L6 0" fill="none" />
        <path d="M-34 -262Q0 -280 34 -262L30 -150Q0 -138 -30 -150Z" />
        <path d="M-34 -258L-50 -176L-38 -140M34 -258L52 -182L60 -196" fill="none" />
        <circle cx="0" cy="-302" r="24" />
        <path d="M-46 -314Q0 -304 46 -314Q30 -322 24 -322Q20 -340 0 -340Q-20 -340 -24 -322Q-30 -322 -46 -314Z" />
      </g>
    </g>
  );
}
