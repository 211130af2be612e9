import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import styled from "styled-components";
import { api, type Card, type CardsOut, ON_DEVICE } from "../api/client";
import { StandoffBox } from "../bench/Standoff";
import { OnBench } from "../house/OnBench";
import { useSession, useSight } from "../house/useSight";
import { Plain } from "../kit/Plain";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";
import { useSun } from "../look/sun";
import { Counted } from "./Counted";
import { OneCard } from "./OneCard";
import { TakeAlong } from "./TakeAlong";
import { deckAsTyped, waitingCards } from "./waiting";

const Held = styled.div`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  height: 100dvh;
  max-width: 560px;
  margin: 0 auto;
  background: var(--paper);
  button { min-height: 44px; }
`;
const Top = styled.header`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 4px 10px;
  padding: 4px 10px;
  border-bottom: 2px solid var(--ink);
  h1 { font-size: 18px; }
  select {
    min-height: 44px;
    max-width: 46vw;
    padding: 4px 6px;
    font: 600 17px/1.2 ${FIGURES};
    color: var(--ink);
    background: var(--sheet);
    border: 2px solid var(--ink);
  }
`;
const Foot = styled.nav`
  display: grid;
  grid-template-columns: 1fr 1.5fr 1fr;
  gap: 8px;
  padding: 8px 10px 12px;
  border-top: 2px solid var(--ink);
`;
const Thumb = styled.button`
  min-height: 60px;
  font: 600 21px/1.1 ${FIGURES};
  color: var(--ink);
  background: var(--sheet);
  border: 3px solid var(--ink);
  border-radius: 6px;
  cursor: pointer;
  &[aria-pressed="true"] { background: var(--ink); color: var(--sheet); }
  &:disabled { border-color: var(--rule); color: var(--soft); cursor: default; }
`;
const State = styled.div`
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  grid-column: 1 / -1;
  min-height: 44px;
  font-weight: 600;
  select { min-height: 44px; width: 34%; padding: 4px 6px; font: inherit; color: var(--ink); background: var(--sheet); border: 2px solid var(--ink); }
`;

const Said = styled.p`
  grid-column: 1 / -1;
  font-weight: 600;
`;

/** The work of a house at arm's length: one thing to do at a time. */
export function Cards() {
  const { id = "", step = "" } = useParams();
  return <OnBench id={id} step={step}>{(window) => <Deck house={id} step={step} window={window} />}</OnBench>;
}

function Deck({ house, step, window }: { house: string; step: string; window: string }) {
  const session = useSession();
  const { version } = useSight().house;
  const go = useNavigate();
  const found = useQuery({ queryKey: ["cards", house, step, version], queryFn: () => api.cards(house, step), placeholderData: keepPreviousData });
  const deck = found.data;
  // A step that has no cards of its own shows those that come first: its drawings and tapes are theirs.
  const shown = deck?.step ?? step;
  useEffect(() => {
    void session.turnTo(shown);
  }, [session, shown]);
  if (!deck) {
    return (
      <Held>
        <p role={found.isError ? "alert" : "status"}>{found.isError ? (found.error as Error).message : "Fetching the cards"}</p>
        <Plain onPress={() => go(`/house/${house}/${step}`)}>Back to the bench</Plain>
      </Held>
    );
  }
  return <Dealt key={deck.step} house={house} deck={deck} window={window} />;
}

function Dealt({ house, deck: kept, window }: { house: string; deck: CardsOut; window: string }) {
  const session = useSession();
  const sight = useSight();
  const { pending } = sight;
  // What was answered stands as it was typed until the cards that know of it have come.
  const stands = useRef(pending);
  stands.current = kept.version < sight.house.version ? new Map([...stands.current, ...pending]) : pending;
  const typed = stands.current;
  const deck = useMemo(() => deckAsTyped(kept, typed), [kept, typed]);
  const waiting = useMemo(() => waitingCards(deck, typed), [deck, typed]);
  const go = useNavigate();
  const [sun, setSun] = useSun();
  const first = deck.cards.findIndex((card) => card.state !== "set");
  // The card in the hand stays there, whatever comes before it meanwhile.
  const [held, setHeld] = useState({ id: deck.cards[Math.max(first, 0)]?.id, place: Math.max(first, 0) });
  const there = deck.cards.findIndex((each) => each.id === held.id);
  const at = there >= 0 ? there : Math.min(held.place, deck.cards.length - 1);
  const card = deck.cards[at];
  const said = useRef<HTMLDivElement>(null);
  useEffect(() => {
    document.title = `${deck.title}, cards · ${sight.plan.name} · Obtegum`;
  }, [deck.title, sight.plan.name]);
  const done = deck.cards.filter((each) => each.state === "set").length;
  const move = (to: number) => {
    const place = Math.min(Math.max(to, 0), deck.cards.length - 1);
    setHeld({ id: deck.cards[place]?.id, place });
    said.current?.scrollTo({ top: 0 });
  };
  const tick = (each: Card) => {
    session.tick(each.tick, each.state !== "set");
    if (each.state !== "set") move(at + 1);
  };
  // What an undo takes back is gone to and named; what it was of another step is named alone.
  const [back, setBack] = useState("");
  const before = useRef<{ cards: Card[]; words: string; version: number } | null>(null);
  const goBackTo = (place: number) => {
    const found = deck.cards[place];
    if (found) setBack(`Taken back: ${found.label || found.what || found.says}`);
    move(place);
  };
  const undo = () => {
    const words = sight.house.undo ?? "";
    const name = session.undo("undo");
    if (name === null) before.current = { cards: deck.cards, words, version: sight.house.version };
    else goBackTo(deck.cards.findIndex((each) => (each.tick || each.measure) === name));
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at when other cards or another house come
  useEffect(() => {
    const was = before.current;
    if (!was || kept.version <= was.version) return;
    const states = new Map(was.cards.map((each) => [each.id, `${each.state} ${each.typed}`]));
    const place = deck.cards.findIndex((each) => (states.get(each.id) ?? "") !== `${each.state} ${each.typed}`);
    if (place < 0 && (sight.saved !== "saved" || kept.version < sight.house.version)) return;
    before.current = null;
    if (place >= 0) goBackTo(place);
    else setBack(`Taken back: ${was.words}`);
  }, [deck, kept.version, sight.saved, sight.house.version]);
  if (!card) return null;
  const away = sight.saved === "away";
  return (
    <Held>
      <Top>
        <Plain onPress={() => go(`/house/${house}/${deck.step}`)}>Bench</Plain>
        <select aria-label="Work" value={deck.step} onChange={(event) => go(`/house/${house}/${event.target.value}/cards`, { replace: true })}>
          {deck.steps.map((each) => (
            <option key={each.id} value={each.id}>
              {each.title}, {each.done} of {each.cards}
            </option>
          ))}
        </select>
        <Plain aria-pressed={sun} onPress={() => setSun(!sun)}>
          {sun ? "Shade" : "Sun"}
        </Plain>
      </Top>
      <main ref={said} style={{ overflowY: "auto", minHeight: 0 }}>
        <h1 className="unseen">{deck.title}, field cards</h1>
        <StandoffBox />
        <OneCard key={card.id} card={card} caution={deck.caution} work={deck.step} onNext={() => move(at + 1)} waiting={waiting} />
        <Counted deck={deck} />
        {!ON_DEVICE && <TakeAlong house={house} step={deck.step} window={window} />}
      </main>
      <Foot aria-label="Cards">
        {(back || away) && (
          <Said>
            <Words>{away ? "Leave this page open: without the bench it can’t be opened again." : back}</Words>
          </Said>
        )}
        <State>
          <span role="status">
            <Words>{`${at + 1} of ${deck.cards.length}, ${done} done`}</Words>
            {away ? ": kept here, sent when the bench is back" : sight.saved === "saving" ? ": saving" : ""}
          </span>
          <span className="unseen" aria-live="polite">{back}</span>
          <select aria-label="Go to" value={at} onChange={(event) => move(Number(event.target.value))}>
            {deck.cards.map((each, place) => (
              <option key={each.id} value={place}>
                {`${place + 1} ${each.label || each.what || each.says}${each.state === "set" ? " ✓" : ""}`}
              </option>
            ))}
          </select>
          <Plain isDisabled={!sight.house.undo && pending.size === 0} onPress={undo} aria-label={sight.house.undo ? `Undo: ${sight.house.undo}` : "Undo"}>
            Undo
          </Plain>
        </State>
        <Thumb disabled={at === 0} onClick={() => move(at - 1)}>
          Back
        </Thumb>
        {card.tick ? (
          <Thumb aria-pressed={card.state === "set"} onClick={() => tick(card)}>
            {card.state === "set" ? "Done ✓" : card.state === "moved" ? "Done anew" : "Done"}
          </Thumb>
        ) : (
          <Thumb disabled>{card.state === "set" ? "Written ✓" : "Write it above"}</Thumb>
        )}
        <Thumb disabled={at === deck.cards.length - 1} onClick={() => move(at + 1)}>
          Next
        </Thumb>
      </Foot>
    </Held>
  );
}
