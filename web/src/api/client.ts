import { fresh } from "../house/fresh";
import type { components } from "./schema";

export type Schemas = components["schemas"];
export type PhoneCode = Schemas["CodeOut"];
export type PackBack = Schemas["PackOut"];
export type CardsOut = Schemas["CardsOut"];
export type Card = Schemas["CardOut"];
export type Photo = Schemas["PhotoOut"];
export type HouseOut = Schemas["HouseOut"];
export type HousePlan = Schemas["HousePlan"];
export type HouseDesign = Schemas["HouseDesign"];
export type Yard = Schemas["Yard"];
export type HouseLine = Schemas["HouseLine"];
export type Edit = Schemas["Edit"];
export type Verdict = Schemas["Verdict"];
export type Action = Schemas["Action"];
export type StepPlan = Schemas["StepPlan"];
export type Answer = Schemas["Answer"];
export type MeasureState = Schemas["MeasureState"];
export type Drawing = Schemas["Drawing"];
export type Item = Drawing["items"][number];
export type Strip = Schemas["Strip"];
export type Body = Schemas["Body"];
export type StripMark = Schemas["StripMark"];
export type FieldTrouble = Schemas["FieldTrouble"];
export type Clash = Schemas["ClashOut"];
export type Remedy = Schemas["Remedy"];
export type FrameOnMap = Schemas["Frame"];
export type TriedFrame = Schemas["Tried"];
export type MapLine = Schemas["MapLine"];
export type Bought = Schemas["Bought"];
export type OfferSide = Schemas["Side"];
export type Revision = Schemas["RevisionOut"];
export type Shelf = "standing" | "put_away" | "deleted";
export type Restored = Schemas["RestoredOut"];
export type Work = Schemas["WorkOut"];
type Problem = Schemas["Problem"];

/** An answer that says no: its sentence, the fields it speaks of, and what stands there now. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** The server didn't answer, or can't keep anything now; a cause says that it told why itself. */
export class AwayError extends Error {}

const RETRY_WITH = "/problems/token";
const PATIENCE_MS = 30_000;
const FILE_PATIENCE_MS = 180_000;
/** Whether this page is on a phone that was let in: it reads houses and gives readings, and is offered no more. */
export const ON_DEVICE = document.querySelector<HTMLMetaElement>('meta[name="obtegum-seat"]')?.content === "device";
let token = document.querySelector<HTMLMetaElement>('meta[name="obtegum-token"]')?.content ?? "";

async function fetched(path: string, init: RequestInit): Promise<Response> {
  const headers = new Headers(init.headers);
  if (init.method && init.method !== "GET") headers.set("x-obtegum-token", token);
  try {
    return await fetch(`/api${path}`, { ...init, headers });
  } catch {
    throw new AwayError("The bench can’t be reached.");
  }
}

const isProblem = (response: Response): boolean => response.headers.get("content-type")?.startsWith("application/problem+json") ?? false;

/** Whatever answers well; each start of the server has a token of its own, which is fetched when it is asked for. */
async function answered(path: string, init: RequestInit): Promise<Response> {
  let response = await fetched(path, init);
  if (response.status === 403 && isProblem(response) && ((await response.clone().json()) as Problem).type === RETRY_WITH) {
    token = ((await (await fetched("/token", {})).json()) as Schemas["TokenOut"]).token;
    response = await fetched(path, init);
  }
  if (response.ok) return response;
  if (!isProblem(response)) throw new AwayError(`The bench answered ${response.status}.`);
  const problem = (await response.json()) as Problem;
  if (problem.status === 503 || problem.status === 507) throw new AwayError(problem.detail, { cause: problem });
  throw new ProblemError(problem);
}

async function ask<T>(path: string, init: RequestInit = {}): Promise<T> {
  const response = await answered(path, { signal: AbortSignal.timeout(PATIENCE_MS), ...init });
  try {
    return (await response.json()) as T;
  } catch {
    throw new AwayError("The answer broke off.");
  }
}

/** Ask for something to be changed; under a key it is done once, however often it is sent. */
export function send<T>(method: string, path: string, body: unknown, key = ""): Promise<T> {
  const headers: Record<string, string> = key ? { "idempotency-key": key } : {};
  if (body === undefined) return ask<T>(path, { method, headers });
  return ask<T>(path, { method, headers: { ...headers, "content-type": "application/json" }, body: JSON.stringify(body) });
}

/** Send a file to be taken in. */
export function sendFile<T>(path: string, file: Blob, key: string): Promise<T> {
  return ask<T>(path, { method: "POST", body: file, headers: { "content-type": file.type, "idempotency-key": key }, signal: AbortSignal.timeout(FILE_PATIENCE_MS) });
}

/** Fetch something that takes its time; it is told how far it has come, and can be stopped. */
export async function fetchLong(path: string, init: RequestInit, tell: (work: Work) => void, stop: AbortSignal): Promise<Response> {
  const key = fresh();
  const look = setInterval(() => {
    ask<Work>(`/work?key=${key}`).then(tell, () => undefined);
  }, LOOK_MS);
  const end = () => void send("DELETE", `/work?key=${key}`, undefined).catch(() => undefined);
  stop.addEventListener("abort", end);
  try {
    return await answered(`${path}${path.includes("?") ? "&" : "?"}work=${key}`, { ...init, signal: stop });
  } finally {
    clearInterval(look);
    stop.removeEventListener("abort", end);
  }
}
const LOOK_MS = 700;

const house = (id: string, more = "", asked: Record<string, string> = {}): string => {
  const query = new URLSearchParams(asked).toString();
  return `/houses/${encodeURIComponent(id)}${more}${query ? `?${query}` : ""}`;
};

const YARD_PAGE = 40;
const HISTORY_PAGE = 30;

export const api = {
  yard: (shelf: Shelf, start: number) => ask<Yard>(`/houses?shelf=${shelf}&start=${start}&most=${YARD_PAGE}`),
  seenFound: () => send<Schemas["FoundOut"]>("DELETE", "/found", undefined),
  house: (id: string, window: string, step: string) => ask<HouseOut>(house(id, "", { window, step })),
  takes: (id: string, step: string, version: number) => ask<Schemas["Takes"]>(house(id, `/takes/${step}`, { version: String(version) })),
  part: (id: string, part: string, version: number) => ask<Schemas["Piece"]>(house(id, `/parts/${encodeURIComponent(part)}`, { version: String(version) })),
  bodies: (id: string, version: number) => ask<Schemas["Bodies"]>(house(id, "/bodies", { version: String(version) })),
  version: (id: string) => ask<Schemas["VersionOut"]>(house(id, "/version")),
  start: (wanted: Schemas["NewHouse"], key: string) => send<HouseOut>("POST", "/houses", wanted, key),
  rename: async (id: string, name: string, key: string) => {
    const { version } = await api.version(id);
    return send<HouseOut>("PATCH", house(id, "", { step: "none" }), { version, edits: [{ measure: "name", text: name }] }, key);
  },
  files: () => ask<Schemas["FilesOut"]>("/files"),
  cards: (id: string, step: string) => ask<Schemas["CardsOut"]>(house(id, "/cards", { step })),
  takePack: (id: string, pack: object, key: string) => send<Schemas["PackOut"]>("POST", house(id, "/pack"), pack, key),
  phones: () => ask<Schemas["PhonesOut"]>("/phones"),
  phoneCode: () => send<Schemas["CodeOut"]>("POST", "/phones/code", undefined),
  putOut: (device: string) => send<Schemas["PhonesOut"]>("DELETE", `/phones/${encodeURIComponent(device)}`, undefined),
  readController: (id: string) => ask<Schemas["ControllerOut"]>(house(id, "/controller")),
  tellController: (id: string) => send<Schemas["ControllerOut"]>("PUT", house(id, "/controller"), undefined),
  spots: (id: string, most: number) => ask<Schemas["SpotsOut"]>(house(id, "/spots", { most: String(most) })),
  takeReadings: (id: string, step: string, text: Blob, window: string, key: string) =>
    ask<HouseOut>(house(id, "/readings", { window, step }), { method: "POST", body: text, headers: { "content-type": "text/csv", "idempotency-key": key } }),
  revisions: (id: string, window: string, start: number) =>
    ask<Schemas["History"]>(house(id, "/revisions", { window, start: String(start), most: String(HISTORY_PAGE) })),
  revision: (id: string, step: string, version: number) => ask<HouseOut>(house(id, `/revisions/${version}`, { step })),
  bringBack: (id: string, to: number, window: string, key: string) => send<HouseOut>("PUT", house(id, "/revision"), { to, window }, key),
  shelve: (id: string, shelf: Shelf) => send<Schemas["VersionOut"]>("PUT", house(id, "/shelf"), { shelf }),
  deleteForGood: (id: string | null) => send<Schemas["Gone"]>("DELETE", id === null ? "/houses" : house(id), undefined),
  attempt: (id: string, body: Schemas["Trial"]) => send<Schemas["TrialOut"]>("POST", `/houses/${id}/trials`, body),
  remedies: (id: string) => ask<Schemas["Remedies"]>(`/houses/${id}/remedies`),
  frames: async function* (id: string, stop: AbortSignal): AsyncGenerator<MapLine> {
    const { body } = await answered(house(id, "/frames"), { signal: stop });
    if (!body) throw new AwayError("The answer broke off.");
    const reader = body.pipeThrough(new TextDecoderStream()).getReader();
    let left = "";
    for (;;) {
      const { done, value } = await reader.read();
      const lines = (left + (value ?? "")).split("\n");
      left = lines.pop() ?? "";
      for (const line of lines) yield JSON.parse(line) as MapLine;
      if (done) return;
    }
  },
  buys: (id: string) => ask<Schemas["BuysOut"]>(house(id, "/buys")),
  offer: (id: string) => ask<Schemas["SidesOut"]>(house(id, "/offer")),
  table: (id: string, view: string, version: number) => ask<Schemas["TableOut"]>(`/houses/${id}/tables/${view}?version=${version}`),
  readFile: (file: Blob, key: string) =>
    ask<HouseOut>("/house-files", { method: "POST", body: file, headers: { "content-type": "application/json", "idempotency-key": key } }),
  restoreBefore: () => send<Restored>("POST", "/backup/before", undefined),
  starter: () => ask<HouseDesign>("/starter"),
  plan: (design: HouseDesign) => send<HousePlan>("POST", "/plan", design),
};
