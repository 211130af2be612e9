import { useState } from "react";
import { FileTrigger, Label, TextArea, TextField } from "react-aria-components";
import styled from "styled-components";
import { useSession, useSight } from "../../house/useSight";
import { Plain, Press } from "../../kit/Plain";
import { Words } from "../../kit/Words";
import { FIGURES } from "../../look/look";
import { Side } from "../Side";
import type { SideProps } from "../sides";

const Field = styled(TextField)`
  display: grid;
  gap: 4px;
  textarea {
    min-height: 190px;
    padding: 6px 8px;
    font: 500 15px/1.35 ${FIGURES};
    font-variant-numeric: tabular-nums;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-bottom: 2px solid var(--ink);
    resize: vertical;
  }
`;
const Wrong = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  color: var(--fails);
  font-size: 14px;
  li { padding: 3px 0; }
`;
const MOST_BYTES = 2_000_000;

/** Readings pasted from a sheet or opened from a CSV file; a line that can't be used is named, and nothing is lost. */
export default function Readings({ onClose }: SideProps) {
  const session = useSession();
  const { house } = useSight();
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState<string[]>([]);
  const [taken, setTaken] = useState(false);
  const take = async (given: Blob) => {
    const found = given.size > MOST_BYTES ? ["That is more than 2 MB, far more than the readings of one house. Nothing was taken."] : await session.takeReadings(given);
    setWrong(found);
    setTaken(found.length === 0);
    if (found.length === 0) setText("");
  };
  return (
    <Side aria-label="Readings from a sheet">
      <h1>Readings from a sheet</h1>
      <Plain onPress={onClose}>Back to the step</Plain>
      <p>
        A line for each: <b>L3, 1.642</b> for a peg, or <b>4.5, 2.0, 1.655</b> for a spot along from A, across, and the rod; a spot read where one stands takes its place. Lines of the six sides as{" "}
        <b>line, reading</b> with that header.
      </p>
      <Field value={text} onChange={setText}>
        <Label>Paste here</Label>
        <TextArea spellCheck="false" />
      </Field>
      <Press isDisabled={!text.trim()} onPress={() => void take(new Blob([text]))}>
        Take these readings
      </Press>
      <FileTrigger
        acceptedFileTypes={[".csv", ".txt", "text/csv", "text/plain"]}
        onSelect={(files) => {
          const file = files?.[0];
          if (file) void take(file);
        }}
      >
        <Press>Open a CSV file</Press>
      </FileTrigger>
      {wrong.length > 0 && (
        <Wrong role="alert">
          {wrong.map((sentence) => (
            <li key={sentence}>
              <Words>{sentence}</Words>
            </li>
          ))}
        </Wrong>
      )}
      {taken && (
        <p role="status">
          <Words>{house.undo ?? "Taken."}</Words>
        </p>
      )}
    </Side>
  );
}
