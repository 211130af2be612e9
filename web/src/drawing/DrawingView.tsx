import { memo, useId, useLayoutEffect, useMemo, useRef, useState } from "react";
import styled from "styled-components";
import type { Drawing, HousePlan, StepPlan } from "../api/client";
import { useSession } from "../house/useSight";
import { newGesture } from "../kit/stride";
import { DimensionItem } from "./DimensionItem";
import { fit, LANE, marginsFor } from "./frame";
import { ArrowItem, DotsItem, SegmentsItem } from "./GroundItems";
import { GrowerItem } from "./GrowerItem";
import { HandleItem } from "./HandleItem";
import { Hatches } from "./hatches";
import { DARK } from "./lights";
import { MarkItem } from "./MarkItem";
import { OutlineItem } from "./OutlineItem";
import { TypeHere } from "./TypeHere";

const Sheet = styled.div`
  position: relative;
  min-height: 0;
  height: 100%;
  overflow: hidden;
  > svg { position: absolute; inset: 0; display: block; touch-action: pan-y; }
  text { fill: var(--ink); paint-order: stroke; stroke: var(--paper); stroke-width: 5px; stroke-linejoin: round; }
`;

const NOTE_LINE = 20;
const BESIDE_PX = 8;
/** How much of its ink a drawing keeps that shows nothing of what the step is about. */
const BACKDROP = 0.75;

interface Props {
  drawing: Drawing;
  plan: HousePlan;
  step: StepPlan;
  chosen: string | null;
  /** What is lit besides. */
  lights?: ReadonlySet<string>;
  onChoose: (part: string) => void;
  /** A part that was pressed. */
  onPress?: (part: string) => void;
  /** Whether the drawing is of the house as it stands, so that it can be changed here. */
  open: boolean;
  /** Whether all of it is what the step is about. */
  whole?: boolean;
}

/** A display list on the screen: what has size to scale, what has none at the size that reads best. */
export const DrawingView = memo(function DrawingView({ drawing, plan, step, chosen, lights = DARK, onChoose, onPress, open, whole = false }: Props) {
  const [box, size] = useBox();
  const hatches = useId();
  const frame = useMemo(() => fit(drawing, size.width, size.height, marginsFor(drawing)), [drawing, size]);
  const names = useMemo(() => namesOf(drawing.items), [drawing]);
  const lit = (part: string) => part === chosen || lights.has(part);
  const session = useSession();
  const [typing, setTyping] = useState<{ measure: string; at: { x: number; y: number } } | null>(null);
  const pick = open ? (measure: string, text: string) => void session.commit([{ measure, text, stride: "fraction" }], newGesture()) : undefined;
  const typeAt = (measure = "") =>
    open && plan.measures[measure] ? (at: { x: number; y: number }) => setTyping({ measure, at: { x: at.x, y: at.y } }) : undefined;
  const typed = typing && plan.measures[typing.measure];
  const about = (part: string) => step.focus.some((name) => part === name || part.startsWith(`${name}:`));
  const faint = (part: string) => !whole && !lit(part) && !about(part);
  // A drawing that shows nothing of what the step is about stands there whole, and faint.
  const backdrop = !whole && !drawing.items.some((item) => "part" in item && about(item.part));
  return (
    <Sheet ref={box}>
      <svg width={size.width} height={size.height} role="group" aria-label={`${drawing.title}. ${drawing.summary}`} opacity={backdrop ? BACKDROP : undefined}>
        <Hatches id={hatches} />
        {drawing.items.map((item, place) => {
          if ("part" in item && item.kind !== "outline" && faint(item.part) && !backdrop) {
            // What the step is not about: no grower, no marks, and dimensions in the background.
            if (item.kind !== "dimension") return null;
          }
          const key = names[place];
          switch (item.kind) {
            case "outline":
              return <OutlineItem key={key} item={item} frame={frame} hatches={hatches} lit={lit(item.part)} faint={faint(item.part)} onPick={pick} onPress={onPress} />;
            case "dimension":
              return <DimensionItem key={key} item={item} frame={frame} lit={lit(item.part)} faint={faint(item.part)} onType={typeAt(item.measure)} />;
            case "mark":
              return <MarkItem key={key} item={item} frame={frame} lit={lit(item.part)} onPick={onChoose} />;
            case "grower":
              return <GrowerItem key={key} item={item} frame={frame} lit={lit("grower")} />;
            case "segments":
              return <SegmentsItem key={key} item={item} frame={frame} />;
            case "dots":
              return <DotsItem key={key} item={item} frame={frame} />;
            case "arrow":
              return <ArrowItem key={key} item={item} frame={frame} />;
            case "note":
              return (
                <text
                  key={key}
                  className="figures"
                  x={frame.x(item.x) + besidePx(item)}
                  y={frame.y(item.y) + (item.above === false ? 5 : -9) + (item.row ?? 0) * NOTE_LINE}
                  textAnchor={item.anchor ?? "middle"}
                  fontSize={16}
                >
                  {item.text}
                </text>
              );
            default:
              return null;
          }
        })}
        {drawing.items.map((item, place) => {
          if (item.kind !== "handle" || !step.grips.includes(item.measure)) return null;
          const measure = plan.measures[item.measure];
          return measure && <HandleItem key={names[place]} item={item} frame={frame} measure={measure} />;
        })}
      </svg>
      {typing && typed && <TypeHere key={typing.measure} measure={typed} at={typing.at} room={size} onDone={() => setTyping(null)} />}
    </Sheet>
  );
});

/**
 * A name for each item that stays its own while others come and go: what is held in the hand must not be
 * made anew because a bed or a bow more is drawn before it.
 */
function namesOf(items: Drawing["items"]): string[] {
  const seen = new Map<string, number>();
  return items.map((item) => {
    const name = `${item.kind} ${"part" in item ? item.part : item.measure}`;
    const nth = (seen.get(name) ?? 0) + 1;
    seen.set(name, nth);
    return `${name} ${nth}`;
  });
}

/** Words that stand beside a point keep clear of its peg. */
const besidePx = ({ anchor, above }: { anchor?: string; above?: boolean }): number =>
  above === false ? { start: BESIDE_PX, end: -BESIDE_PX, middle: 0 }[anchor as "start"] ?? 0 : 0;

/** The size of an element as it changes. */
export function useBox() {
  const box = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 760, height: 20 * LANE - 300 });
  useLayoutEffect(() => {
    const element = box.current;
    if (!element) return;
    const measure = () => setSize({ width: element.clientWidth, height: element.clientHeight });
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [box, size] as const;
}
