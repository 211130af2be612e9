import { useState } from "react";
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

const More = styled.button`
  flex: none;
  align-self: flex-start;
  margin: 0 0 6px 24px;
  padding: 2px 0;
  border: 0;
  border-bottom: 2px solid var(--ink);
  background: none;
  font-weight: 600;
  cursor: pointer;
`;
// A longer list than this is cut where the drawing would have no room.
const LONG = 8;
const SHORT = 4;

/** The work of a step, numbered; a line that has a drawing of its own shows it when pressed. */
export function How({ step, shown, onShow }: { step: StepPlan; shown: string; onShow: (view: string | null) => void }) {
  const [whole, setWhole] = useState("");
  const many = step.how?.length ?? 0;
  if (!step.how || !many) return null;
  const cut = many > LONG && whole !== step.id;
  const lines = cut ? step.how.slice(0, SHORT) : step.how;
  return (
    <>
      <List aria-label={step.how_title}>
      {lines.map((each) => (
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
      {many > LONG && (
        <More type="button" aria-expanded={!cut} onClick={() => setWhole(cut ? step.id : "")}>
          {cut ? `and ${many - SHORT} more` : "fewer"}
        </More>
      )}
    </>
  );
}
