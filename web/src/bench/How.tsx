import styled from "styled-components";
import type { StepPlan } from "../api/client";
import { Words } from "../kit/Words";

const List = styled.ol`
  flex: none;
  margin: 2px 0 4px;
  padding-left: 24px;
  columns: 2;
  column-gap: 34px;
  font-size: 14.5px;
  line-height: 1.3;
  li { break-inside: avoid; padding: 2px 0 4px 2px; }
  li::marker { font-weight: 600; }
  button {
    padding: 0 0 0 7px;
    vertical-align: top;
    border: 0;
    border-left: 3px solid transparent;
    background: none;
    text-align: left;
    line-height: 1.3;
    cursor: pointer;
  }
  button:hover { border-left-color: var(--rule); }
  button[aria-pressed="true"] { border-left-color: var(--ink); font-weight: 600; }
  @media (max-width: 820px) { columns: 1; }
`;

/** The work of a step, numbered; a line that has a drawing of its own shows it when pressed. */
export function How({ step, shown, onShow }: { step: StepPlan; shown: string; onShow: (view: string | null) => void }) {
  if (!step.how?.length) return null;
  return (
    <List aria-label={step.how_title}>
      {step.how.map((each) => (
        <li key={each.words}>
          {each.view ? (
            <button type="button" aria-pressed={each.view === shown} onClick={() => onShow(each.view === shown ? null : (each.view ?? null))}>
              <Words>{each.words}</Words>
            </button>
          ) : (
            <Words>{each.words}</Words>
          )}
        </li>
      ))}
    </List>
  );
}
