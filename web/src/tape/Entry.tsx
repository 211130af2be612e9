import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import type { MeasureState, StripMark } from "../api/client";
import { useGlimpse, useSession } from "../house/useSight";
import { LengthField } from "../kit/LengthField";
import { Press } from "../kit/Plain";
import { Words } from "../kit/Words";

const Place = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  margin-left: auto;
  > div { border-bottom: 0; padding: 0; }
  button { min-height: 32px; padding: 3px 12px; }
  > p { font-weight: 600; }
  > p:focus { outline: none; }
`;

interface Props {
  title: string;
  mark: StripMark;
  /** Whether a laser level can be asked here. */
  laser: boolean;
  /** Goes on to the next mark that has none; returns what is typed there, or null when there is none. */
  onNext: () => string | null;
}

/**
 * A number to type at the chosen mark. Enter goes on at once to the next mark that has none, while the
 * answer is on its way: what is typed next belongs to the field that is seen. After the last one it says so.
 */
export function Entry({ title, mark, laser, onNext }: Props) {
  const session = useSession();
  // Where the hand goes on; a mark that is chosen otherwise leaves the focus where it is.
  const [handAt, setHandAt] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const told = useRef<HTMLParagraphElement>(null);
  const entry = mark.entry;
  const drafted = useGlimpse((sight) => sight.drafts[entry?.measure ?? ""] !== undefined);
  const over = done !== null && done === entry?.measure;
  // The hand is off the field when there is nothing more to type: further keys put nothing in place of the last one.
  useEffect(() => {
    if (over) told.current?.focus();
  }, [over]);
  if (!entry) return null;
  const hint = entry.reading && !drafted ? `read before: ${entry.reading}` : "";
  const measure: MeasureState = { id: entry.measure, label: entry.label, kind: "length", reading: entry.reading ?? "", options: [], hint, optional: true };
  const next = () => {
    const there = onNext();
    setHandAt(there);
    setDone(there === null ? entry.measure : null);
  };
  return (
    <Place data-entry={entry.measure}>
      {over && (
        <p ref={told} role="status" tabIndex={-1}>
          <Words>{`That was the last one: ${title.toLowerCase()} are done.`}</Words>
        </p>
      )}
      <LengthField key={measure.id} measure={measure} autoFocus={handAt === measure.id} onEnter={next} />
      {laser && (
        <Press
          onPress={() => {
            session.readLaser(measure.id);
            next();
          }}
        >
          Read the laser
        </Press>
      )}
    </Place>
  );
}
