import { useState } from "react";
import { Input, TextField } from "react-aria-components";
import { Link } from "react-router";
import styled from "styled-components";
import { api, type HouseLine, ON_DEVICE, type Shelf } from "../api/client";
import { SmallDrawing } from "../drawing/SmallDrawing";
import { newKey } from "../house/errand";
import { LevelSign, LevelWords } from "../kit/LevelSign";
import { Plain } from "../kit/Plain";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";

const Row = styled.li`
  list-style: none;
  padding: 12px 0 0;
  h2 { font-size: 23px; line-height: 1.2; }
  .head { display: flex; flex-wrap: wrap; align-items: baseline; gap: 2px 22px; }
  .size { font-size: 19px; }
  .doing { display: flex; flex-wrap: wrap; gap: 4px; margin-left: auto; }
  .verdict { display: flex; align-items: flex-start; gap: 8px; line-height: 1.3; max-width: 44em; padding-top: 4px; }
  b { font-family: ${FIGURES}; font-weight: 600; }
  input { font: 600 23px/1.2 ${FIGURES}; padding: 2px 6px; border: 1px solid var(--rule); border-bottom: 2px solid var(--ink); background: var(--sheet); }
`;

interface RowProps {
  house: HouseLine;
  shelf: Shelf;
  scale: number;
  width: number;
  /** The step at which a house is opened. */
  opensAt: string;
  onShelve: (to: Shelf) => void;
  onCopy: () => void;
  onForGood: () => void;
  onRenamed: () => void;
}

/** One house in the yard; one that can't be planned stands there too, with the reason. */
export function HouseRow({ house, shelf, scale, width, opensAt, onShelve, onCopy, onForGood, onRenamed }: RowProps) {
  const { yard } = house;
  const [naming, setNaming] = useState(false);
  return (
    <Row>
      <div className="head">
        {naming ? (
          <Rename
            house={house}
            onDone={() => {
              setNaming(false);
              onRenamed();
            }}
          />
        ) : (
          <h2>{shelf === "standing" ? <Link to={`/house/${house.id}/${opensAt}${ON_DEVICE ? "/cards" : ""}`}>{house.name}</Link> : house.name}</h2>
        )}
        {yard && (
          <>
            <span className="figures size">{yard.size}</span>
            <span>
              <Words>{yard.words}</Words>
            </span>
          </>
        )}
        <div className="doing" role="group" aria-label={house.name}>
          {ON_DEVICE ? (
            <Link to={`/house/${house.id}/${opensAt}`}>Drawings</Link>
          ) : shelf === "standing" ? (
            <>
              {yard && <Plain onPress={() => setNaming(true)}>Rename</Plain>}
              {yard && <Plain onPress={onCopy}>Copy</Plain>}
              <Plain onPress={() => onShelve("put_away")}>Put away</Plain>
              <Plain onPress={() => onShelve("deleted")}>Delete</Plain>
            </>
          ) : (
            <>
              <Plain onPress={() => onShelve("standing")}>Bring back</Plain>
              {shelf === "deleted" && <Plain onPress={onForGood}>Delete for good</Plain>}
            </>
          )}
        </div>
      </div>
      {!yard && (
        <div className="verdict">
          <LevelSign level="unknown" />
          <span>
            <b>Can’t be planned.</b> <Words>{house.why}</Words>
          </span>
        </div>
      )}
      {yard?.overall && (
        <div className="verdict">
          <LevelSign level={yard.overall.level} />
          <span>
            <LevelWords verdict={yard.overall} unknowns={yard.unknowns} /> <Words>{yard.overall.sentence}</Words>
          </span>
        </div>
      )}
      {yard && <SmallDrawing drawing={yard.drawing} width={width} height={yard.drawing.y1 * scale + 14} scale={scale} />}
    </Row>
  );
}

function Rename({ house, onDone }: { house: HouseLine; onDone: () => void }) {
  const [name, setName] = useState(house.name);
  const [wrong, setWrong] = useState("");
  const [key] = useState(newKey);
  const take = async () => {
    if (name.trim() && name !== house.name) {
      try {
        await api.rename(house.id, name, `${key} ${name}`.slice(0, 60));
      } catch (error) {
        setWrong((error as Error).message);
        return;
      }
    }
    onDone();
  };
  return (
    <TextField aria-label="New name" value={name} onChange={setName} maxLength={80} autoFocus>
      <Input
        onBlur={() => void take()}
        onKeyDown={(event) => {
          if (event.key === "Enter") void take();
          if (event.key === "Escape") onDone();
        }}
      />
      {wrong && <p role="alert">{wrong}</p>}
    </TextField>
  );
}
