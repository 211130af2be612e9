import type { Card, CardsOut, Drawing, Strip } from "../api/client";
import type { Sight } from "../house/sight";

type Pending = Sight["pending"];

/** A card with what is on its way of it: what was typed or ticked here stands on it at once, the bench near or away. */
export function asTyped(card: Card, pending: Pending): Card {
  const waits = pending.get(card.tick || card.measure);
  if (!waits) return card;
  const { text, done } = waits;
  if (text !== null) return { ...card, typed: text, state: text.trim() ? "set" : "open" };
  return done === null ? card : { ...card, state: done ? "set" : "open" };
}

/** The cards of a step with what is on its way of each. */
export const deckAsTyped = (deck: CardsOut, pending: Pending): CardsOut =>
  pending.size === 0 ? deck : { ...deck, cards: deck.cards.map((card) => asTyped(card, pending)) };

/** The cards that something is on its way of. */
export const waitingCards = (deck: CardsOut, pending: Pending): Card[] => deck.cards.filter((card) => pending.has(card.tick || card.measure));

/** A drawing with the pegs set that were ticked or typed, and are on their way. */
export function drawnAsTyped(drawing: Drawing, waiting: Card[]): Drawing {
  const states = new Map(waiting.map((card) => [card.part, card.state]));
  if (states.size === 0) return drawing;
  const items = drawing.items.map((item) => {
    const state = item.kind === "mark" && states.get(item.part);
    return state ? { ...item, state } : item;
  });
  return { ...drawing, items };
}

/** A tape with what was ticked or typed at its marks, and is on its way. */
export function tapeAsTyped(strip: Strip, waiting: Card[]): Strip {
  const cards = new Map(waiting.map((card) => [card.id, card]));
  if (cards.size === 0) return strip;
  const marks = strip.marks.map((mark) => {
    const card = cards.get(mark.id);
    return card ? { ...mark, state: card.state, reading: (card.measure && card.typed) || mark.reading } : mark;
  });
  return { ...strip, marks };
}
