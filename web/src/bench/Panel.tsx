import styled from "styled-components";
import type { Answer, Remedy, StepPlan, Verdict } from "../api/client";
import { useSight } from "../house/useSight";
import { Choice } from "../kit/Choice";
import { LengthField } from "../kit/LengthField";
import { LevelSign, LevelWords } from "../kit/LevelSign";
import { Press } from "../kit/Plain";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";
import { RemedyList, useRemedies } from "./Remedies";
import { Side } from "./Side";
import { StandoffBox } from "./Standoff";

const Answers = styled.dl`
  display: grid;
  > div { display: grid; grid-template-columns: 1fr auto; column-gap: 10px; align-items: baseline; padding: 4px 0 3px; border-bottom: 1px solid var(--faint); }
  dt { color: var(--soft); line-height: 1.25; }
  dt small { display: block; font-size: 13.5px; }
  dd { font-size: 17px; text-align: right; }
  .long dd { grid-column: 1 / -1; }
`;
const Judged = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 9px;
  > li > button {
    display: grid;
    grid-template-columns: 26px 1fr;
    gap: 8px;
    padding: 0;
    border: 0;
    background: none;
    text-align: left;
    font-size: 14.5px;
    line-height: 1.32;
    cursor: pointer;
  }
  b { font: 600 16px/1.2 ${FIGURES}; }
`;

interface Props {
  step: StepPlan;
  /** What to do at the chosen mark, or that it is done. */
  says: string;
  onShow: (part: string) => void;
  onAct: (action: string) => void;
}

/** The step's few inputs, then its answers, then its verdicts and what to do next. */
export function Panel({ step, says, onShow, onAct }: Props) {
  const { plan, house, previewing } = useSight();
  const remedies = useRemedies();
  const judged = previewing ? house.plan : plan;
  const verdicts = judged.verdicts.filter((verdict) => verdict.step === step.id);
  return (
    <Side aria-label={step.title}>
      <StandoffBox />
      <h1>{step.title}</h1>
      {says && <p className="next">{says}</p>}
      {step.next && (!says || step.done === step.of) && says !== step.next && <p className="next">{step.next}</p>}
      {step.caution && <p className="caution">{step.caution}</p>}
      <div>
        {step.measures.map((id) => {
          const measure = plan.measures[id];
          if (!measure) return null;
          return measure.kind === "choice" ? <Choice key={id} measure={measure} /> : <LengthField key={id} measure={measure} />;
        })}
      </div>
      {step.actions?.map((action) => (
        <Press key={action.id} data-action={action.id} onPress={() => onAct(action.id)}>
          {action.label}
        </Press>
      ))}
      <VerdictList verdicts={verdicts.filter(({ level }) => level !== "holds")} remedies={remedies} onShow={onShow} />
      <AnswerList answers={step.answers} />
      <VerdictList verdicts={verdicts.filter(({ level }) => level === "holds")} remedies={remedies} onShow={onShow} />
    </Side>
  );
}

function AnswerList({ answers }: { answers: Answer[] }) {
  return (
    <Answers>
      {answers.map((answer) => (
        <div key={answer.id} className={answer.reading.length > 16 ? "long" : ""}>
          <dt>
            {answer.label}
            {answer.note && <small><Words>{answer.note}</Words></small>}
          </dt>
          <dd className="figures" data-answer={answer.id}>{answer.reading}</dd>
        </div>
      ))}
    </Answers>
  );
}

function VerdictList({ verdicts, remedies, onShow }: { verdicts: Verdict[]; remedies: Remedy[]; onShow: (part: string) => void }) {
  if (verdicts.length === 0) return null;
  return (
    <Judged aria-label="Verdicts">
      {verdicts.map((verdict) => (
        <li key={verdict.id} data-verdict={verdict.id} data-level={verdict.level}>
          <button type="button" onClick={() => verdict.part && onShow(verdict.part)}>
            <LevelSign level={verdict.level} size={24} />
            <span>
              <LevelWords verdict={verdict} /> <Words>{verdict.sentence}</Words>
            </span>
          </button>
          {verdict.level !== "holds" && <RemedyList verdict={verdict} remedies={remedies} />}
        </li>
      ))}
    </Judged>
  );
}
