import { ToggleButton } from "react-aria-components";
import styled from "styled-components";
import type { StripMark } from "../api/client";
import { FIGURES } from "../look/look";

const Button = styled(ToggleButton)`
  margin: -3px 0 3px auto;
  min-height: 32px;
  padding: 3px 12px;
  border: 2px solid var(--ink);
  background: var(--sheet);
  font: 600 16px/1.2 ${FIGURES};
  cursor: pointer;
  &[data-selected] { background: var(--ink); color: var(--sheet); }
`;

/** Says that the chosen peg or post is in, and goes on to the next; pressed at one that is in, takes that back. */
export function Tick({ mark, onTick }: { mark: StripMark; onTick: (mark: StripMark) => void }) {
  return (
    <Button isSelected={mark.state === "set"} onChange={() => onTick(mark)}>
      {mark.what} {mark.state === "moved" ? "is set anew" : "is in"}
    </Button>
  );
}
