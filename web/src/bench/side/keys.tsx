import { useEffect, useRef } from "react";
import styled from "styled-components";
import { Press } from "../../kit/Plain";
import { keysKnown } from "../../look/byKeys";
import { FIGURES } from "../../look/look";
import { Side } from "../Side";
import type { SideProps } from "../sides";

const List = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 5px 14px;
  font-size: 14.5px;
  dt { font: 600 16px/1.3 ${FIGURES}; white-space: nowrap; }
  h2 { grid-column: 1 / -1; font-size: 16px; margin-top: 8px; }
`;
const GROUPS: [string, [string, string][]][] = [
  [
    "In a length, or on a grip of the drawing",
    [
      ["↑ ↓", "one mark of the tape"],
      ["Page Up, Down", "an inch, or a centimetre"],
      ["Shift + ↑ ↓", "a foot, or ten centimetres"],
      ["Enter", "take what was typed"],
      ["Esc", "leave it as it was"],
    ],
  ],
  [
    "On the tape",
    [
      ["← →", "mark to mark"],
      ["Home, End", "first mark, last mark"],
      ["+ −", "closer, further"],
      ["0", "all of it"],
      ["Page Up, Down", "along the tape"],
      ["Space", "peg or post is in; again takes it back"],
    ],
  ],
  [
    "Anywhere",
    [
      ["Ctrl + Z", "undo"],
      ["Ctrl + Shift + Z", "make it again"],
      ["F6, Shift + F6", "steps, fields, drawing, tape"],
      ["Tab", "next thing to set or hold"],
      ["?", "these keys"],
    ],
  ],
];

/** The keys, in place of the panel. */
export default function Keys({ onClose }: SideProps) {
  const close = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    close.current?.focus();
    keysKnown();
  }, []);
  return (
    <Side aria-label="Keys">
      <h1>Keys</h1>
      {GROUPS.map(([title, keys]) => (
        <section key={title}>
          <h2>{title}</h2>
          <List>
            {keys.map(([key, what]) => (
              <div key={key} style={{ display: "contents" }}>
                <dt>{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </List>
        </section>
      ))}
      <Press ref={close} onPress={onClose}>
        Back to the step
      </Press>
    </Side>
  );
}
