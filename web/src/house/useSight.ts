import { createContext, useContext, useSyncExternalStore } from "react";
import type { HouseSession } from "./session";
import type { Sight } from "./sight";

export const SessionContext = createContext<HouseSession | null>(null);

/** The session of the house on the bench. */
export function useSession(): HouseSession {
  const session = useContext(SessionContext);
  if (!session) throw new Error("No house is on the bench here.");
  return session;
}

/** One thing that the bench shows now; whoever asks is drawn anew only when that changes. */
export function useGlimpse<T>(pick: (sight: Sight) => T): T {
  const session = useSession();
  return useSyncExternalStore(session.watch, () => pick(session.look()));
}

/** What the bench shows now. */
export function useSight(): Sight {
  const session = useSession();
  return useSyncExternalStore(session.watch, session.look);
}
