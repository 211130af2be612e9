import type { HouseOut } from "../api/client";
import { HouseSession } from "./session";
import type { Unsaved } from "./unsaved";

const OPEN = new Map<string, HouseSession>();
const MOST_OPEN = 12;

/** The session of a house in this window: left for the yard and come back to, it is still the same. */
export function openSession(house: HouseOut, window: string, step: string, left: Unsaved): HouseSession {
  const before = OPEN.get(house.id);
  if (before) {
    before.refresh(house, step);
    before.adopt(left);
    return before;
  }
  for (const [id, session] of OPEN) if (OPEN.size >= MOST_OPEN && !session.unsaved) OPEN.delete(id);
  const session = new HouseSession(house, window, step, left);
  OPEN.set(house.id, session);
  return session;
}

/** Whether the bench can't be reached, so that this page can't be opened again once it is left. */
export const anyAway = (): boolean => [...OPEN.values()].some((session) => session.look().saved === "away");

/** Whether anything in this window isn't saved. */
export const anyUnsaved = (): boolean => [...OPEN.values()].some((session) => session.unsaved);
