import { useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import { useSight } from "../../house/useSight";
import { Plain, Press } from "../../kit/Plain";
import { Words } from "../../kit/Words";
import { FIGURES } from "../../look/look";
import { Side } from "../Side";
import type { SideProps } from "../sides";

const Now = styled.dl`
  display: grid;
  grid-template-columns: 1fr auto;
  margin: 0;
  dt, dd { margin: 0; padding: 6px 0; border-bottom: 1px solid var(--rule); }
  dd { font: 600 18px/1.2 ${FIGURES}; font-variant-numeric: tabular-nums; text-align: right; }
`;

/** The controller of the sides: send it the set-points of this house, or read what it measures. */
export default function Controller({ step: { caution }, onClose }: SideProps) {
  const { house, plan } = useSight();
  const [rows, setRows] = useState<readonly (readonly string[])[]>([]);
  const [said, setSaid] = useState("");
  const [wrong, setWrong] = useState("");
  const [asking, setAsking] = useState(false);
  const points = ["sides.open_c", "sides.shut_c", "sides.wind_mps"].flatMap((id) => plan.measures[id] ?? []);
  const ask = async (call: typeof api.readController) => {
    setAsking(true);
    setWrong("");
    try {
      const found = await call(house.id);
      setRows(found.rows);
      setSaid(found.said);
    } catch (error) {
      setSaid("");
      setWrong((error as Error).message);
    } finally {
      setAsking(false);
    }
  };
  return (
    <Side aria-label="The controller">
      <h1>The controller</h1>
      <Plain onPress={onClose}>Back to the step</Plain>
      {caution && <p className="caution">{caution}</p>}
      <Now aria-label="Set-points of this house">
        {points.map((each) => (
          <div key={each.id} style={{ display: "contents" }}>
            <dt>{each.label}</dt>
            <dd>{each.reading}</dd>
          </div>
        ))}
      </Now>
      <Press isDisabled={asking} onPress={() => void ask(api.tellController)}>
        Send these
      </Press>
      <Press isDisabled={asking} onPress={() => void ask(api.readController)}>
        Read it
      </Press>
      <p role="status">{said && <Words>{said}</Words>}</p>
      {wrong && (
        <p role="alert" className="wrong">
          <Words>{wrong}</Words>
        </p>
      )}
      {rows.length > 0 && (
        <Now aria-label="What it measures">
          {rows.map(([what, reading]) => (
            <div key={what} style={{ display: "contents" }}>
              <dt>{what}</dt>
              <dd>{reading}</dd>
            </div>
          ))}
        </Now>
      )}
    </Side>
  );
}
