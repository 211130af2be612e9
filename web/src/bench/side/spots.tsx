import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { type FormEvent, useRef, useState } from "react";
import { FieldError, Form, Input, Label, TextField } from "react-aria-components";
import styled from "styled-components";
import { api, type FieldTrouble } from "../../api/client";
import { useSession, useSight } from "../../house/useSight";
import { Plain, Press } from "../../kit/Plain";
import { Words } from "../../kit/Words";
import { FIGURES } from "../../look/look";
import { Side } from "../Side";
import type { SideProps } from "../sides";

const Typed = styled(Form)`
  display: grid;
  gap: 8px;
  > div { display: grid; grid-template-columns: 1fr 144px; gap: 2px 8px; align-items: center; }
  input {
    min-height: 38px;
    padding: 3px 8px;
    font: 600 18px/1.2 ${FIGURES};
    font-variant-numeric: tabular-nums;
    text-align: right;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-bottom: 2px solid var(--ink);
  }
  .react-aria-FieldError { grid-column: 1 / -1; color: var(--fails); font-size: 14px; }
`;
const Kept = styled.ol`
  margin: 0;
  padding: 0;
  list-style: none;
  li { display: grid; grid-template-columns: 1fr auto; gap: 0 8px; align-items: center; padding: 5px 0; border-bottom: 1px solid var(--rule); }
`;
const PAGE = 12;
const FIELDS = ["along", "across", "reading"] as const;
type Field = (typeof FIELDS)[number];
const LABELS: Record<Field, string> = { along: "Along from A", across: "Across from A–B", reading: "Rod" };

/** A spot that was not kept, and why; ``here`` when its numbers stand in the fields. */
interface Refused {
  sent: Record<Field, string>;
  troubles: FieldTrouble[];
  here: boolean;
}

/** Spots where the rod is read besides the pegs: type one after the other, or let the laser read each; take out a wrong one. */
export default function Spots({ step: { caution }, onClose }: SideProps) {
  const session = useSession();
  const { house, plan } = useSight();
  const { drafts, pending } = useSight();
  // The next spot is most often on the same line across: what was sent stands there again, and is nobody's loss.
  const [line, setLine] = useState("");
  const stands = (field: Field) => drafts[`spot.${field}`]?.text ?? (field === "across" ? line : "");
  const typed: Record<Field, string> = { along: stands("along"), across: stands("across"), reading: stands("reading") };
  const [wrong, setWrong] = useState<Refused | null>(null);
  const [most, setMost] = useState(PAGE);
  const [said, setSaid] = useState("");
  const first = useRef<HTMLInputElement>(null);
  const kept = useQuery({ queryKey: ["spots", house.id, house.version, most], queryFn: () => api.spots(house.id, most), placeholderData: keepPreviousData });
  const rod = plan.measures["level.tool"]?.reading === "string" ? "Down from string" : LABELS.reading;

  // The fields are free for the next spot at once; what turns out wrong is said, and one press away.
  const keep = async (laser: boolean) => {
    const sent = typed;
    if (!sent.along.trim() || !sent.across.trim() || !(laser || sent.reading.trim())) {
      const empty = FIELDS.filter((field) => !sent[field].trim() && !(laser && field === "reading"));
      setWrong({ sent, troubles: empty.map((field) => ({ path: `spot.${field}`, measure: null, sentence: "Type a length." })), here: true });
      return;
    }
    setWrong(null);
    setLine(sent.across);
    for (const field of FIELDS) session.untype(`spot.${field}`);
    first.current?.focus();
    const found = await session.keepSpot(sent.along, sent.across, laser ? null : sent.reading);
    if (found.length) setWrong({ sent, troubles: found, here: false });
    else setSaid(session.look().house.undo ?? "Kept.");
  };
  const backToIt = () => {
    if (!wrong) return;
    for (const field of FIELDS) session.type(`spot.${field}`, wrong.sent[field]);
    setWrong({ ...wrong, here: true });
    first.current?.focus();
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep(false);
  };
  const trouble = (field: Field) => (wrong?.here ? wrong.troubles.find((each) => each.path === `spot.${field}`)?.sentence : undefined);
  return (
    <Side aria-label="Spots between the pegs">
      <h1>Spots between the pegs</h1>
      <Plain onPress={onClose}>Back to the step</Plain>
      <p>Where the ground changes between the pegs, and out to the edge of a pad. A minus lies before A, or outside the line A to B.</p>
      {caution && <p className="caution">{caution}</p>}
      <Typed onSubmit={submit}>
        {FIELDS.map((field) => (
          <TextField
            key={field}
            name={field}
            value={typed[field]}
            onChange={(value) => session.type(`spot.${field}`, value)}
            isInvalid={trouble(field) !== undefined}
            validationBehavior="aria"
            autoComplete="off"
          >
            <Label>{field === "reading" ? rod : LABELS[field]}</Label>
            <Input ref={field === "along" ? first : undefined} spellCheck="false" />
            <FieldError>{trouble(field)}</FieldError>
          </TextField>
        ))}
        <Press type="submit">Keep this spot</Press>
        <Press onPress={() => void keep(true)}>Read the laser there</Press>
      </Typed>
      {wrong && !wrong.here && (
        <p role="alert" className="wrong">
          <Words>{`Not kept: ${wrong.sent.along} along, ${wrong.sent.across} across${wrong.sent.reading && `, ${wrong.sent.reading}`}. ${wrong.troubles.map((each) => each.sentence).join(" ")}`}</Words>{" "}
          <Plain onPress={backToIt}>Back to it</Plain>
        </p>
      )}
      <p role="status">{said && <Words>{said}</Words>}</p>
      {kept.data && kept.data.total > 0 && (
        <>
          <h2>
            <Words>{`${kept.data.total.toLocaleString("en")} kept`}</Words>
          </h2>
          <Kept>
            {kept.data.spots.filter((spot) => !pending.has(`/spots/${encodeURIComponent(spot.id)}`)).map((spot) => (
              <li key={spot.id}>
                <span>
                  <Words>{`${spot.place}: ${spot.reading}`}</Words>
                </span>
                <Plain aria-label={`Take out the spot ${spot.place}`} onPress={() => session.takeOutSpot(spot.id)}>
                  Take out
                </Plain>
              </li>
            ))}
          </Kept>
          {kept.data.total > most && <Plain onPress={() => setMost(Math.min(most + PAGE, 200))}>Show earlier ones</Plain>}
        </>
      )}
    </Side>
  );
}
