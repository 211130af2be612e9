import { useSyncExternalStore } from "react";

const KEY = "obtegum-sun";
const listeners = new Set<() => void>();
const on = (): boolean => document.documentElement.dataset.sun !== undefined;

function set(sun: boolean): void {
  if (sun) document.documentElement.dataset.sun = "";
  else delete document.documentElement.dataset.sun;
  localStorage.setItem(KEY, sun ? "on" : "");
  for (const listener of listeners) listener();
}

if (localStorage.getItem(KEY)) set(true);

/** Black on white for reading in the sun: whether it is on, and the switch. */
export function useSun(): [boolean, (sun: boolean) => void] {
  const sun = useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, on);
  return [sun, set];
}
