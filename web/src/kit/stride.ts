import type { KeyboardEvent } from "react";
import type { Edit } from "../api/client";
import { fresh } from "../house/fresh";

/** A name for one gesture: all its parts become one change in the history. */
export const newGesture = (): string => fresh().slice(0, 12);

const BURST_MS = 800;
let burst = { name: "", at: 0 };

/** Key presses that follow each other quickly are one gesture. */
function burstGesture(): string {
  const now = performance.now();
  burst = { name: now - burst.at < BURST_MS ? burst.name : newGesture(), at: now };
  return burst.name;
}

// A gesture's name has 40 letters at the most; the end of a measure's name tells it from others.
const OF_NAME = 26;

/** Key presses on one measure that follow each other quickly. */
export const burstOn = (measure: string): string => `${measure.slice(-OF_NAME)} ${burstGesture()}`;

type Key = Pick<KeyboardEvent, "key" | "shiftKey" | "altKey" | "ctrlKey" | "metaKey">;

/**
 * What a key press moves a length by: an arrow one tape fraction, Page Up or Down an inch or
 * centimetre, Shift with an arrow a foot or ten centimetres.
 */
export function strideOf(event: Key, sideways = false): { steps: number; stride: Edit["stride"] } | null {
  if (event.altKey || event.ctrlKey || event.metaKey) return null;
  if (event.key === "PageUp") return { steps: 1, stride: "small" };
  if (event.key === "PageDown") return { steps: -1, stride: "small" };
  const stride = event.shiftKey ? "large" : "fraction";
  if (event.key === "ArrowUp" || (sideways && event.key === "ArrowRight")) return { steps: 1, stride };
  if (event.key === "ArrowDown" || (sideways && event.key === "ArrowLeft")) return { steps: -1, stride };
  return null;
}
