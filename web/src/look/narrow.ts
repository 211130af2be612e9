import { useSyncExternalStore } from "react";

/** How wide a screen is held in one hand, px; the style sheets use the same. */
const narrow = globalThis.matchMedia("(max-width: 820px)");

/** Whether the bench is on a narrow screen, where its parts stand one below the other. */
export function useNarrow(): boolean {
  return useSyncExternalStore(
    (listener) => {
      narrow.addEventListener("change", listener);
      return () => narrow.removeEventListener("change", listener);
    },
    () => narrow.matches,
  );
}
