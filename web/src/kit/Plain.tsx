import { Button } from "react-aria-components";
import styled from "styled-components";
import { FIGURES } from "../look/look";

/** A button that is only its word, underlined. */
export const Plain = styled(Button)`
  min-height: 30px;
  padding: 2px 5px;
  border: 0;
  background: none;
  font: 600 16px/1.1 ${FIGURES};
  font-variant-numeric: tabular-nums;
  text-align: left;
  text-decoration: underline;
  text-underline-offset: 4px;
  cursor: pointer;
  &[data-disabled] { color: var(--soft); text-decoration: none; cursor: default; }
`;

/** A button to press: the next thing to do, framed in ink. */
export const Press = styled(Button)`
  min-height: 38px;
  padding: 5px 13px;
  border: 2px solid var(--ink);
  background: var(--sheet);
  font: 600 16px/1.2 ${FIGURES};
  font-variant-numeric: tabular-nums;
  text-align: left;
  cursor: pointer;
  &[data-hovered] { background: var(--paper); }
`;
