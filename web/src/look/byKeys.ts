import { useSyncExternalStore } from "react";

const GOES = new Set(["Tab", "F6", "ArrowUp", "ArrowDown"]);
const listeners = new Set<() => void>();
let byKeys = false;
let known = false;

function turn(next: boolean): void {
  if (next === byKeys) return;
  byKeys = next;
  for (const listener of listeners) listener();
}
document.addEventListener("keydown", (event) => GOES.has(event.key) && turn(true), true);
document.addEventListener("pointerdown", () => turn(false), true);

/** The keys were looked at: they need not be told any more. */
export function keysKnown(): void {
  known = true;
  for (const listener of listeners) listener();
}

const watch = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** Whether the bench is gone through by keys, which weren't looked at yet. */
export const useByKeys = (): boolean => useSyncExternalStore(watch, () => byKeys && !known);
