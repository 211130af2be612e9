import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ChangeEvent, useEffect, useRef, useState } from "react";
import { Input, TextField } from "react-aria-components";
import { Link, useNavigate } from "react-router";
import styled from "styled-components";
import { api, type HouseLine, type Shelf } from "../api/client";
import { useBox } from "../drawing/DrawingView";
import { SmallDrawing } from "../drawing/SmallDrawing";
import { LEVEL_WORDS, LevelSign } from "../kit/LevelSign";
import { Plain, Press } from "../kit/Plain";
import { newGesture } from "../kit/stride";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";
import { useSun } from "../look/sun";
import { EmptyYard } from "./EmptyYard";

const Page = styled.main`
  max-width: 1240px;
  margin: 0 auto;
  padding: 18px 24px 40px;
  > header { display: flex; flex-wrap: wrap; align-items: center; gap: 8px 16px; padding-bottom: 10px; border-bottom: 2px solid var(--ink); }
  h1 { font-size: 30px; line-height: 1.1; margin-right: auto; }
  > footer { display: flex; flex-wrap: wrap; gap: 6px 18px; align-items: center; margin-top: 26px; padding-top: 10px; border-top: 2px solid var(--ink); }
  > footer a { font: 600 16px/1.1 ${FIGURES}; text-underline-offset: 4px; }
  > footer p { margin-left: auto; font-size: 14px; }
  ul { margin: 0; padding: 0; }
`;
/** As wide as the page, whatever is drawn in it. */
const Rows = styled.div`
  overflow: hidden;
`;
const Told = styled.p`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  margin-top: 10px;
  padding: 6px 12px;
  border: 2px solid var(--ink);
  background: var(--sheet);
`;
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

interface Notice {
  sentence: string;
  undo?: () => void;
}

/** Every house drawn at one scale, so that they can be seen beside each other. */
export function YardView() {
  const [shelf, setShelf] = useState<Shelf>("standing");
  const [notice, setNotice] = useState<Notice | null>(null);
  const [sun, setSun] = useSun();
  const go = useNavigate();
  const queries = useQueryClient();
  const yard = useQuery({ queryKey: ["yard", shelf], queryFn: () => api.yard(shelf), staleTime: 0 });
  const refresh = () => queries.invalidateQueries({ queryKey: ["yard"] });
  const say = (error: Error) => setNotice({ sentence: error.message });
  const start = useMutation({ mutationFn: api.start, onSuccess: (house) => go(`/house/${house.id}/size`), onError: say });
  const open = useMutation({ mutationFn: readSmall, onSuccess: (house) => go(`/house/${house.id}/size`), onError: say });
  const restore = useMutation({
    mutationFn: api.restore,
    onSuccess: ({ houses }) => {
      setNotice({ sentence: `The backup is back: ${houses} ${houses === 1 ? "house" : "houses"}.` });
      void refresh();
    },
    onError: say,
  });
  const shelve = useMutation({
    mutationFn: ({ id, to }: { id: string; name: string; from: Shelf; to: Shelf }) => api.shelve(id, to),
    onSuccess: (_, { id, name, from, to }) => {
      setNotice({
        sentence: `${name} ${SHELVED[to]}.`,
        undo: () => shelve.mutate({ id, name, from: to, to: from }),
      });
      void refresh();
    },
    onError: say,
  });
  const [box, { width }] = useBox();
  useEffect(() => {
    document.title = "Yard · Obtegum";
  }, []);
  const houses = yard.data?.houses ?? [];
  const longest = Math.max(...houses.map(({ yard: each }) => each.drawing.x1), 1);
  const scale = Math.min((width - 8) / longest, 46);
  return (
    <Page>
      <header>
        <h1>{shelf === "standing" ? "Yard" : shelf === "put_away" ? "Put away" : "Deleted"}</h1>
        {shelf === "standing" ? (
          <>
            <Press onPress={() => start.mutate({ units: "feet" })}>New house in feet</Press>
            <Press onPress={() => start.mutate({ units: "metric" })}>New house in metres</Press>
            <Pick label="Open a house file" accept=".json,application/json" onPick={(file) => open.mutate(file)} />
          </>
        ) : (
          <Press onPress={() => setShelf("standing")}>Back to the yard</Press>
        )}
      </header>
      {yard.isError && <p role="alert">{yard.error.message} What was saved is safe.</p>}
      {notice && (
        <Told role="status">
          <span>
            <Words>{notice.sentence}</Words>
          </span>
          {notice.undo && (
            <Plain
              onPress={() => {
                notice.undo?.();
                setNotice(null);
              }}
            >
              Undo
            </Plain>
          )}
        </Told>
      )}
      <Rows ref={box}>
        {yard.data && houses.length === 0 && (shelf === "standing" ? <EmptyYard /> : <p>Nothing is here.</p>)}
        <ul>
          {houses.map((house) => (
            <HouseRow
              key={house.id}
              house={house}
              shelf={shelf}
              scale={scale}
              width={width}
              onShelve={(to) => shelve.mutate({ id: house.id, name: house.name, from: shelf, to })}
              onCopy={() => start.mutate({ units: "feet", copy_of: house.id })}
              onRenamed={refresh}
            />
          ))}
        </ul>
      </Rows>
      <footer>
        {shelf === "standing" && (
          <>
            <Plain onPress={() => setShelf("put_away")}>Put away</Plain>
            <Plain onPress={() => setShelf("deleted")}>Deleted</Plain>
            <a href="/api/backup" download>
              Back up everything
            </a>
            <Pick label="Bring a backup back" plain accept=".zip,application/zip" onPick={(file) => restore.mutate(file)} confirm="This replaces every house here by those of the backup." />
          </>
        )}
        <Plain onPress={() => setSun(!sun)} aria-pressed={sun}>
          {sun ? "Out of the sun" : "For the sun"}
        </Plain>
        <p>A planning aid. Local code and a licensed engineer decide what stands.</p>
      </footer>
    </Page>
  );
}

const SHELVED = { standing: "stands in the yard again", put_away: "is put away", deleted: "is deleted" } as const;
const MOST_BYTES = 2_000_000;

async function readSmall(file: File) {
  if (file.size > MOST_BYTES) throw new Error("That file is larger than 2 MB, far more than a house needs.");
  return api.readFile(file);
}

interface PickProps {
  label: string;
  accept: string;
  plain?: boolean;
  confirm?: string;
  onPick: (file: File) => void;
}

/** A button that asks for a file; one that replaces things asks once more before it is used. */
function Pick({ label, accept, plain = false, confirm, onPick }: PickProps) {
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
        <Told role="alertdialog" aria-label={label}>
          <span>{confirm}</span>
          <Plain
            onPress={() => {
              onPick(held);
              setHeld(null);
            }}
          >
            Replace them
          </Plain>
          <Plain autoFocus onPress={() => setHeld(null)}>
            Leave them
          </Plain>
        </Told>
      )}
    </>
  );
}

interface RowProps {
  house: HouseLine;
  shelf: Shelf;
  scale: number;
  width: number;
  onShelve: (to: Shelf) => void;
  onCopy: () => void;
  onRenamed: () => void;
}

function HouseRow({ house, shelf, scale, width, onShelve, onCopy, onRenamed }: RowProps) {
  const { size, bows, overall, drawing } = house.yard;
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
          <h2>{shelf === "standing" ? <Link to={`/house/${house.id}/size`}>{house.name}</Link> : house.name}</h2>
        )}
        <span className="figures size">{size}</span>
        <span>
          <Words>{`${bows} bows`}</Words>
        </span>
        <div className="doing" role="group" aria-label={house.name}>
          {shelf === "standing" ? (
            <>
              <Plain onPress={() => setNaming(true)}>Rename</Plain>
              <Plain onPress={onCopy}>Copy</Plain>
              <Plain onPress={() => onShelve("put_away")}>Put away</Plain>
              <Plain onPress={() => onShelve("deleted")}>Delete</Plain>
            </>
          ) : (
            <Plain onPress={() => onShelve("standing")}>Bring back</Plain>
          )}
        </div>
      </div>
      {overall && (
        <div className="verdict">
          <LevelSign level={overall.level} />
          <span>
            <b>{LEVEL_WORDS[overall.level]}.</b> <Words>{overall.sentence}</Words>
          </span>
        </div>
      )}
      <SmallDrawing drawing={drawing} width={width} height={drawing.y1 * scale + 14} scale={scale} />
    </Row>
  );
}

function Rename({ house, onDone }: { house: HouseLine; onDone: () => void }) {
  const [name, setName] = useState(house.name);
  const [wrong, setWrong] = useState("");
  const take = async () => {
    if (name.trim() && name !== house.name) {
      try {
        const { version } = await api.version(house.id);
        const edits = [{ measure: "name", text: name, stride: "fraction" as const }];
        await api.change(house.id, "size", { version, window: "", gesture: newGesture(), edits });
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
