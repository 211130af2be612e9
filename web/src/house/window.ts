import { fresh } from "./fresh";

const KEY = "obtegum-window";

const hold = (name: string): Promise<boolean> =>
  new Promise((resolve) => {
    // A page that came over a plain network has no locks: there a copy of a tab is taken for the same window.
    if (!("locks" in navigator)) return resolve(true);
    void navigator.locks.request(`obtegum ${name}`, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      // The name is held for as long as the page lives.
      return lock ? new Promise(() => {}) : undefined;
    });
  });

async function name(): Promise<string> {
  const kept = sessionStorage.getItem(KEY);
  if (kept && (await hold(kept))) return kept;
  const own = fresh().slice(0, 12);
  sessionStorage.setItem(KEY, own);
  await hold(own);
  return own;
}

/** This window's name, kept over a reload; a copy of the tab gets one of its own. */
export const windowName: Promise<string> = name();
