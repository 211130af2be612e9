import { type Edit, ProblemError } from "../api/client";
import type { Refusal, Sight } from "./sight";

/** What the server says of a measure that it refuses. */
export function refusalOf({ problem, message }: ProblemError, measure: string, text: string | null): Refusal {
  const own = problem.errors?.find((each) => each.measure === measure);
  return { sentence: own?.sentence ?? problem.errors?.[0]?.sentence ?? message, nearest: own?.nearest ?? null, other: own?.other ?? null, text };
}

/** What was refused, once the house has changed. */
interface Refused {
  /** Typed values that stand in their fields: to be asked for again, as what each hung on may be otherwise now. */
  again: Edit[];
  /** Measures of which what was pressed or dragged was refused: its sentence was of the house before. */
  over: string[];
}

/** What is wrong with readings that were pasted or opened, line by line. */
export function sentencesOf(error: unknown): string[] {
  const { message } = error as Error;
  if (!(error instanceof ProblemError)) return [`${message} Nothing was taken; try again.`];
  const { errors } = error.problem;
  return errors?.length ? errors.map((each) => each.sentence) : [message];
}

/** What of the refusals is asked for again, and what is over; one whose field the hand is in waits for the hand. */
export function refusedOf(sight: Sight): Refused {
  const hand = (document.activeElement as HTMLElement | null)?.dataset.measure;
  const found: Refused = { again: [], over: [] };
  for (const [measure, { text }] of Object.entries(sight.refusals)) {
    const draft = sight.drafts[measure];
    if (measure === hand || draft?.sentBy) continue;
    if (text !== null && draft?.text === text) found.again.push({ measure, text, stride: "fraction" });
    else found.over.push(measure);
  }
  return found;
}
