import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import type { MeasureState } from "../api/client";
import { useGlimpse } from "../house/useSight";
import { LengthField } from "../kit/LengthField";

const Slip = styled.div`
  position: absolute;
  z-index: 2;
  width: 268px;
  padding: 2px 10px 6px;
  background: var(--paper);
  border: 2px solid var(--ink);
  border-radius: 3px;
`;
const WIDE = 268;
const DEEP = 90;

interface Props {
  measure: MeasureState;
  /** Where the figure was pressed, px from the drawing's corner. */
  at: { x: number; y: number };
  room: { width: number; height: number };
  onDone: () => void;
}

/** A slip of paper over a figure of the drawing, to type another one on. */
export function TypeHere({ measure, at, room, onDone }: Props) {
  const slip = useRef<HTMLDivElement>(null);
  const left = Math.min(Math.max(at.x - WIDE / 2, 4), Math.max(room.width - WIDE - 4, 4));
  const top = Math.min(Math.max(at.y - 24, 4), Math.max(room.height - DEEP, 4));
  const [sent, setSent] = useState(false);
  const held = useGlimpse((sight) => sight.drafts[measure.id] !== undefined || sight.refusals[measure.id] !== undefined);
  useEffect(() => slip.current?.querySelector("input")?.focus(), []);
  // What was sent is done once it is taken; what is refused stays here to be mended.
  useEffect(() => {
    if (sent && !held) onDone();
  }, [sent, held, onDone]);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: what is pressed in the field inside it
    <div
      onKeyDown={(event) => {
        if (event.key === "Escape") onDone();
      }}
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) onDone();
      }}
    >
      <Slip ref={slip} data-slip={measure.id} style={{ left, top }}>
        <LengthField measure={measure} onEnter={() => setSent(true)} />
      </Slip>
    </div>
  );
}
