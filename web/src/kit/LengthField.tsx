import { type KeyboardEvent, memo, useLayoutEffect, useRef, useState } from "react";
import { FieldError, Input, Label, TextField } from "react-aria-components";
import styled from "styled-components";
import type { MeasureState } from "../api/client";
import { alike } from "../house/alike";
import { useGlimpse, useSession } from "../house/useSight";
import { FIGURES } from "../look/look";
import { burstOn, newGesture, strideOf } from "./stride";
import { Words } from "./Words";

const Row = styled(TextField)`
  display: grid;
  grid-template-columns: 1fr 9.6em;
  align-items: center;
  column-gap: 10px;
  padding: 5px 0 4px;
  border-bottom: 1px solid var(--faint);
  label { line-height: 1.2; color: var(--soft); }
  input {
    width: 100%;
    min-height: 32px;
    padding: 2px 8px;
    text-align: right;
    font: 600 18px/1.2 ${FIGURES};
    font-variant-numeric: tabular-nums;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-bottom: 2px solid var(--ink);
    border-radius: 2px;
  }
  &[data-listed] { grid-template-columns: 1fr; row-gap: 7px; input { text-align: left; } }
  input[data-invalid] { border-color: var(--fails); border-bottom-color: var(--fails); }
`;
const Under = styled.p`
  grid-column: 1 / -1;
  padding-top: 6px;
  font-size: 13px;
  line-height: 1.3;
  color: var(--soft);
  text-align: right;
`;
const Wrong = styled(FieldError)`
  grid-column: 1 / -1;
  padding-top: 5px;
  font-size: 13.5px;
  line-height: 1.3;
  color: var(--fails);
`;
const Nearest = styled.button`
  margin-left: 6px;
  padding: 0;
  border: 0;
  background: none;
  text-decoration: underline;
  color: var(--ink);
  cursor: pointer;
`;

/** The field of what was measured that comes after one, in the same list. */
const nextMeasured = (input: HTMLInputElement | null): HTMLInputElement | undefined => {
  const all = [...(input?.closest("[data-fields]")?.querySelectorAll<HTMLInputElement>('input[data-measure^="record."]') ?? [])];
  return input ? all[all.indexOf(input) + 1] : undefined;
};

interface Props {
  measure: MeasureState;
  autoFocus?: boolean;
  /** Called when Enter has sent what is typed, or finds nothing to send: the hand goes on to the next. */
  onEnter?: () => void;
  /** Whether Enter goes on to the next field of what was measured, among those beside it. */
  goesOn?: boolean;
}

/**
 * A length that can be typed in any usual way or stepped with keys.
 *
 * While typing, the house is tried with it and the reading shown as understood; leaving the field
 * or pressing Enter makes it so; Escape takes it back. A length that can't be used stays as typed, and
 * so does one that isn't taken yet, wherever one goes meanwhile. As long as the hand is in it, what is typed stands in
 * it, and no answer moves the caret: the same keys do the same however late the bench answers.
 */
export const LengthField = memo(function LengthField({ measure, autoFocus = false, onEnter, goesOn = false }: Props) {
  const session = useSession();
  const typed = useGlimpse((sight) => sight.drafts[measure.id]?.text ?? null);
  const refusal = useGlimpse((sight) => sight.refusals[measure.id]);
  const trying = useGlimpse((sight) => sight.trying);
  // What stands in the house as it was last told; of a card's reading, which comes after it, nothing is known meanwhile.
  const settled = useGlimpse((sight) => sight.house.plan.measures[measure.id]?.reading);

  // What Enter has sent stands in the field until the hand leaves it, chosen whole: what is typed next takes its place.
  const [own, setOwn] = useState<string | null>(null);
  const stands = typed ?? own ?? measure.reading;
  // A reading that changes while all of it is chosen, or comes into an empty field, is chosen whole:
  // what is typed takes its place.
  const input = useRef<HTMLInputElement>(null);
  const whole = useRef(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever something else stands in the field
  useLayoutEffect(() => {
    if (whole.current && document.activeElement === input.current) input.current?.select();
  }, [stands]);
  const look = () => {
    const { selectionStart, selectionEnd, value } = input.current ?? { selectionStart: 0, selectionEnd: 0, value: "" };
    whole.current = selectionStart === 0 && selectionEnd === value.length;
  };
  const choose = () => {
    input.current?.select();
    whole.current = true;
  };

  // Once the house stands where the typed length put it, the tape's own reading takes its place;
  // what was refused stays as it was typed. While another value is on its way, that is what is typed over.
  const take = (text: string) => {
    if (session.goesAlready(measure.id, text)) return;
    const sent = session.sent(measure.id);
    if ((text.trim() === "" && !measure.optional) || (sent === null && text === settled)) session.drop(measure.id);
    else void session.commit([{ measure: measure.id, text, stride: "fraction" }], newGesture());
  };
  const disputed = useGlimpse((sight) => sight.standoff?.edits.some((edit) => edit.measure === measure.id) ?? false);

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const stride = measure.kind === "text" ? null : strideOf(event);
    if (stride) {
      event.preventDefault();
      if (typed !== null) take(typed);
      session.untype(measure.id);
      setOwn(null);
      choose();
      void session.commit([{ measure: measure.id, steps: stride.steps, stride: stride.stride }], burstOn(measure.id));
    } else if (event.key === "Enter") {
      if (typed !== null && refusal?.text === typed) return;
      if (typed !== null) take(typed);
      setOwn(typed ?? own);
      choose();
      onEnter?.();
      if (goesOn) nextMeasured(input.current)?.focus();
    } else if (event.key === "Escape") {
      // What stands there is then what was sent, if that is on its way still; it is chosen whole.
      setOwn(session.sent(measure.id));
      session.drop(measure.id);
      choose();
    }
  };

  const shown = typed ?? own;
  const showReading = shown !== null && !refusal && (typed === null || trying) && measure.reading !== shown;
  return (
    <Row
      value={stands}
      onChange={(text) => {
        whole.current = false;
        setOwn(null);
        session.type(measure.id, text);
        if (text.trim() || measure.optional) session.attempt([{ measure: measure.id, text, stride: "fraction" }]);
      }}
      data-listed={measure.kind === "text" || undefined}
      isInvalid={refusal !== undefined}
      validationBehavior="aria"
    >
      <Label>{measure.label}</Label>
      <Input
        ref={input}
        autoComplete="off"
        autoFocus={autoFocus}
        spellCheck="false"
        inputMode="text"
        data-measure={measure.id}
        data-typing={typed === null ? undefined : ""}
        onKeyDown={onKeyDown}
        onSelect={look}
        onBlur={() => {
          whole.current = false;
          setOwn(null);
          // What Enter has sent, or what was refused or stands against another value, isn't sent again by walking away.
          if (typed !== null && !disputed && refusal?.text !== typed) take(typed);
        }}
        onFocus={choose}
      />
      {showReading ? (
        <Under aria-live="polite">
          reads <span className="figures">{measure.reading}</span>
        </Under>
      ) : (
        measure.hint && !refusal && <Under><Words>{measure.hint}</Words></Under>
      )}
      <Wrong>
        {refusal && <Words>{refusal.sentence}</Words>}
        {[refusal?.other, refusal?.nearest].map(
          (offer) =>
            offer && (
              <Nearest
                key={offer}
                type="button"
                onClick={() => {
                  session.untype(measure.id);
                  void session.commit([{ measure: measure.id, text: offer, stride: "fraction" }], newGesture());
                }}
              >
                Take <span className="figures">{offer}</span>
              </Nearest>
            ),
        )}
      </Wrong>
    </Row>
  );
}, (a, b) => a.autoFocus === b.autoFocus && a.onEnter === b.onEnter && alike(a.measure, b.measure));
