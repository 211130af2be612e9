import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Button, Disclosure, DisclosurePanel, Heading } from "react-aria-components";
import styled from "styled-components";
import { api, type Schemas } from "../api/client";
import { Plain } from "../kit/Plain";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";

const Fold = styled(Disclosure)`
  > h2 { margin: 0; }
  > h2 button { padding: 6px 0; border: 0; background: none; font: 600 15px/1.2 ${FIGURES}; text-decoration: underline; text-underline-offset: 3px; cursor: pointer; }
  ul { list-style: none; margin: 0; padding: 0; }
  li { display: grid; grid-template-columns: 1fr auto; column-gap: 10px; align-items: baseline; padding: 3px 0; border-bottom: 1px solid var(--faint); }
  li > small { grid-column: 1 / -1; font-size: 13.5px; line-height: 1.25; color: var(--soft); padding-left: 5px; }
  li > b { font: 600 17px/1.2 ${FIGURES}; }
`;
const Told = styled.section`
  padding: 6px 8px 8px;
  border: 2px solid var(--ink);
  font-size: 14.5px;
  line-height: 1.3;
  h2 { margin: 0; }
  p { margin: 3px 0 0; }
`;

interface Props {
  house: string;
  version: number;
  step: string;
  onLight: (parts: string[]) => void;
}

/** What the step takes: its members and what joins them, each lit in the drawing when it is pressed. */
export function Takes({ house, version, step, onLight }: Props) {
  const [open, setOpen] = useState(false);
  const asked = useQuery({ queryKey: ["takes", house, version, step], queryFn: () => api.takes(house, step, version), enabled: open });
  const found = asked.data;
  const none = found && found.members.length + found.goods.length === 0;
  return (
    <Fold isExpanded={open} onExpandedChange={setOpen}>
      <Heading level={2}>
        <Button slot="trigger">What it takes</Button>
      </Heading>
      <DisclosurePanel>
        {asked.isError && <p role="alert">{asked.error.message}</p>}
        {none && <p>Nothing that is told here yet.</p>}
        {found && !none && (
          <ul aria-label="All that it takes">
            {[...found.members, ...found.goods].map((line) => (
              <Line key={`${line.what} ${line.note}`} line={line} onLight={onLight} />
            ))}
          </ul>
        )}
      </DisclosurePanel>
    </Fold>
  );
}

function Line({ line, onLight }: { line: Schemas["Taking"]; onLight: (parts: string[]) => void }) {
  return (
    <li>
      <Plain onPress={() => onLight(line.parts)}>{line.what}</Plain>
      <b>{line.amount}</b>
      <small>
        <Words>{line.note}</Words>
      </small>
    </li>
  );
}

/** What a part is that was pressed in a drawing or in the round; nothing where it is no member of the house. */
export function Pressed({ house, version, part, onClose }: { house: string; version: number; part: string; onClose: () => void }) {
  const asked = useQuery({ queryKey: ["part", house, version, part], queryFn: () => api.part(house, part, version), retry: false });
  if (!asked.data) return null;
  return (
    <Told aria-label="The part that was pressed" role="status">
      <h2>{asked.data.what}</h2>
      <p>
        <Words>{asked.data.of}</Words>
      </p>
      {asked.data.lines.map((line) => (
        <p key={line}>
          <Words>{line}</Words>
        </p>
      ))}
      <Plain onPress={onClose}>Close</Plain>
    </Told>
  );
}
