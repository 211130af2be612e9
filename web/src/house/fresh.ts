const BYTES = 16;

/** A name that nothing else has. A page that came over a plain network has no `randomUUID`. */
export const fresh = (): string => [...crypto.getRandomValues(new Uint8Array(BYTES))].map((each) => each.toString(16).padStart(2, "0")).join("");
