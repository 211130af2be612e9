import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import styled from "styled-components";
import type { Item, MeasureState } from "../api/client";
import { useSession } from "../house/useSight";
import { burstOn, newGesture, strideOf } from "../kit/stride";
import { type Frame, LANE } from "./frame";

type Handle = Extract<Item, { kind: "handle" }>;

const Grip = styled.g`
  cursor: grab;
  touch-action: none;
  &:active { cursor: grabbing; }
  .ring { fill: none; stroke: none; }
  &:focus-visible { outline: none; }
  &:focus-visible .ring { stroke: var(--ink); stroke-width: 3; }
  &:hover .dab { stroke-width: 3; }
`;

/** A dab of paint to take hold of: pull it with a pointer, or focus it and use the arrow keys. */
export function HandleItem({ item, frame, measure }: { item: Handle; frame: Frame; measure: MeasureState }) {
  const session = useSession();
  const drag = useRef<{ x: number; y: number; value: number; scale: number; next: number } | null>(null);
  const gesture = useRef("");
  const x = frame.x(item.x) + (item.lane_dx ?? 0) * (item.lane ?? 0) * LANE;
  const y = frame.y(item.y) - (item.lane_dy ?? 0) * (item.lane ?? 0) * LANE;
  const upright = Math.abs(item.dy) > Math.abs(item.dx);
  const tilt = (-Math.atan2(item.dy, item.dx) * 180) / Math.PI;

  const start = (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    event.currentTarget.focus();
    gesture.current = newGesture();
    const value = measure.value_m ?? 0;
    // The scale of the moment is kept: the drawing refits itself while the pull goes on.
    drag.current = { x: event.clientX, y: event.clientY, value, scale: frame.scale, next: value };
  };
  const move = (event: PointerEvent<SVGGElement>) => {
    const from = drag.current;
    if (!from) return;
    const along = ((event.clientX - from.x) * item.dx - (event.clientY - from.y) * item.dy) / from.scale;
    from.next = Math.max(from.value + along * (item.gain ?? 1), 0);
    session.attempt([{ measure: measure.id, value_m: from.next, stride: "fraction" }]);
  };
  const end = () => {
    const from = drag.current;
    drag.current = null;
    if (from && from.next !== from.value) {
      session.commit([{ measure: measure.id, value_m: from.next, stride: "fraction" }], gesture.current);
    }
  };
  const giveUp = () => {
    drag.current = null;
    session.drop(measure.id);
  };
  const key = (event: KeyboardEvent<SVGGElement>) => {
    if (event.key === "Escape" && drag.current) return giveUp();
    const stride = strideOf(event, true);
    if (!stride) return;
    event.preventDefault();
    session.commit([{ measure: measure.id, steps: stride.steps, stride: stride.stride }], burstOn(measure.id));
  };

  return (
    <Grip
      role="slider"
      tabIndex={0}
      data-handle={measure.id}
      aria-label={measure.label}
      aria-orientation={upright ? "vertical" : "horizontal"}
      aria-valuenow={measure.value_m ?? 0}
      aria-valuemin={measure.least_m ?? undefined}
      aria-valuemax={measure.most_m ?? undefined}
      aria-valuetext={measure.reading || measure.hint}
      transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${tilt.toFixed(1)})`}
      onPointerDown={start}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={giveUp}
      onKeyDown={key}
    >
      <rect x="-22" y="-22" width="44" height="44" fill="transparent" />
      <rect className="ring" x="-20" y="-14" width="40" height="28" rx="14" />
      <path className="dab" d="M-15 0L-8 -8H8L15 0L8 8H-8Z" fill="var(--paint)" stroke="var(--sheet)" strokeWidth="1.6" strokeLinejoin="round" />
      <path d="M-3 -4v8M3 -4v8" stroke="var(--sheet)" strokeWidth="1.8" />
    </Grip>
  );
}
