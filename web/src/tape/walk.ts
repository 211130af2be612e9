import type { StepPlan, Strip, StripMark } from "../api/client";

/** A mark on the tape that it lies on. */
export interface Stand {
  strip: Strip;
  mark: StripMark;
}

/** What a mark is known by in the order of the work: what is typed or ticked at it. */
export const nameOf = (mark: StripMark): string | null => mark.entry?.measure ?? mark.tick ?? null;

/** What is on its way, by name. */
interface Known {
  has(name: string): boolean;
}


const isOpen = (mark: StripMark, pending: Known): boolean => {
  const name = nameOf(mark);
  if (name === null || pending.has(name)) return false;
  return mark.entry ? !mark.entry.reading : mark.state !== "set";
};

const here = (strip: Strip): Stand[] => strip.marks.filter((mark) => nameOf(mark) !== null).map((mark) => ({ strip, mark }));

/** The marks in the order in which one comes to them: the step's own, or along one tape that it doesn't walk. */
function order(step: StepPlan, strips: Strip[], strip: Strip): Stand[] {
  const all = new Map(strips.flatMap(here).map((stand) => [nameOf(stand.mark) as string, stand]));
  const walked = (step.walk ?? []).flatMap((name) => all.get(name) ?? []);
  return walked.some((stand) => stand.strip.id === strip.id) ? walked : here(strip);
}

/** The next open mark after one, or the first that is left over before it; none when all are done. */
export function nextAfter(step: StepPlan, strips: Strip[], strip: Strip, mark: StripMark, pending: Known): Stand | null {
  const stands = order(step, strips, strip);
  const at = stands.findIndex((stand) => stand.mark === mark);
  const rest = [...stands.slice(at + 1), ...stands.slice(0, Math.max(at, 0))];
  return rest.find((stand) => isOpen(stand.mark, pending)) ?? null;
}

/** Where to begin in a step: its first open mark in the order of the work. */
export function firstStand(step: StepPlan, strips: Strip[], pending: Known): Stand | null {
  const first = strips[0];
  return first ? (order(step, strips, first).find((stand) => isOpen(stand.mark, pending)) ?? null) : null;
}

/** Where to begin on a tape that is taken up: its first open mark in the order of the work. */
export function firstOpen(step: StepPlan, strips: Strip[], strip: Strip, pending: Known): StripMark | null {
  const own = order(step, strips, strip).filter((stand) => stand.strip.id === strip.id);
  return own.find((stand) => isOpen(stand.mark, pending))?.mark ?? null;
}
