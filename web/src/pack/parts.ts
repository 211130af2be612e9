/** Letters of a text in one code: few enough that a camera reads it off a small screen at arm's length. */
const MOST = 300;
const MARK = "obtegum-cards";
const LETTERS = 5;

async function through(bytes: Uint8Array<ArrayBuffer>, way: CompressionStream | DecompressionStream): Promise<Uint8Array<ArrayBuffer>> {
  return new Uint8Array(await new Response(new Blob([bytes]).stream().pipeThrough(way)).arrayBuffer());
}

/** A text packed and cut into as many parts as it takes, each naming which it is and what it belongs to. */
export async function inParts(text: string): Promise<string[]> {
  const packed = await through(new TextEncoder().encode(text), new CompressionStream("deflate-raw"));
  const letters = btoa(Array.from(packed, (byte) => String.fromCharCode(byte)).join(""));
  const giving = Array.from(crypto.getRandomValues(new Uint8Array(LETTERS)), (byte) => (byte % 36).toString(36)).join("");
  const count = Math.max(1, Math.ceil(letters.length / MOST));
  return Array.from({ length: count }, (_, at) => [MARK, giving, at + 1, count, letters.slice(at * MOST, (at + 1) * MOST)].join(" "));
}

/** Parts as they are seen, in any order and as often as one likes; those of another giving begin anew. */
export class Gathering {
  private giving = "";
  private parts = new Map<number, string>();
  of = 0;

  get count(): number {
    return this.parts.size;
  }

  get whole(): boolean {
    return this.of > 0 && this.count === this.of;
  }

  /** Takes what a code says; whether it is a part of what a pack gives back. */
  take(said: string): boolean {
    const found = /^obtegum-cards ([0-9a-z]{5}) ([1-9]\d{0,2}) ([1-9]\d{0,2}) ([A-Za-z0-9+/=]*)$/.exec(said);
    if (!found) return false;
    const [, giving = "", at, of, letters = ""] = found;
    if (giving !== this.giving) {
      this.giving = giving;
      this.parts = new Map();
    }
    this.of = Number(of);
    this.parts.set(Number(at), letters);
    return true;
  }

  /** What all parts say together. Rejects where they don't unpack. */
  async text(): Promise<string> {
    const letters = Array.from({ length: this.of }, (_, at) => this.parts.get(at + 1) ?? "").join("");
    const packed = Uint8Array.from(atob(letters), (letter) => letter.charCodeAt(0));
    return new TextDecoder().decode(await through(packed, new DecompressionStream("deflate-raw")));
  }
}
