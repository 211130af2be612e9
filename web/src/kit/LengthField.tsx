import { type KeyboardEvent, memo, useLayoutEffect, useRef } from "react";
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

interface Props {
  measure: MeasureState;
  autoFocus?: boolean;
  /** Called when Enter has sent what is typed, or finds nothing to send: the hand goes on to the next. */
  onEnter?: () => void;
}

/**
 * A length that can be typed in any usual way or stepped with keys.
 *
 * While typing, the house is tried with it and the reading shown as understood; leaving the field
 * or pressing Enter makes it so; Escape takes it back. A length that can't be used stays as typed, and
 * so does one that isn't taken yet, wherever one goes meanwhile.
 */
export const LengthField = memo(function LengthField({ measure, autoFocus = false, onEnter }: Props) {
  const session = useSession();
  const typed = useGlimpse((sight) => sight.drafts[measure.id]?.text ?? null);
  const refusal = useGlimpse((sight) => sight.refusals[measure.id]);
  const trying = useGlimpse((sight) => sight.trying);
  const settled = useGlimpse((sight) => sight.house.plan.measures[measure.id]?.reading) ?? measure.reading;

  // What stands in the field was chosen whole when it got the hand: a reading that comes later is too, so that what
  // is typed takes its place and is not put behind it.
  const input = useRef<HTMLInputElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever another reading stands in the field
  useLayoutEffect(() => {
    if (typed === null && document.activeElement === input.current) input.current?.select();
  }, [measure.reading]);

  // Once the house stands where the typed length put it, the tape's own reading takes its place;
  // what was refused stays as it was typed. While another value is on its way, that is what is typed over.
  const take = (text: string) => {
    const sent = session.sent(measure.id);
    if (sent !== null && text === sent) return;
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
      void session.commit([{ measure: measure.id, steps: stride.steps, stride: stride.stride }], burstOn(measure.id));
    } else if (event.key === "Enter") {
      if (typed !== null && refusal?.text === typed) return;
      if (typed !== null) take(typed);
      onEnter?.();
    } else if (event.key === "Escape") session.drop(measure.id);
  };

  const showReading = typed !== null && !refusal && trying && measure.reading !== typed;
  return (
    <Row
      value={typed ?? measure.reading}
      onChange={(text) => {
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
        onBlur={() => {
          // What Enter has sent, or what was refused or stands against another value, isn't sent again by walking away.
          if (typed !== null && !disputed && refusal?.text !== typed) take(typed);
        }}
        onFocus={(event) => event.currentTarget.select()}
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
