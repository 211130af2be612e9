import { fresh } from "./fresh";
import { leftBehind } from "./unsaved";

const KEY = "obtegum-window";
/** How long a page that is loaded again waits for the one before to let go of its name, ms. */
const PATIENCE_MS = 3000;

const hold = (name: string, patience_ms = 0): Promise<boolean> =>
  new Promise((resolve) => {
    // A page that came over a plain network has no locks: there a copy of a tab is taken for the same window.
    if (!("locks" in navigator)) return resolve(true);
    const options = patience_ms ? { signal: AbortSignal.timeout(patience_ms) } : { ifAvailable: true };
    const asked = navigator.locks.request(`obtegum ${name}`, options, (lock) => {
      resolve(lock !== null);
      // The name is held for as long as the page lives.
      return lock ? new Promise(() => {}) : undefined;
    });
    asked.catch(() => resolve(false));
  });

const isReload = (): boolean => (performance.getEntriesByType("navigation")[0] as PerformanceNavigationTiming | undefined)?.type === "reload";

async function name(): Promise<string> {
  const kept = sessionStorage.getItem(KEY);
  if (kept && (await hold(kept, isReload() ? PATIENCE_MS : 0))) return kept;
  // A window that died with something unsaved goes on in this one, under its name: what it did is its own still.
  for (const left of leftBehind()) {
    if (await hold(left)) {
      sessionStorage.setItem(KEY, left);
      return left;
    }
  }
  const own = fresh().slice(0, 12);
  sessionStorage.setItem(KEY, own);
  await hold(own);
  return own;
}

/** This window's name, kept over a reload, and by whoever goes on for a window that died; a copy of the tab gets one of its own. */
export const windowName: Promise<string> = name();
