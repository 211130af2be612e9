import { type Edit, type HouseOut, send } from "../api/client";
import { fresh } from "./fresh";

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
}

export const newKey = fresh;

/** Sends an errand; the answer is the house with the plan of the step that is shown. */
export function run(errand: Errand, house: string, window: string, step: string): Promise<HouseOut> {
  const asked = new URLSearchParams({ step });
  const { method, path, key } = errand;
  const body: Record<string, unknown> = { ...errand.body, window };
  if (method === "DELETE") for (const [name, value] of Object.entries(body)) asked.set(name, String(value));
  return send<HouseOut>(method, `/houses/${encodeURIComponent(house)}${path}?${asked}`, method === "DELETE" ? undefined : body, key);
}
