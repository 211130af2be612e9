import { type ChangeEvent, useRef, useState } from "react";
import styled from "styled-components";
import { Plain, Press } from "../kit/Plain";

/** Something told on the yard's page, framed. */
export const Told = styled.p`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  margin-top: 10px;
  padding: 6px 12px;
  border: 2px solid var(--ink);
  background: var(--sheet);
  ul { margin: 0; padding-left: 18px; flex-basis: 100%; }
`;

interface SureProps {
  label: string;
  question: string;
  yes: string;
  no: string;
  onYes: () => void;
  onNo: () => void;
}

/** Asks once more before what can't be taken back; the way out has the focus. */
export function Sure({ label, question, yes, no, onYes, onNo }: SureProps) {
  return (
    <Told role="alertdialog" aria-label={label} onKeyDown={(event) => event.key === "Escape" && onNo()}>
      <span>{question}</span>
      <Plain onPress={onYes}>{yes}</Plain>
      <Plain autoFocus onPress={onNo}>
        {no}
      </Plain>
    </Told>
  );
}

interface PickProps {
  label: string;
  accept: string;
  plain?: boolean;
  confirm?: string;
  onPick: (file: File) => void;
}

/** A button that asks for a file; one that replaces things asks once more before it is used. */
export function Pick({ label, accept, plain = false, confirm, onPick }: PickProps) {
  const input = useRef<HTMLInputElement>(null);
  const [held, setHeld] = useState<File | null>(null);
  const As = plain ? Plain : Press;
  const picked = (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    event.target.value = "";
    if (file && confirm) setHeld(file);
    else if (file) onPick(file);
  };
  return (
    <>
      <As onPress={() => input.current?.click()}>{label}</As>
      <input ref={input} type="file" accept={accept} hidden onChange={picked} aria-label={label} />
      {held && (
        <Sure
          label={label}
          question={confirm ?? ""}
          yes="Replace them"
          no="Leave them"
          onYes={() => {
            onPick(held);
            setHeld(null);
          }}
          onNo={() => setHeld(null)}
        />
      )}
    </>
  );
}
