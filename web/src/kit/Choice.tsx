import { memo } from "react";
import { Button, Label, ListBox, ListBoxItem, Popover, Radio, RadioGroup, Select, SelectValue } from "react-aria-components";
import styled from "styled-components";
import type { MeasureState } from "../api/client";
import { alike } from "../house/alike";
import { useGlimpse, useSession } from "../house/useSight";
import { FIGURES } from "../look/look";
import { newGesture } from "./stride";
import { Words } from "./Words";

const Group = styled(RadioGroup)`
  padding: 6px 0;
  border-bottom: 1px solid var(--faint);
  > span { display: block; color: var(--soft); line-height: 1.2; }
  > div { display: flex; flex-wrap: wrap; gap: 2px 14px; margin-top: 3px; }
`;
const Way = styled(Radio)`
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 26px;
  font: 600 16px/1.2 ${FIGURES};
  cursor: pointer;
  color: var(--soft);
  &::before {
    content: "";
    width: 11px;
    height: 11px;
    border: 2px solid var(--soft);
    transform: rotate(45deg);
  }
  &[data-selected] { color: var(--ink); }
  &[data-selected]::before { background: var(--ink); border-color: var(--ink); }
  &[data-focus-visible] { outline: 3px solid var(--ink); outline-offset: 3px; }
  [data-sent] &[data-selected]::before { background: none; border-style: dotted; }
`;
const Picker = styled(Select)`
  display: grid;
  grid-template-columns: auto 1fr;
  align-items: center;
  column-gap: 10px;
  padding: 5px 0;
  border-bottom: 1px solid var(--faint);
  > span:first-child { color: var(--soft); }
  button {
    justify-self: end;
    min-height: 32px;
    padding: 2px 8px;
    text-align: right;
    font: 600 16px/1.2 ${FIGURES};
    font-variant-numeric: tabular-nums;
    word-spacing: 0.08em;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-bottom: 2px solid var(--ink);
    border-radius: 2px;
    cursor: pointer;
  }
  &[data-sent] button { border-bottom-style: dotted; }
`;
const Sheet = styled(Popover)`
  background: var(--sheet);
  border: 2px solid var(--ink);
  max-height: 60vh;
  max-width: 96vw;
  overflow: auto;
`;
const Line = styled(ListBoxItem)`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 22px;
  min-height: 32px;
  align-items: center;
  padding: 3px 12px;
  font: 600 16px/1.2 ${FIGURES};
  cursor: pointer;
  &[data-selected] { background: var(--desk); }
  &[data-focused] { box-shadow: inset 5px 0 0 var(--ink); }
  small { font: 500 14px/1.2 ${FIGURES}; color: var(--soft); font-variant-numeric: tabular-nums; word-spacing: 0.14em; }
`;

const FEW = 4;

/** A choice among ways: a few stand side by side, many drop down. */
export const Choice = memo(function Choice({ measure, label }: { measure: MeasureState; label?: string }) {
  const session = useSession();
  const refusal = useGlimpse((sight) => sight.refusals[measure.id]);
  // What was pressed shows at once, and is marked until the bench has said that it is so.
  const sent = useGlimpse((sight) => (sight.pending.has(measure.id) ? session.sent(measure.id) : null));
  const chosen = sent ?? measure.reading;
  const choose = (text: string) => session.commit([{ measure: measure.id, text, stride: "fraction" }], newGesture());
  const wrong = refusal && <p role="alert"><Words>{refusal.sentence}</Words></p>;
  if (measure.options.length <= FEW) {
    return (
      <Group value={chosen} onChange={choose} data-sent={sent === null ? undefined : ""}>
        <Label>{label ?? measure.label}</Label>
        <div>
          {measure.options.map((option) => (
            <Way key={option.id} value={option.id}>
              {option.label}
            </Way>
          ))}
        </div>
        {wrong}
      </Group>
    );
  }
  return (
    <Picker data-sent={sent === null ? undefined : ""} selectedKey={chosen} onSelectionChange={(key) => choose(String(key))}>
      <Label>{label ?? measure.label}</Label>
      <Button>
        <SelectValue>{() => measure.options.find((option) => option.id === chosen)?.label}</SelectValue>
      </Button>
      <Sheet>
        <ListBox>
          {measure.options.map((option) => (
            <Line key={option.id} id={option.id} textValue={option.label}>
              {option.label}
              <small>{option.about}</small>
            </Line>
          ))}
        </ListBox>
      </Sheet>
      {wrong}
    </Picker>
  );
}, (a, b) => a.label === b.label && alike(a.measure, b.measure));
