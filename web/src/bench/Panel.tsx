import { memo, useState } from "react";
import { Button, Disclosure, DisclosurePanel, Heading } from "react-aria-components";
import styled from "styled-components";
import type { Action, Answer, StepPlan } from "../api/client";
import { alike } from "../house/alike";
import { useGlimpse, useSight } from "../house/useSight";
import { Choice } from "../kit/Choice";
import { LengthField } from "../kit/LengthField";
import { Plain, Press } from "../kit/Plain";
import { Words } from "../kit/Words";
import { useByKeys } from "../look/byKeys";
import { FIGURES } from "../look/look";
import { NoWaysOut, useRemedies } from "./Remedies";
import { Side } from "./Side";
import { StandoffBox } from "./Standoff";
import { Pressed, Takes } from "./Takes";
import { VerdictList } from "./VerdictList";

const Answers = styled.dl<{ $large?: boolean }>`
  display: grid;
  > div { display: grid; grid-template-columns: 1fr auto; column-gap: 10px; align-items: baseline; padding: 4px 0 3px; border-bottom: 1px solid var(--faint); }
  dt { color: var(--soft); line-height: 1.25; }
  dt small { display: block; font-size: 13.5px; }
  dd { font-size: ${({ $large }) => ($large ? 20 : 17)}px; text-align: right; }
  .long dd { grid-column: 1 / -1; }
`;
const More = styled(Disclosure)`
  > h2 { margin: 0; }
  > h2 button { padding: 6px 0; border: 0; background: none; font: 600 15px/1.2 ${FIGURES}; text-decoration: underline; text-underline-offset: 3px; cursor: pointer; }
`;

/** In the corner beside the title; reached after the fields. */
const Cards = styled.div`
  position: absolute;
  top: 12px;
  right: 16px;
`;

interface Props {
  step: StepPlan;
  /** What to do at the chosen mark, or that it is done. */
  says: string;
  house: string;
  version: number;
  /** The part that was pressed last, if any. */
  pressed: string | null;
  onShow: (part: string) => void;
  /** Lights parts of the drawing, or none. */
  onLight: (parts: string[]) => void;
  onAct: (action: Action) => void;
  onCards: () => void;
}

/** The step's few inputs, then its answers, then its verdicts and what to do next. */
export function Panel({ step, says, house, version, pressed, onShow, onLight, onAct, onCards }: Props) {
  const { plan, house: kept, previewing } = useSight();
  const { remedies, again } = useRemedies();
  const judged = previewing ? kept.plan : plan;
  const verdicts = judged.verdicts.filter((verdict) => verdict.step === step.id);
  return (
    <Side aria-label={step.title}>
      <StandoffBox />
      <h1>{step.title}</h1>
      {pressed && <Pressed house={house} version={version} part={pressed} onClose={() => onLight([])} />}
      {says && <p className="next">{says}</p>}
      {step.next && (!says || step.done === step.of) && says !== step.next && <p className="next">{step.next}</p>}
      {step.caution && <p className="caution">{step.caution}</p>}
      <Fields ids={step.measures.filter((id) => !step.aside?.includes(id))} />
      <Aside key={`${step.id} aside`} ids={step.measures.filter((id) => step.aside?.includes(id))} />
      <Told />
      <Cards>
        <Plain onPress={onCards}>Field cards</Plain>
      </Cards>
      {step.actions?.map((action) => (
        <Press key={action.id} data-action={action.id} onPress={() => onAct(action)}>
          {action.label}
        </Press>
      ))}
      <VerdictList verdicts={verdicts.filter(({ level }) => level !== "holds")} remedies={remedies} onShow={onShow} />
      {verdicts.some(({ level }) => level !== "holds") && <NoWaysOut again={again} />}
      <AnswerList key={step.id} answers={step.answers} leads={step.leads} />
      {plan.taking?.includes(step.id) && <Takes key={`${step.id} takes`} house={house} version={version} step={step.id} onLight={onLight} />}
      <VerdictList verdicts={verdicts.filter(({ level }) => level === "holds")} remedies={remedies} onShow={onShow} />
    </Side>
  );
}

/** The keys that help most, while the bench is gone through by keys. */
function Told() {
  const byKeys = useByKeys();
  return byKeys && <p className="keys">Enter takes it; ↑ ↓ go by a mark of the tape; F6 goes on to the drawing; ? shows all keys.</p>;
}

function Fields({ ids }: { ids: string[] }) {
  const { plan } = useSight();
  return (
    <div data-fields>
      {ids.map((id) => {
        const measure = plan.measures[id];
        if (!measure) return null;
        return measure.kind === "choice" ? <Choice key={id} measure={measure} /> : <LengthField key={id} measure={measure} goesOn={id.startsWith("record.")} />;
      })}
    </div>
  );
}

/** Fields that are settled once, folded away; one that was refused, or holds something unsaved, is not hidden. */
function Aside({ ids }: { ids: string[] }) {
  const [asked, setAsked] = useState(false);
  const held = useGlimpse((sight) => ids.some((id) => sight.refusals[id] !== undefined || sight.drafts[id] !== undefined));
  if (ids.length === 0) return null;
  return (
    <More isExpanded={asked || held} onExpandedChange={setAsked}>
      <Heading level={2}>
        <Button slot="trigger">More to set</Button>
      </Heading>
      <DisclosurePanel>
        <Fields ids={ids} />
      </DisclosurePanel>
    </More>
  );
}

/** What is carried to the site in large, the rest folded under one word. */
function AnswerList({ answers, leads }: { answers: Answer[]; leads: string[] }) {
  const first = answers.filter(({ id }) => leads.some((lead) => id === lead || id.startsWith(`${lead}_`)));
  const rest = answers.filter((answer) => !first.includes(answer));
  return (
    <>
      <Answers $large>{first.map((answer) => <AnswerLine key={answer.id} answer={answer} />)}</Answers>
      {rest.length > 0 && (
        <More>
          <Heading level={2}>
            <Button slot="trigger">More numbers</Button>
          </Heading>
          <DisclosurePanel>
            <Answers>{rest.map((answer) => <AnswerLine key={answer.id} answer={answer} />)}</Answers>
          </DisclosurePanel>
        </More>
      )}
    </>
  );
}

const AnswerLine = memo(
  function AnswerLine({ answer }: { answer: Answer }) {
    return (
      <div className={answer.reading.length > 16 ? "long" : ""}>
        <dt>
          {answer.label}
          {answer.note && <small><Words>{answer.note}</Words></small>}
        </dt>
        <dd className="figures" data-answer={answer.id}>{answer.reading}</dd>
      </div>
    );
  },
  (a, b) => alike(a.answer, b.answer),
);
