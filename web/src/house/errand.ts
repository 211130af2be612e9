import { type Edit, type FieldTrouble, type HouseOut, ProblemError, send, sendFile } from "../api/client";
import { fresh } from "./fresh";
import { heldAs } from "./held";

/**
 * Something to be done to a house, as it will be sent: it is kept in the browser until the server has
 * said what came of it. Sent again under its key, it is done once.
 */
export interface Errand {
  key: string;
  method: "PATCH" | "POST" | "PUT" | "DELETE";
  /** What is asked of the house: the end of the address. */
  path: string;
  body: Record<string, unknown>;
  edits: Edit[];
  gesture: string;
  /** The field, mark or tick that it is about. */
  measure: string;
  /** What a picture that is sent goes by; what is told of it goes in the address. */
  held?: string;
}

/** What is on its way of a field, mark or tick: what was typed there, or whether it is done. */
export interface Waiting {
  text: string | null;
  done: boolean | null;
}

/** What is on its way, by field, mark or tick; of several, the last. */
export const waitingOf = (jobs: { errand: Errand }[]): ReadonlyMap<string, Waiting> =>
  new Map(
    jobs
      .map(({ errand }) => errand)
      .filter(({ measure }) => measure)
      .map(({ measure, edits, body }) => [measure, { text: edits[0]?.text ?? null, done: typeof body.done === "boolean" ? body.done : null }]),
  );

/** What is said of spots between the pegs goes by this, not by a field's name. */
export const SPOT = "spot";

/** Whether an errand takes something back or makes it again: what it is about is known to the server alone. */
export const turnsBack = ({ path }: Wanted): boolean => path === "/undo" || path === "/redo" || path === "/revision";

/** What came of an errand: taken, or what is wrong with it. */
export type Outcome = "taken" | FieldTrouble[];
export const NOT_SENT: Outcome = [{ path: "", measure: null, sentence: "Taken back before it was sent." }];
export type Wanted = Pick<Errand, "method" | "path" | "body"> & Partial<Errand>;

export const newKey = fresh;

/** Whether two edits are key steps on the same thing, by as much. */
export const sameSteps = (a: Edit, b: Edit): boolean =>
  a.steps != null && b.steps != null && a.measure === b.measure && a.stride === b.stride;

/** Sends an errand; the answer is the house with the plan of the step that is shown. */
export async function run(errand: Errand, house: string, window: string, step: string): Promise<HouseOut> {
  const asked = new URLSearchParams({ step });
  const { method, path, key } = errand;
  const body: Record<string, unknown> = { ...errand.body, window };
  if (method === "DELETE" || errand.held) for (const [name, value] of Object.entries(body)) asked.set(name, String(value));
  if (errand.held) {
    const image = await heldAs(errand.held);
    if (!image) throw new ProblemError({ type: "lost", title: "Lost", status: 410, clashes: [], errors: [], detail: "A picture went with the window that it waited in. Take it again." });
    return sendFile<HouseOut>(`/houses/${encodeURIComponent(house)}${path}?${asked}`, image, key);
  }
  return send<HouseOut>(method, `/houses/${encodeURIComponent(house)}${path}?${asked}`, method === "DELETE" ? undefined : body, key);
}
