import type { Clash, Edit, HouseOut, HousePlan } from "../api/client";
import type { Waiting } from "./errand";
import type { Draft, Unsaved } from "./unsaved";

/** What was typed or dragged and can't be used: kept beside the field, so that nothing is lost. */
export interface Refusal {
  sentence: string;
  nearest: string | null;
  other: string | null;
  /** What was refused, if it was typed. */
  text: string | null;
}

/** A change that another window has changed too: both values, and the change to make if mine is taken. */
export interface Standoff {
  clashes: Clash[];
  edits: Edit[];
}

export type Saved = "saved" | "saving" | "away";

/** What the bench shows: the house as saved, or as a trial would make it, or as it once was. */
export interface Sight {
  house: HouseOut;
  plan: HousePlan;
  trying: boolean;
  previewing: boolean;
  past: HouseOut | null;
  saved: Saved;
  /** Why nothing can be saved now, if the server said so. */
  why: string;
  refusals: Readonly<Record<string, Refusal>>;
  drafts: Readonly<Record<string, Draft>>;
  /** Measures and ticks that are on their way. */
  pending: ReadonlyMap<string, Waiting>;
  standoff: Standoff | null;
  notice: string;
}

/** What is shown of a house that has just been fetched, with what a window left of it. */
export const firstSight = (house: HouseOut, left: Unsaved): Sight => ({
  house,
  plan: house.plan,
  trying: false,
  previewing: false,
  past: null,
  saved: "saved",
  why: "",
  refusals: {},
  drafts: left.drafts,
  pending: new Map(),
  standoff: null,
  notice: left.errands.length + Object.keys(left.drafts).length ? "brought back what wasn’t saved" : "",
});
