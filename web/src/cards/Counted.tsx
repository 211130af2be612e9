import { useState } from "react";
import { FieldError, Input, Label, Text, TextField } from "react-aria-components";
import styled from "styled-components";
import type { CardsOut } from "../api/client";
import { useGlimpse, useSession } from "../house/useSight";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";

const Row = styled.section`
  display: grid;
  grid-template-columns: 1fr auto auto auto;
  align-items: center;
  gap: 8px;
  padding: 8px 14px;
  border-top: 1px solid var(--rule);
  select, button {
    min-height: 56px;
    min-width: 56px;
    padding: 4px 10px;
    font: 600 19px/1.1 ${FIGURES};
    color: var(--ink);
    background: var(--sheet);
    border: 2px solid var(--ink);
    border-radius: 6px;
    cursor: pointer;
  }
  output { min-width: 2.4em; font: 600 32px/1 ${FIGURES}; font-variant-numeric: tabular-nums; text-align: right; }
  > div { display: grid; gap: 6px; font-weight: 600; }
  input { min-height: 56px; padding: 4px 10px; font: 600 24px/1.1 ${FIGURES}; color: var(--ink); background: var(--sheet); border: 2px solid var(--ink); }
  [role="alert"], .react-aria-FieldError { color: var(--fails); }
  [aria-pressed="true"] { background: var(--ink); color: var(--sheet); }
`;

/** A clock that was set or left running is asked about; until it is answered, its time counts as none. */
function Doubt({ doubt }: { doubt: NonNullable<CardsOut["clock"]["doubt"]> }) {
  const session = useSession();
  const refusal = useGlimpse((sight) => sight.refusals[WORKED]);
  const [hours, setHours] = useState("");
  const tell = () => session.act("/worked", { start_s: doubt.start_s, worked: hours }, "POST", WORKED);
  return (
    <Row aria-label="Doubtful clock" style={{ gridTemplateColumns: "1fr auto" }}>
      <TextField value={hours} onChange={setHours} isInvalid={refusal !== undefined} validationBehavior="aria" style={{ gridColumn: "1 / -1" }}>
        <Label><Words>{doubt.asks}</Words></Label>
        <Input autoComplete="off" onKeyDown={(event) => event.key === "Enter" && tell()} />
        <Text slot="description">In hours; blank for none.</Text>
        {refusal && <FieldError>{refusal.sentence}</FieldError>}
      </TextField>
      <button type="button" onClick={tell}>That long</button>
    </Row>
  );
}

const WORKED = "worked";

/** What is counted by thumb, and the clock of the work. */
export function Counted({ deck }: { deck: CardsOut }) {
  const session = useSession();
  const [what, setWhat] = useState("loads");
  const tally = deck.tallies.find((each) => each.id === what) ?? deck.tallies[0];
  if (!tally) return null;
  const { clock } = deck;
  return (
    <>
      <Row aria-label="Tally">
        <select aria-label="Counted" value={tally.id} onChange={(event) => setWhat(event.target.value)}>
          {deck.tallies.map((each) => (
            <option key={each.id} value={each.id}>
              {each.label}
            </option>
          ))}
        </select>
        <output aria-live="polite">{tally.count.toLocaleString("en")}</output>
        <button type="button" aria-label={`One fewer: ${tally.label}`} disabled={tally.count === 0} onClick={() => session.act("/tally", { what: tally.id, by: -1 })}>
          −
        </button>
        <button type="button" aria-label={`One more: ${tally.label}`} onClick={() => session.act("/tally", { what: tally.id, by: 1 })}>
          +
        </button>
      </Row>
      {clock.doubt && <Doubt key={clock.doubt.start_s} doubt={clock.doubt} />}
      <Row aria-label="Clock" style={{ gridTemplateColumns: "1fr auto" }}>
        <span>
          {deck.title}: {clock.worked}
          {clock.on && !clock.runs ? `; now on ${clock.on}` : ""}
        </span>
        <button type="button" aria-pressed={clock.runs} onClick={() => session.act("/clock", { step: deck.step, on: !clock.runs })}>
          {clock.runs ? "Stop the clock" : "Start the clock"}
        </button>
      </Row>
    </>
  );
}
