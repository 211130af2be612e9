import type { Errand } from "./errand";

/** What was typed into a field and isn't taken yet. */
export interface Draft {
  text: string;
  /** The version of the house that it was typed over. */
  base: number;
  /** The key of the errand that it goes with; null as long as nobody sent it. */
  sentBy: string | null;
}

/** What is typed, by field. */
export type Drafts = Readonly<Record<string, Draft>>;

/** What a window would lose if it were closed now. */
export interface Unsaved {
  errands: Errand[];
  drafts: Drafts;
}

/** What is told of fields, but for one. */
export function without<T>(told: Readonly<Record<string, T>>, measure: string): Readonly<Record<string, T>> {
  const { [measure]: gone, ...rest } = told;
  return gone === undefined ? told : rest;
}

/** With what is typed into a field; typed over what isn't taken yet, it stands on what that stood on. */
export const withTyped = (drafts: Drafts, measure: string, text: string, version: number): Drafts => ({
  ...drafts,
  [measure]: { text, base: drafts[measure]?.base ?? version, sentBy: null },
});

/** With what stands typed in an errand's field gone with it, until something is typed there again: the same letters too. */
export function withSent(drafts: Drafts, { key, measure, edits }: Errand): Drafts {
  const draft = drafts[measure];
  return draft && draft.text === edits[0]?.text ? { ...drafts, [measure]: { ...draft, sentBy: key } } : drafts;
}

const PREFIX = "obtegum-unsaved";
const MOST_LETTERS = 200_000;
const name = (house: string, window: string): string => `${PREFIX} ${house} ${window}`;

/** Keeps what isn't saved in the browser's own store, until it is. */
export function keepUnsaved(house: string, window: string, unsaved: Unsaved): void {
  try {
    if (unsaved.errands.length === 0 && Object.keys(unsaved.drafts).length === 0) localStorage.removeItem(name(house, window));
    else {
      const text = JSON.stringify(unsaved);
      if (text.length <= MOST_LETTERS) localStorage.setItem(name(house, window), text);
    }
  } catch {
    // A browser that keeps nothing (a full or forbidden store) still asks before it is closed.
  }
}

/** Windows that left something unsaved, of whatever house. */
export function leftBehind(): string[] {
  try {
    return Object.keys(localStorage).flatMap((key) => {
      const [prefix, , from] = key.split(" ");
      return prefix === PREFIX && from ? [from] : [];
    });
  } catch {
    return [];
  }
}

/** What this window, or one that is gone, left unsaved for a house; it is this window's from now on. */
export async function takeUnsaved(house: string, window: string): Promise<Unsaved> {
  const found: { errands: Errand[]; drafts: Record<string, Draft> } = { errands: [], drafts: {} };
  const held = new Set("locks" in navigator ? ((await navigator.locks.query()).held ?? []).map((lock) => lock.name) : []);
  try {
    for (const key of Object.keys(localStorage)) {
      const [prefix, own, from = ""] = key.split(" ");
      if (prefix !== PREFIX || own !== house || (from !== window && held.has(`obtegum ${from}`))) continue;
      const kept = JSON.parse(localStorage.getItem(key) ?? "null") as Unsaved | null;
      if (kept && Array.isArray(kept.errands)) found.errands.push(...kept.errands);
      Object.assign(found.drafts, kept?.drafts);
      localStorage.removeItem(key);
    }
  } catch {
    // Nothing can be read, or it is none of ours.
  }
  keepUnsaved(house, window, found);
  return found;
}
