import styled from "styled-components";
import { useSight } from "../house/useSight";
import { Download } from "../kit/Download";
import { LengthField } from "../kit/LengthField";
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

/** What takes a while to make. */
const LONG = /^(sheet\.pdf|setting-out\.dxf)/;

/** What can be taken away: the sheet to print, tables, and the house itself. */
export function Files({ onClose, onReadings }: { onClose: () => void; onReadings: () => void }) {
  const { house, plan } = useSight();
  const to = (name: string) => `/houses/${encodeURIComponent(house.id)}/${name}`;
  const files: [string, string, string][] = [
    ["sheet.pdf?paper=letter", "Set-out and bend sheet, Letter", "PDF with readings to tick, for the site"],
    ["sheet.pdf?paper=a4", "Set-out and bend sheet, A4", "the same on A4"],
    ["setting-out.dxf", "Setting-out for CAD", "DXF in metres, a layer for each kind"],
    ["setting-out.geojson", "Setting-out for a map", "GeoJSON, placed from corner A if it is known below"],
    ["levels.csv", "Levels", "CSV, every rod reading, to read in again"],
    ["tapings.csv", "Tapings", "CSV, every round of the tape, to read in again"],
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
            {LONG.test(name) ? (
              <Download href={to(name)}>{label}</Download>
            ) : (
              <a href={`/api${to(name)}`} download>
                {label}
              </a>
            )}
            <small>{about}</small>
          </li>
        ))}
      </List>
      <h2>Corner A on the map</h2>
      <div>
        {["latitude", "longitude", "bearing"].map((id) => {
          const measure = plan.measures[id];
          return measure && <LengthField key={id} measure={measure} />;
        })}
      </div>
      <Plain onPress={onReadings}>Read levels, tapings or pegs in</Plain>
    </Side>
  );
}
