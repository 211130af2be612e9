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
export type Clash = Schemas["ClashOut"];
export type Remedy = Schemas["Remedy"];
export type Revision = Schemas["RevisionOut"];
export type Shelf = "standing" | "put_away" | "deleted";
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

const house = (id: string, more = "", asked: Record<string, string> = {}): string => {
  const query = new URLSearchParams(asked).toString();
  return `/houses/${encodeURIComponent(id)}${more}${query ? `?${query}` : ""}`;
};

export const api = {
  yard: (shelf: Shelf) => ask<Yard>(`/houses?shelf=${shelf}`),
  house: (id: string, window: string, step: string) => ask<HouseOut>(house(id, "", { window, step })),
  version: (id: string) => ask<Schemas["VersionOut"]>(house(id, "/version")),
  start: (wanted: Schemas["NewHouse"]) => send<HouseOut>("POST", "/houses", wanted),
  change: (id: string, step: string, body: Schemas["Changes"]) => send<HouseOut>("PATCH", house(id, "", { step }), body),
  tick: (id: string, step: string, body: Schemas["TickOff"]) => send<HouseOut>("POST", house(id, "/ticks", { step }), body),
  tapeAnew: (id: string, step: string, body: Schemas["Standing"]) => send<HouseOut>("POST", house(id, "/tapings", { step }), body),
  readLaser: (id: string, step: string, body: Schemas["LevelShot"]) => send<HouseOut>("POST", house(id, "/level-shots", { step }), body),
  spots: (id: string, most: number) => ask<Schemas["SpotsOut"]>(house(id, "/spots", { most: String(most) })),
  keepSpot: (id: string, step: string, body: Schemas["NewSpot"]) => send<HouseOut>("POST", house(id, "/spots", { step }), body),
  takeOutSpot: (id: string, step: string, number: number, version: number, window: string) =>
    ask<HouseOut>(house(id, `/spots/${number}`, { step, version: String(version), window }), { method: "DELETE" }),
  takeReadings: (id: string, step: string, text: Blob, window: string) =>
    ask<HouseOut>(house(id, "/readings", { window, step }), { method: "POST", body: text }),
  undo: (id: string, step: string, way: "undo" | "redo", window: string) => send<HouseOut>("POST", house(id, `/${way}`, { step }), { window }),
  revisions: (id: string, window: string) =>
    ask<Schemas["History"]>(house(id, "/revisions", { window, most: "30" })),
  revision: (id: string, step: string, version: number) => ask<HouseOut>(house(id, `/revisions/${version}`, { step })),
  bringBack: (id: string, step: string, to: number, window: string) => send<HouseOut>("PUT", house(id, "/revision", { step }), { to, window }),
  shelve: (id: string, shelf: Shelf) => send<HouseOut>("PUT", house(id, "/shelf"), { shelf }),
  attempt: (body: Schemas["TryIn"]) => send<TryOut>("POST", "/try", body),
  remedies: (body: Schemas["ReadIn"]) => send<Schemas["Remedies"]>("POST", "/remedies", body),
  readFile: (file: Blob) => ask<HouseOut>("/house-files", { method: "POST", body: file }),
  restore: (file: Blob) => ask<Schemas["Restored"]>("/backup", { method: "POST", body: file }),
  starter: () => ask<HouseDesign>("/starter"),
  plan: (design: HouseDesign) => send<HousePlan>("POST", "/plan", design),
};
