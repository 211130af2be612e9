import { useState } from "react";
import styled from "styled-components";
import type { MeasureState, Strip, StripMark } from "../api/client";
import { useSession } from "../house/useSight";
import { LengthField } from "../kit/LengthField";
import { Press } from "../kit/Plain";

const Place = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  margin-left: auto;
  > div { border-bottom: 0; padding: 0; }
  button { min-height: 32px; padding: 3px 12px; }
`;

interface Props {
  strip: Strip;
  mark: StripMark;
  /** Whether a laser level can be asked here. */
  laser: boolean;
  onChoose: (part: string) => void;
}

/** A number to type at the chosen mark; Enter goes on to the next mark that has none. */
export function Entry({ strip, mark, laser, onChoose }: Props) {
  const session = useSession();
  const [walking, setWalking] = useState(false);
  const entry = mark.entry;
  if (!entry) return null;
  const measure: MeasureState = { id: entry.measure, label: entry.label, kind: "length", reading: entry.reading ?? "", options: [], hint: "", optional: true };
  const next = () => {
    const rest = strip.marks.slice(strip.marks.indexOf(mark) + 1);
    const open = rest.find((each) => each.entry && !each.entry.reading) ?? rest.find((each) => each.entry && each.entry.measure !== entry.measure);
    setWalking(true);
    if (open) onChoose(open.part);
  };
  return (
    <Place data-entry={entry.measure}>
      <LengthField key={measure.id} measure={measure} autoFocus={walking} onTaken={next} />
      {laser && (
        <Press onPress={() => void session.readLaser(measure.id).then((taken) => taken && next())}>Read the laser</Press>
      )}
    </Place>
  );
}
