import styled from "styled-components";
import type { StepPlan, Verdict } from "../../api/client";
import { useSight } from "../../house/useSight";
import { Plain } from "../../kit/Plain";
import { NoWaysOut, useRemedies } from "../Remedies";
import { Side } from "../Side";
import type { SideProps } from "../sides";
import { VerdictList } from "../VerdictList";

const Chapter = styled.section`
  display: grid;
  gap: 8px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
  > div { display: flex; align-items: baseline; justify-content: space-between; gap: 10px; }
  h2 { margin: 0; }
`;

const WORSE: Record<Verdict["level"], number> = { fails: 3, tight: 2, unknown: 1, holds: 0 };
const RANKS: Record<string, number> = { stands: 3, fits: 2, comfort: 1 };
const heaviness = (verdict: Verdict): number => 10 * WORSE[verdict.level] + (RANKS[verdict.rank ?? "fits"] ?? 2);

/** Every judgement that doesn't hold, by step, worst first, with the way to its place and its ways out. */
export default function AllVerdicts({ onClose, onGo }: SideProps) {
  const { house } = useSight();
  const { remedies, again } = useRemedies();
  const { steps, verdicts } = house.plan;
  const by = steps
    .map((step) => ({ step, found: worstFirst(verdicts.filter((each) => each.step === step.id && each.level !== "holds")) }))
    .filter(({ found }) => found.length > 0)
    .sort((a, b) => first(b.found) - first(a.found));
  const holding = verdicts.filter(({ level }) => level === "holds").length;
  return (
    <Side aria-label="All verdicts">
      <h1>All verdicts</h1>
      <Plain onPress={onClose}>Back to the step</Plain>
      {by.map(({ step, found }) => (
        <Chapter key={step.id} aria-label={step.title}>
          <StepHead step={step} onGo={() => onGo(step.id, found[0]?.part ?? null)} />
          <VerdictList verdicts={found} remedies={remedies} onShow={(part) => onGo(step.id, part)} />
        </Chapter>
      ))}
      <NoWaysOut again={again} />
      <p>{holding === 0 ? "Nothing holds yet." : `${holding} more ${holding === 1 ? "holds" : "hold"}.`}</p>
    </Side>
  );
}

function StepHead({ step, onGo }: { step: StepPlan; onGo: () => void }) {
  return (
    <div>
      <h2>{step.title}</h2>
      <Plain onPress={onGo} aria-label={`Go to ${step.title}`}>
        Go there
      </Plain>
    </div>
  );
}

const worstFirst = (verdicts: Verdict[]): Verdict[] => [...verdicts].sort((a, b) => heaviness(b) - heaviness(a) || (b.ratio ?? 0) - (a.ratio ?? 0));
const first = (verdicts: Verdict[]): number => (verdicts[0] ? heaviness(verdicts[0]) : 0);
