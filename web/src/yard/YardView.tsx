import { useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import styled from "styled-components";
import { AwayError, api, fetchLong, ON_DEVICE, type Restored, type Shelf, type Work } from "../api/client";
import { Phones } from "../cards/Phones";
import { useBox } from "../drawing/DrawingView";
import { newKey } from "../house/errand";
import { Download, workWords } from "../kit/Download";
import { Plain, Press } from "../kit/Plain";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";
import { useSun } from "../look/sun";
import { EmptyYard } from "./EmptyYard";
import { HouseRow } from "./HouseRow";
import { Pick, Sure, Told } from "./Pick";

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

interface Notice {
  sentence: string;
  more?: string[];
  undo?: { label: string; act: () => void };
}

const AGAIN_MS = 3000;
const SHELF_WORDS: Record<Shelf, string> = { standing: "Yard", put_away: "Put away", deleted: "Deleted" };
const SHELVED = { standing: "stands in the yard again", put_away: "is put away", deleted: "is deleted" } as const;
const MOST_BYTES = 16_000_000;

async function readSmall(file: File) {
  if (file.size > MOST_BYTES) throw new Error("That file is larger than 16 MB, far more than a house needs.");
  return api.readFile(file, newKey());
}

const counted = (count: number): string => `${count} ${count === 1 ? "house" : "houses"}`;

/** Every house drawn at one scale, so that they can be seen beside each other. */
export function YardView() {
  const [shelf, showShelf] = useState<Shelf>("standing");
  const setShelf = (next: Shelf) => {
    setNotice(null);
    setGoing(null);
    showShelf(next);
  };
  const [notice, setNotice] = useState<Notice | null>(null);
  const [going, setGoing] = useState<{ id: string | null; name: string } | null>(null);
  const [letting, setLetting] = useState(false);
  const [sun, setSun] = useSun();
  const go = useNavigate();
  const queries = useQueryClient();
  const yard = useInfiniteQuery({
    queryKey: ["yard", shelf],
    queryFn: ({ pageParam }) => api.yard(shelf, pageParam),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => {
      const shown = pages.reduce((count, page) => count + page.houses.length, 0);
      return shown < last.total ? shown : undefined;
    },
    staleTime: 0,
    retry: false,
    refetchInterval: (query) => (query.state.status === "error" ? AGAIN_MS : false),
  });
  const refresh = () => void queries.invalidateQueries({ queryKey: ["yard"] });
  const say = (error: Error) => setNotice({ sentence: error.message });
  const { opens_at: opensAt = "", begins_at: beginsAt = "" } = yard.data?.pages[0] ?? {};
  const open = (house: { id: string }) => go(`/house/${house.id}/${opensAt}`);
  // A new house begins with what is known of it; a copy is there already.
  const begin = (house: { id: string }, wanted: { copy_of?: string }) => (wanted.copy_of ? open(house) : void go(`/house/${house.id}/${beginsAt}`, { state: { fresh: true } }));
  const start = useMutation({ mutationFn: (wanted: { units: "feet" | "metric"; copy_of?: string }) => api.start(wanted, newKey()), onSuccess: begin, onError: say });
  const read = useMutation({ mutationFn: readSmall, onSuccess: open, onError: say });
  const back = (found: Restored) => {
    const told = (each: { name: string; why: string }) => `${each.name}: ${each.why}`;
    setNotice({
      sentence: `The backup is back: ${counted(found.houses)}.${found.left_out.length ? ` Left out: ${counted(found.left_out.length)}.` : ""}`,
      more: [...found.left_out, ...found.unplanned].map(told),
      undo: { label: "Take that back", act: () => before.mutate() },
    });
    refresh();
  };
  const before = useMutation({ mutationFn: api.restoreBefore, onSuccess: back, onError: say });
  const restore = useRestore(back, (error) => {
    say(error);
    refresh();
  });
  const shelve = useMutation({
    mutationFn: ({ id, to }: { id: string; name: string; from: Shelf; to: Shelf }) => api.shelve(id, to),
    onSuccess: (_, { id, name, from, to }) => {
      setNotice({ sentence: `${name} ${SHELVED[to]}.`, undo: { label: "Undo", act: () => shelve.mutate({ id, name, from: to, to: from }) } });
      refresh();
    },
    onError: say,
  });
  const forGood = useMutation({
    mutationFn: ({ id }: { id: string | null; name: string }) => api.deleteForGood(id),
    onSuccess: ({ houses }, { id, name }) => {
      setNotice({ sentence: id === null ? `${counted(houses)} deleted for good.` : `${name} is deleted for good.` });
      refresh();
    },
    onError: say,
  });
  const seen = useMutation({ mutationFn: api.seenFound, onSuccess: refresh, onError: say });
  const [box, { width }] = useBox();
  useEffect(() => {
    document.title = "Yard · Obtegum";
  }, []);
  const houses = yard.data?.pages.flatMap((page) => page.houses) ?? [];
  const longest = Math.max(...houses.map((house) => house.yard?.drawing.x1 ?? 1), 1);
  const scale = Math.min((width - 8) / longest, 46);
  return (
    <Page>
      <header>
        <h1>{SHELF_WORDS[shelf]}</h1>
        {ON_DEVICE ? null : shelf === "standing" ? (
          <>
            <Press onPress={() => start.mutate({ units: "feet" })}>New house in feet</Press>
            <Press onPress={() => start.mutate({ units: "metric" })}>New house in metres</Press>
            <Pick label="Open a house file" accept=".json,application/json" onPick={(file) => read.mutate(file)} />
          </>
        ) : (
          <>
            {shelf === "deleted" && houses.length > 0 && (
              <Press onPress={() => setGoing({ id: null, name: "" })}>Delete all of these for good</Press>
            )}
            <Press onPress={() => setShelf("standing")}>Back to the yard</Press>
          </>
        )}
      </header>
      {yard.isError && (
        <Told role="alert">
          <span>
            <b>{yard.error instanceof AwayError ? "The bench is away." : "The yard can’t be shown."}</b> {yard.error.message} It is tried again every few
            seconds; what was saved is safe.
          </span>
        </Told>
      )}
      {yard.data?.pages[0]?.found && (
        <Told role="alert">
          <span>
            <Words>{yard.data.pages[0].found}</Words>
          </span>
          <Plain onPress={() => seen.mutate()}>I have seen it</Plain>
        </Told>
      )}
      {yard.isPending && <p role="status">Fetching the yard</p>}
      {going && (
        <Sure
          label="Delete for good"
          question={`${going.id === null ? "Every house on this shelf" : going.name} goes for good, with all its history. Only backups made before still hold it.`}
          yes="Delete for good"
          no="Keep"
          onYes={() => {
            forGood.mutate(going);
            setGoing(null);
          }}
          onNo={() => setGoing(null)}
        />
      )}
      {restore.work && (
        <Told role="status">
          <span>
            <Words>{`Bringing the backup back: ${workWords(restore.work)}.`}</Words>
          </span>
          <Plain onPress={restore.stop}>Stop</Plain>
        </Told>
      )}
      {notice && (
        <Told as="div" role="status">
          <span>
            <Words>{notice.sentence}</Words>
          </span>
          {notice.undo && (
            <Plain
              onPress={() => {
                setNotice(null);
                notice.undo?.act();
              }}
            >
              {notice.undo.label}
            </Plain>
          )}
          {notice.more && notice.more.length > 0 && (
            <ul>
              {notice.more.map((line) => (
                <li key={line}>
                  <Words>{line}</Words>
                </li>
              ))}
            </ul>
          )}
        </Told>
      )}
      <Rows ref={box}>
        {yard.data && !yard.isError && houses.length === 0 && (shelf === "standing" ? <EmptyYard /> : <p>Nothing is here.</p>)}
        <ul>
          {houses.map((house) => (
            <HouseRow
              key={house.id}
              house={house}
              shelf={shelf}
              scale={scale}
              width={width}
              opensAt={opensAt}
              onShelve={(to) => shelve.mutate({ id: house.id, name: house.name, from: shelf, to })}
              onCopy={() => start.mutate({ units: "feet", copy_of: house.id })}
              onForGood={() => setGoing({ id: house.id, name: house.name })}
              onRenamed={refresh}
            />
          ))}
        </ul>
      </Rows>
      {yard.hasNextPage && (
        <p>
          <Press isDisabled={yard.isFetchingNextPage} onPress={() => void yard.fetchNextPage()}>
            {`Show more: ${houses.length} of ${yard.data?.pages.at(-1)?.total ?? 0} are here`}
          </Press>
        </p>
      )}
      {letting && <Phones />}
      <footer>
        {shelf === "standing" && !ON_DEVICE && (
          <>
            <Plain aria-expanded={letting} onPress={() => setLetting(!letting)}>Let a phone in</Plain>
            <Plain onPress={() => setShelf("put_away")}>Put away</Plain>
            <Plain onPress={() => setShelf("deleted")}>Deleted</Plain>
            <Download href="/backup">Back up everything</Download>
            <Pick label="Bring a backup back" plain accept=".zip,application/zip" onPick={restore.bring} confirm="This replaces every house here by those of the backup." />
          </>
        )}
        <Plain onPress={() => setSun(!sun)} aria-pressed={sun}>
          {sun ? "Out of the sun" : "For the sun"}
        </Plain>
        <a href="/assets/licences.txt">Licences</a>
        <p>A planning aid. Local code and a licensed engineer decide what stands.</p>
      </footer>
    </Page>
  );
}

/** Brings a backup back: says how far it has come, and can be stopped, which replaces nothing. */
function useRestore(onBack: (found: Restored) => void, onError: (error: Error) => void) {
  const [work, setWork] = useState<Work | null>(null);
  const stop = useRef<AbortController | null>(null);
  const bring = async (file: File) => {
    stop.current = new AbortController();
    setWork({ state: "waiting", waiting: 0, done: 0, of: 0 });
    const headers = { "content-type": "application/zip" };
    try {
      const response = await fetchLong("/backup", { method: "POST", body: file, headers }, setWork, stop.current.signal);
      onBack((await response.json()) as Restored);
    } catch (error) {
      onError(stop.current.signal.aborted ? new Error("Stopped. What the yard shows is what is here.") : (error as Error));
    }
    setWork(null);
  };
  return { work, bring: (file: File) => void bring(file), stop: () => stop.current?.abort() };
}
