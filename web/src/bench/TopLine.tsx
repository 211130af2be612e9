import { useEffect, useRef, useState } from "react";
import { FieldError, Input, TextField } from "react-aria-components";
import { Link } from "react-router";
import styled from "styled-components";
import { useSession, useSight } from "../house/useSight";
import { Choice } from "../kit/Choice";
import { LEVEL_WORDS, LevelSign, LevelWords } from "../kit/LevelSign";
import { Plain } from "../kit/Plain";
import { newGesture } from "../kit/stride";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";

const Line = styled.header`
  grid-area: top;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 16px;
  background: var(--desk);
  border-bottom: 2px solid var(--ink);
  > a { font: 600 17px/1 ${FIGURES}; }
  input {
    width: 8.2em;
    padding: 3px 4px;
    border: 0;
    border-bottom: 1px dashed var(--rule);
    background: none;
    font: 600 21px/1.2 ${FIGURES};
  }
  > .size { font-size: 17px; }
  > a.overall { display: flex; align-items: center; gap: 8px; flex: 1; min-width: 0; padding: 4px 0; font: inherit; line-height: 1.25; text-decoration: none; }
  > .overall:hover { text-decoration: underline; text-decoration-thickness: 1px; }
  > .overall > span { overflow: hidden; display: -webkit-box; -webkit-line-clamp: 3; -webkit-box-orient: vertical; }
  > .overall b { font-family: ${FIGURES}; font-weight: 600; }
  > .saved { font-size: 14px; color: var(--soft); max-width: 13em; line-height: 1.2; }
  > .saved[data-away] { color: var(--fails); }
  > .units > div { padding: 0; border: 0; }
  > .units > div > span { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
  > .units > div > div { margin: 0; flex-wrap: nowrap; }
  @media (max-width: 820px) {
    order: 1;
    flex-wrap: wrap;
    padding: 4px 14px;
    gap: 0 10px;
    border-bottom-width: 1px;
    > .size { display: none; }
    > div:has(> input) { flex: 1; min-width: 0; }
    input { width: 100%; }
    > a.overall { order: 1; flex: 1 1 60%; min-height: 44px; font-size: 14.5px; }
    > a.overall + button { order: 1; }
    > .overall > span { -webkit-line-clamp: 2; }
    > .saved[data-away] { order: 1; flex-basis: 100%; max-width: none; }
  }
`;
const SAVED_WORDS = { saved: "saved", saving: "saving", away: "not saved yet, trying again" } as const;

interface Props {
  narrow: boolean;
  onKeys: () => void;
  keysOpen: boolean;
  onVerdicts: () => void;
  verdictsOpen: boolean;
}

/** House, size, the one verdict that matters most and the way to it and the others, units, and whether all is saved. */
export function TopLine({ narrow, onKeys, keysOpen, onVerdicts, verdictsOpen }: Props) {
  const session = useSession();
  const { plan, house, saved, why, notice } = useSight();
  const overall = plan.overall;
  const more = plan.verdicts.filter((verdict) => verdict.level !== "holds" && verdict.id !== overall?.id).length;
  return (
    <Line>
      <Link to="/">Yard</Link>
      <HouseName />
      <span className="figures size">{plan.size}</span>
      {overall ? (
        <Link className="overall" to={`/house/${house.id}/${overall.step}`}>
          <LevelSign level={overall.level} />
          <span>
            <LevelWords verdict={overall} unknowns={plan.unknowns} /> <Words>{overall.sentence}</Words>
          </span>
        </Link>
      ) : (
        <span className="overall" />
      )}
      <Turned />
      {more > 0 && (
        <Plain onPress={onVerdicts} aria-expanded={verdictsOpen}>
          and {more} more
        </Plain>
      )}
      <span className="saved" role="status" data-away={saved === "away" || undefined}>
        {saved === "away" ? (why ? `Not saved yet. ${why}` : SAVED_WORDS.away) : notice || SAVED_WORDS[saved]}
      </span>
      <Plain isDisabled={!house.undo} onPress={() => session.undo("undo")} aria-label={house.undo ? `Undo: ${house.undo}` : "Undo"}>
        Undo
      </Plain>
      <Plain isDisabled={!house.redo} onPress={() => session.undo("redo")} aria-label={house.redo ? `Redo: ${house.redo}` : "Redo"}>
        Redo
      </Plain>
      {!narrow && <UnitsAndKeys onKeys={onKeys} keysOpen={keysOpen} />}
    </Line>
  );
}

/** Says to who can't see it that the verdict has turned, once what turned it is saved. */
function Turned() {
  const overall = useSight().house.plan.overall;
  const last = useRef(overall?.level);
  const [words, setWords] = useState("");
  const [level, sentence] = [overall?.level, overall?.sentence ?? ""];
  useEffect(() => {
    if (level !== last.current) setWords(level ? `${LEVEL_WORDS[level]} now. ${sentence}` : "Nothing is judged now.");
    last.current = level;
  }, [level, sentence]);
  return (
    <span className="unseen" role="status" data-turned>
      {words}
    </span>
  );
}

/** Units and the list of keys: in the top line, or on a narrow screen below everything else. */
export function UnitsAndKeys({ onKeys, keysOpen }: { onKeys: () => void; keysOpen: boolean }) {
  const units = useSight().plan.measures["tape.units"];
  return (
    <>
      <div className="units">{units && <Choice measure={units} />}</div>
      <Plain onPress={onKeys} aria-expanded={keysOpen}>
        Keys
      </Plain>
    </>
  );
}

function HouseName() {
  const session = useSession();
  const { plan, drafts, refusals } = useSight();
  const typed = drafts.name?.text ?? null;
  const take = () => {
    if (typed?.trim() && typed !== plan.name) void session.commit([{ measure: "name", text: typed, stride: "fraction" }], newGesture());
    else if (typed !== null) session.drop("name");
  };
  return (
    <TextField aria-label="House name" value={typed ?? plan.name} onChange={(text) => session.type("name", text)} maxLength={80} isInvalid={refusals.name !== undefined} validationBehavior="aria">
      <Input
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === "Enter") event.currentTarget.blur();
          if (event.key === "Escape") session.drop("name");
        }}
      />
      {refusals.name && <FieldError>{refusals.name.sentence}</FieldError>}
    </TextField>
  );
}
