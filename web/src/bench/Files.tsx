import styled from "styled-components";
import { useSight } from "../house/useSight";
import { Plain } from "../kit/Plain";
import { FIGURES } from "../look/look";
import { Side } from "./Side";

const List = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  li { padding: 6px 0; border-bottom: 1px solid var(--faint); }
  a { font: 600 16px/1.2 ${FIGURES}; }
  small { display: block; font-size: 13.5px; color: var(--soft); }
`;

/** What can be taken away: the sheet to print, tables, and the house itself. */
export function Files({ onClose }: { onClose: () => void }) {
  const { house } = useSight();
  const to = (name: string) => `/api/houses/${encodeURIComponent(house.id)}/${name}`;
  const files: [string, string, string][] = [
    ["sheet.pdf?paper=letter", "Set-out and bend sheet, Letter", "PDF with readings to tick, for the site"],
    ["sheet.pdf?paper=a4", "Set-out and bend sheet, A4", "the same on A4"],
    ["pegs.csv", "Peg list", "CSV, every peg with its running reading"],
    ["sticks.csv", "Stick marks", "CSV, every mark of every stick"],
    ["file", "The house", "JSON, to keep or to open elsewhere"],
  ];
  return (
    <Side aria-label="Print and files">
      <h1>Print and files</h1>
      <Plain onPress={onClose}>Back to the step</Plain>
      <List>
        {files.map(([name, label, about]) => (
          <li key={name}>
            <a href={to(name)} download>
              {label}
            </a>
            <small>{about}</small>
          </li>
        ))}
      </List>
    </Side>
  );
}
