import type { Drawing } from "../api/client";
import { fit } from "./frame";
import { GrowerItem } from "./GrowerItem";
import { Hatches } from "./hatches";
import { MarkItem } from "./MarkItem";
import { OutlineItem } from "./OutlineItem";

interface Props {
  drawing: Drawing;
  width: number;
  height: number;
  scale?: number;
  endOnly?: boolean;
}

const EDGE = 4;

/** A display list without its numbers and grips: small, or at a given scale beside others. */
export function SmallDrawing({ drawing, width, height, scale, endOnly = false }: Props) {
  // The end stands first in a yard's drawing, up to the first gap.
  const end = drawing.items.find((item) => item.kind === "outline" && item.part === "bow");
  const x1 = endOnly && end?.kind === "outline" ? Math.max(...end.path.map((vertex) => vertex.x)) : drawing.x1;
  const margins = { left: EDGE, right: EDGE, top: EDGE + 2, bottom: EDGE };
  const frame =
    scale === undefined
      ? fit({ ...drawing, x1 }, width, height, margins)
      : { scale, middle: width / 2, x: (x: number) => x * scale + EDGE, y: (y: number) => height - EDGE - y * scale };
  const hatches = `small-${drawing.view}-${drawing.x1}-${drawing.y1}`;
  return (
    <svg width={width} height={height} role="img" aria-label={drawing.summary}>
      <Hatches id={hatches} />
      {drawing.items.map((item, place) => {
        const key = `${item.kind} ${place}`;
        if (item.kind === "outline") {
          const beyond = endOnly && item.path.some((vertex) => vertex.x > x1 + 0.01);
          return beyond ? null : <OutlineItem key={key} item={item} frame={frame} hatches={hatches} lit={false} />;
        }
        if (item.kind === "grower") return <GrowerItem key={key} item={item} frame={frame} lit={false} />;
        if (item.kind === "mark" && !endOnly) {
          return <MarkItem key={key} item={item} frame={frame} lit={false} onPick={() => {}} />;
        }
        return null;
      })}
    </svg>
  );
}
