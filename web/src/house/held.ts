import { del, get, set } from "idb-keyval";
import { fresh } from "./fresh";

/** Pictures that wait to be sent: in the browser's own store, as they are too large for where readings wait. */
const here = new Map<string, { body: Blob; kept: Promise<void> }>();

/** Keeps a body until it is let go; returns what it goes by. */
export function hold(body: Blob): string {
  const name = `obtegum-held ${fresh()}`;
  // Where the browser keeps nothing, it is here as long as the page is open, which asks before it closes.
  here.set(name, { body, kept: set(name, body).catch(() => undefined) });
  return name;
}

/** What goes by a name; nothing where it went with its window. */
export async function heldAs(name: string): Promise<Blob | undefined> {
  return here.get(name)?.body ?? (await get<Blob>(name).catch(() => undefined));
}

export async function letGo(name: string): Promise<void> {
  await here.get(name)?.kept;
  here.delete(name);
  await del(name).catch(() => undefined);
}
