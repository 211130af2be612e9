import { type ReactNode, useEffect, useRef } from "react";
import styled from "styled-components";
import type { StepPlan } from "../api/client";
import { FIGURES } from "../look/look";

const Side = styled.nav`
  grid-area: rail;
  padding: 6px 0 0;
  background: var(--desk);
  border-right: 1px solid var(--ink);
  display: flex;
  flex-direction: column;
  overflow-y: auto;
  ol { list-style: none; }
  .more { display: grid; justify-items: start; margin-top: auto; padding: 10px 9px 0; }
  > p { padding: 10px 14px 14px; font-size: 14px; line-height: 1.35; }
  h2 { padding: 12px 14px 2px 44px; font: 500 14px/1.2 ${FIGURES}; color: var(--soft); }
  ol button {
    display: flex;
    align-items: center;
    gap: 12px;
    width: 100%;
    min-height: 40px;
    padding: 2px 10px 2px 14px;
    border: 0;
    background: none;
    text-align: left;
    font: 600 17px/1.15 ${FIGURES};
    cursor: pointer;
  }
  ol button small { display: block; font: 500 13.5px/1.2 ${FIGURES}; color: var(--soft); font-variant-numeric: tabular-nums; }
  ol button:hover { box-shadow: inset 3px 0 0 var(--soft); }
  ol button[aria-current] { background: var(--paper); box-shadow: inset 5px 0 0 var(--ink); }
  ol button:focus-visible { outline-offset: -3px; }
  svg { flex: none; }
  .units > div { padding: 0; border: 0; }
  @media (max-width: 820px) {
    /* The steps stand under the top line, the rest below everything else. */
    display: contents;
    > ol { order: 2; overflow-x: auto; scroll-snap-type: x proximity; background: var(--desk); border-bottom: 2px solid var(--ink); }
    > ol, ol ol { display: flex; }
    > ol > li, ol ol > li { flex: none; scroll-snap-align: center; }
    .more { order: 8; display: flex; flex-wrap: wrap; align-items: center; gap: 4px 16px; margin: 0; padding: 10px 14px 0; background: var(--desk); border-top: 1px solid var(--ink); }
    > p { order: 9; padding: 6px 14px 14px; background: var(--desk); }
    h2 { display: none; }
    ol button { padding: 4px 12px; gap: 6px; min-height: 46px; white-space: nowrap; }
    ol button small { display: none; }
  }
`;

const STATE_WORDS = { open: "", going: "", checked: "fits", done: "done", look: "look here" } as const;

interface Props {
  steps: StepPlan[];
  current: string;
  aid: string;
  children: ReactNode;
  onGo: (id: string) => void;
}

/** The steps of the work in their order, each with a stake that is driven as far as the work has come. */
export function Rail({ steps, current, aid, children, onGo }: Props) {
  const groups = [...new Set(steps.map((step) => step.group))];
  const here = useRef<HTMLButtonElement>(null);
  // Where the steps are wider or longer than the screen, the current one comes into sight.
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is another button with each step
  useEffect(() => {
    here.current?.scrollIntoView({ block: "nearest", inline: "center" });
  }, [current]);
  return (
    <Side aria-label="Steps">
      <ol>
        {groups.map((group) => (
          <li key={group}>
            <h2>{group}</h2>
            <ol>
              {steps
                .filter((step) => step.group === group)
                .map((step) => (
                  <li key={step.id}>
                    <button
                      type="button"
                      ref={step.id === current ? here : undefined}
                      aria-current={step.id === current ? "step" : undefined}
                      onClick={() => onGo(step.id)}
                    >
                      <Stake state={step.state} />
                      <span>
                        {step.title}
                        <small>
                          {step.of && step.done ? `${step.done} of ${step.of} ${STATE_WORDS[step.state] === "look here" ? "· look" : ""}` : STATE_WORDS[step.state]}
                        </small>
                      </span>
                    </button>
                  </li>
                ))}
            </ol>
          </li>
        ))}
      </ol>
      <div className="more">{children}</div>
      <p>{aid}</p>
    </Side>
  );
}

const DEPTH = { open: 0, going: 5, checked: 8, done: 12, look: 3 } as const;

function Stake({ state }: { state: StepPlan["state"] }) {
  const top = 1 + DEPTH[state];
  return (
    <svg width="20" height="22" viewBox="0 0 20 22" aria-hidden="true">
      <path
        d={`M7 ${top}H13V19H7Z`}
        transform={state === "look" ? "rotate(16 10 19)" : undefined}
        fill={state === "open" ? "var(--sheet)" : "var(--ink)"}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <path d="M1 19.5h18" stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}
