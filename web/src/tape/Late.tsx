import styled from "styled-components";
import type { Strip } from "../api/client";
import { useSight } from "../house/useSight";
import { Plain } from "../kit/Plain";
import { Words } from "../kit/Words";
import type { Stand } from "./walk";

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  li { display: flex; flex-wrap: wrap; align-items: center; gap: 2px 12px; padding: 2px 0; color: var(--fails); font-size: 14.5px; }
`;

/** Readings that were refused after the hand had gone on: said, and one press away. */
export function Late({ strips, chosen, onGo }: { strips: Strip[]; chosen: string | undefined; onGo: (stand: Stand) => void }) {
  const { refusals } = useSight();
  const stands = strips.flatMap((strip) => strip.marks.map((mark) => ({ strip, mark })));
  const found = Object.entries(refusals).flatMap(([measure, refusal]) => {
    const stand = measure === chosen ? undefined : stands.find(({ mark }) => mark.entry?.measure === measure);
    return stand ? [{ measure, refusal, stand }] : [];
  });
  if (found.length === 0) return null;
  return (
    <List role="alert">
      {found.map(({ measure, refusal, stand }) => (
        <li key={measure}>
          <span>
            <Words>{`${stand.mark.entry?.label}${refusal.text === null ? "" : `, “${refusal.text}”`}: ${refusal.sentence}`}</Words>
          </span>
          <Plain onPress={() => onGo(stand)}>Back to it</Plain>
        </li>
      ))}
    </List>
  );
}
