import type { components } from "./schema";

type Schemas = components["schemas"];
export type HouseOut = Schemas["HouseOut"];
export type HousePlan = Schemas["HousePlan"];
export type HouseDesign = Schemas["HouseDesign"];
export type Yard = Schemas["Yard"];
export type HouseLine = Schemas["HouseLine"];
export type Edit = Schemas["Edit"];
export type TryOut = Schemas["TryOut"];
export type Verdict = Schemas["Verdict"];
export type StepPlan = Schemas["StepPlan"];
export type Answer = Schemas["Answer"];
export type MeasureState = Schemas["MeasureState"];
export type Drawing = Schemas["Drawing"];
export type Item = Drawing["items"][number];
export type Strip = Schemas["Strip"];
export type StripMark = Schemas["StripMark"];
export type FieldTrouble = Schemas["FieldTrouble"];
type Problem = Schemas["Problem"];

/** An answer that says no: its sentence, the fields it speaks of, and what stands there now. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** The server didn't answer at all. */
export class AwayError extends Error {}

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, init);
  } catch {
    throw new AwayError("The bench can't be reached.");
  }
  if (response.ok) return (await response.json()) as T;
  if (response.headers.get("content-type")?.startsWith("application/problem+json")) {
    throw new ProblemError((await response.json()) as Problem);
  }
  throw new AwayError(`The bench answered ${response.status}.`);
}

function send<T>(method: string, path: string, body: unknown): Promise<T> {
  return ask<T>(path, {
    method,
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
}

export const api = {
  yard: () => ask<Yard>("/houses"),
  house: (id: string) => ask<HouseOut>(`/houses/${encodeURIComponent(id)}`),
  start: (units: "feet" | "metric") => send<HouseOut>("POST", "/houses", { units }),
  change: (id: string, body: Schemas["Changes"]) =>
    send<HouseOut>("PATCH", `/houses/${encodeURIComponent(id)}`, body),
  tick: (id: string, body: Schemas["TickOff"]) =>
    send<HouseOut>("POST", `/houses/${encodeURIComponent(id)}/ticks`, body),
  attempt: (body: Schemas["TryIn"]) => send<TryOut>("POST", "/try", body),
};
