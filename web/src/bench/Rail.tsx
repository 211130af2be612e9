import { type KeyboardEvent, memo, useCallback, useEffect, useRef, useState } from "react";
import styled from "styled-components";
import type { StepPlan } from "../api/client";
import { alike } from "../house/alike";
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
  ol button {
    display: flex;
    align-items: center;
    gap: 12px;
    width: 100%;
    min-height: 31px;
    padding: 0 10px 0 14px;
    border: 0;
    background: none;
    text-align: left;
    font: 600 16.5px/1.08 ${FIGURES};
    cursor: pointer;
  }
  ol button small { display: block; font: 500 13px/1.12 ${FIGURES}; color: var(--soft); font-variant-numeric: tabular-nums; }
  ol button:hover { box-shadow: inset 3px 0 0 var(--soft); }
  ol button[aria-current] { background: var(--paper); box-shadow: inset 5px 0 0 var(--ink); }
  ol button:focus-visible { outline-offset: -3px; }
  > ol > li + li { border-top: 1px solid var(--rule); }
  .chapter { min-height: 32px; gap: 4px; white-space: nowrap; justify-content: space-between; font: 500 14.5px/1.2 ${FIGURES}; color: var(--soft); }
  .chapter[aria-expanded="false"] { font-weight: 600; color: var(--ink); }
  .chapter > span { display: flex; }
  svg { flex: none; }
  @media (max-width: 820px) {
    /* The steps stand under the top line. */
    display: contents;
    > ol { order: 2; overflow-x: auto; scroll-snap-type: x proximity; background: var(--desk); border-bottom: 2px solid var(--ink); }
    > ol, ol ol, > ol > li { display: flex; }
    > ol > li, ol ol > li { flex: none; scroll-snap-align: center; }
    > ol > li + li { border-top: 0; border-left: 1px solid var(--rule); }
    ol button { padding: 4px 12px; gap: 6px; min-height: 46px; white-space: nowrap; }
    ol button small, .chapter > span { display: none; }
    .chapter[aria-expanded="true"] { display: none; }
  }
`;

const STATE_WORDS = { open: "", going: "", checked: "fits", done: "done", look: "look here" } as const;

interface Props {
  steps: StepPlan[];
  current: string;
  onGo: (id: string) => void;
}

/**
 * The steps of the work in their order, by chapters, each with a stake that is driven as far as the work has come.
 * One chapter is open; of the others each is a line with its stakes in a row. Tab comes to the step that is shown, and
 * from any of them to its first field; arrows walk them.
 */
export function Rail({ steps, current, onGo }: Props) {
  const latest = useRef(onGo);
  latest.current = onGo;
  const go = useCallback((id: string) => latest.current(id), []);
  const groups = [...new Set(steps.map((step) => step.group))];
  const own = steps.find((step) => step.id === current)?.group ?? groups[0];
  const [open, setOpen] = useState(own);
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => setOpen(own), [own]);
  // Where the steps are wider or longer than the screen, the current one comes into sight.
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is another button with each step and chapter
  useEffect(() => {
    list.current?.querySelector("[aria-current]")?.scrollIntoView({ block: "nearest", inline: "center" });
  }, [current, open]);
  return (
    <Side aria-label="Steps">
      <ol ref={list} onKeyDown={walk}>
        {groups.map((group) => {
          const inside = steps.filter((step) => step.group === group);
          return (
            <li key={group}>
              <Chapter group={group} steps={inside} open={group === open} reached={own !== open && group === open} onOpen={() => setOpen(group)} />
              {group === open && (
                <ol>
                  {inside.map((step) => (
                    <li key={step.id}>
                      <StepButton id={step.id} title={step.title} state={step.state} far={farOf(step)} here={step.id === current} onGo={go} />
                    </li>
                  ))}
                </ol>
              )}
            </li>
          );
        })}
      </ol>
    </Side>
  );
}

/** Up and down walk the steps and the chapters. */
function walk(event: KeyboardEvent<HTMLOListElement>) {
  const way = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
  if (!way) return;
  const buttons = [...event.currentTarget.querySelectorAll("button")];
  const at = buttons.indexOf(event.target as HTMLButtonElement);
  const next = buttons[at + way];
  if (at < 0 || !next) return;
  event.preventDefault();
  next.focus();
}

const farOf = (step: StepPlan): string =>
  step.of && step.done ? `${step.done} of ${step.of} ${STATE_WORDS[step.state] === "look here" ? "· look" : ""}` : STATE_WORDS[step.state];

interface StepButtonProps {
  id: string;
  title: string;
  state: StepPlan["state"];
  far: string;
  here: boolean;
  onGo: (id: string) => void;
}

const StepButton = memo(function StepButton({ id, title, state, far, here, onGo }: StepButtonProps) {
  return (
    <button type="button" tabIndex={here ? 0 : -1} aria-current={here ? "step" : undefined} onClick={() => onGo(id)}>
      <Stake state={state} />
      <span>
        {title}
        <small>{far}</small>
      </span>
    </button>
  );
});

interface ChapterProps {
  group: string;
  steps: StepPlan[];
  open: boolean;
  /** Whether Tab comes here: where the step that is shown is folded away. */
  reached: boolean;
  onOpen: () => void;
}

const Chapter = memo(
  function Chapter({ group, steps, open, reached, onOpen }: ChapterProps) {
    const look = steps.filter((step) => step.state === "look").length;
    return (
      <button type="button" className="chapter" tabIndex={reached ? 0 : -1} aria-expanded={open} onClick={onOpen}>
        {group}
        {!open && (
          <>
            <span aria-hidden="true">
              {steps.map((step) => (
                <Stake key={step.id} state={step.state} width={Math.min(14, ROW / steps.length)} />
              ))}
            </span>
            <span className="unseen">
              , {steps.length} {steps.length === 1 ? "step" : "steps"}{look > 0 && `, ${look} to look at`}
            </span>
          </>
        )}
      </button>
    );
  },
  (a, b) => a.open === b.open && a.reached === b.reached && a.group === b.group && alike(a.steps.map((step) => step.state), b.steps.map((step) => step.state)),
);

/** Room for a chapter's stakes in a row, px. */
const ROW = 92;
const DEPTH = { open: 0, going: 5, checked: 8, done: 12, look: 3 } as const;

function Stake({ state, width = 20 }: { state: StepPlan["state"]; width?: number }) {
  const top = 1 + DEPTH[state];
  return (
    <svg width={width} height="22" viewBox={`${(20 - width) / 2} 0 ${width} 22`} aria-hidden="true">
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
