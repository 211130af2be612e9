/**
 * Lengths and counts as people write them, for the pack of cards, which is read where no bench is near: the rules of
 * the bench, sentence by sentence. The two are held equal by a test.
 */

export interface Tape {
  units: "feet" | "metric";
  inch_parts: number;
  mm_step: number;
}

/** What may be written on a card: in what a number without a unit is, m, and from what to what, with what is said of less and more. */
export interface Rule {
  kind: "length" | "count" | "text";
  bare_m: number;
  least: number;
  most: number;
  under: string;
  nothing: string;
  over: string;
  optional: boolean;
}

/** What was written as it is understood, or a sentence that says why it can't be used. */
export interface Read {
  value: number | null;
  reads: string;
  wrong: string;
}

class Unreadable extends Error {}

const FOOT_M = 0.3048;
const INCH_M = 0.0254;
const LONGEST_M = 100_000;
const MOST_LETTERS = 60;
const UNIT_M: Record<string, number> = {
  "'": FOOT_M, ft: FOOT_M, foot: FOOT_M, feet: FOOT_M,
  '"': INCH_M, in: INCH_M, inch: INCH_M, inches: INCH_M,
  m: 1, metre: 1, metres: 1, meter: 1, meters: 1,
  cm: 0.01, mm: 0.001,
};
const VULGAR: Record<string, string> = { "½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8", "⅓": "1/3", "⅔": "2/3" };
const ALIKE: Record<string, string> = {
  "′": "'", "’": "'", "‘": "'", "´": "'", "`": "'", "″": '"', "”": '"', "“": '"',
  "⁄": "/", "−": "-", "–": "-", "‐": "-", "\u00a0": " ", "\u2009": " ", "\u202f": " ",
};
const NUMBER = String.raw`(?:\d+(?:\.\d+)?|\.\d+)(?![\d.])`;
const GROUP = String.raw`(?:(?<whole>\d+)[\s-]+(?<num>\d+)/(?<den>\d+)|(?<n>\d+)/(?<d>\d+)|(?<dec>${NUMBER}))\s*(?<unit>'|"|[a-z]+\.?)?(?<sep>\s*-\s*|\s*,?\s*and\s+|\s*)`;
const AMOUNT = /^(?<sign>[-−]?)\s*(?<number>\d+(?:[.,]\d+)?|[.,]\d+)\s*(?<unit>.*)$/;
const EXAMPLES = { feet: "7' 4 1/2, 7-4.5, 88 in or 2.25 m", metric: "2.25, 2,25 m, 225 cm or 7' 4\"" };

const unreadable = (shown: string, units: Tape["units"]): Unreadable => new Unreadable(`Can't read “${shown}” as a length. Write it like ${EXAMPLES[units]}.`);

/** A typed length, m, not rounded; a bare number is of a size. Throws with a sentence. */
export function lengthOf(text: string, units: Tape["units"], bareM: number): number {
  const shown = text.trim();
  return summed(groupsOf(tidied(shown, units), shown, units), shown, units, bareM);
}

function tidied(shown: string, units: Tape["units"]): string {
  let tidy = Array.from(shown.toLowerCase(), (letter) => ALIKE[letter] ?? letter).join("").replaceAll("''", '"');
  for (const [sign, plain] of Object.entries(VULGAR)) tidy = tidy.replaceAll(sign, ` ${plain}`);
  tidy = tidy.trim();
  if (!tidy) throw new Unreadable("Type a length.");
  if (Array.from(tidy).length > MOST_LETTERS) throw new Unreadable("That is too long to be a length.");
  if (tidy.startsWith("-")) throw new Unreadable("A length can't be below zero.");
  if (!/\d,\d/.test(tidy)) return tidy;
  if (units === "feet") throw new Unreadable("Leave out the comma: write 7.5 for seven and a half feet.");
  if (tidy.split(",").length > 2 || tidy.includes(".")) throw new Unreadable("One decimal sign is enough: write 2,25 or 2.25.");
  return tidy.replaceAll(",", ".");
}

interface Group {
  value: number;
  unit: string | null;
}

function groupsOf(tidy: string, shown: string, units: Tape["units"]): Group[] {
  const group = new RegExp(GROUP, "y");
  const found: Group[] = [];
  while (group.lastIndex < tidy.length) {
    const parts = group.exec(tidy)?.groups;
    if (!parts) throw unreadable(shown, units);
    const unit = parts.unit === undefined ? null : parts.unit.replace(/\.+$/, "");
    if (unit !== null && UNIT_M[unit] === undefined) throw unreadable(shown, units);
    found.push({ value: parts.dec ? Number(parts.dec) : fractionOf(parts), unit });
    if (group.lastIndex === tidy.length && parts.sep?.trim()) throw unreadable(shown, units);
  }
  return found;
}

function fractionOf(parts: Record<string, string | undefined>): number {
  const [over, under] = [Number(parts.num ?? parts.n), Number(parts.den ?? parts.d)];
  if (under === 0) throw new Unreadable("A fraction can't be over zero.");
  return Number(parts.whole ?? 0) + over / under;
}

/** The parts of one length together; each is in a smaller unit than the one before, only the last broken. */
function summed(groups: Group[], shown: string, units: Tape["units"], bareM: number): number {
  let [total, last] = [0, Number.POSITIVE_INFINITY];
  for (const [place, { value, unit }] of groups.entries()) {
    const size = sizeOf(unit, place, groups.length, last, units, bareM);
    if (size === null || size >= last || (value % 1 && place < groups.length - 1)) throw unreadable(shown, units);
    total += value * size;
    if (last === FOOT_M && size === INCH_M && value >= 12) {
      const meant = lengthText(total, { units: "feet", inch_parts: 64, mm_step: 1 });
      throw new Unreadable(`${sixFigures(value)} inches after the feet? That is ${meant} in all; write it so.`);
    }
    last = size;
  }
  if (!(total <= LONGEST_M)) throw new Unreadable("That is longer than any house.");
  return total;
}

function sizeOf(unit: string | null, place: number, count: number, last: number, units: Tape["units"], bareM: number): number | null {
  if (unit !== null) return UNIT_M[unit] ?? null;
  if (place === 0) {
    if (units === "metric" && count > 1) return null;
    return count === 1 ? bareM : FOOT_M;
  }
  if (last === FOOT_M) return INCH_M;
  return last === 1 && place === count - 1 ? 0.01 : null;
}

/** A number to six figures, as short as it goes. */
function sixFigures(value: number): string {
  const [figures = "", exponent = "0"] = value.toExponential(5).split("e");
  const power = Number(exponent);
  if (power < 6) return String(Number(value.toPrecision(6)));
  return `${Number(figures)}e+${String(power).padStart(2, "0")}`;
}

/** A length as it is read off the tape. */
export function lengthText(valueM: number, tape: Tape): string {
  const step = tape.units === "feet" ? INCH_M / tape.inch_parts : tape.mm_step / 1000;
  const count = Math.floor(valueM / step + 0.5);
  if (tape.units === "metric") {
    const millimetres = count * tape.mm_step;
    return millimetres < 1000 ? `${millimetres} mm` : `${(millimetres / 1000).toFixed(3)} m`;
  }
  const [whole, parts] = [Math.floor(count / tape.inch_parts), count % tape.inch_parts];
  const [feet, inches] = [Math.floor(whole / 12), whole % 12];
  const common = shared(parts, tape.inch_parts);
  const fraction = parts ? `${parts / common}/${tape.inch_parts / common}` : "";
  const within = [inches || !fraction ? String(inches) : "", fraction].filter(Boolean).join(" ");
  if (!feet) return `${within}"`;
  return `${feet}' ${inches ? within : `0 ${fraction}`.trim()}"`;
}

const shared = (a: number, b: number): number => (b === 0 ? a : shared(b, a % b));

/** A typed whole number. Throws with a sentence. */
export function countOf(text: string, units: Tape["units"]): number {
  const shown = text.trim();
  const found = AMOUNT.exec(shown.toLowerCase().slice(0, MOST_LETTERS))?.groups;
  if (!found) throw new Unreadable(`Can't read “${shown.slice(0, 40)}”. Write a number.`);
  const { number = "", unit = "", sign } = found;
  if (units === "feet" && number.includes(",")) throw new Unreadable("Leave out the comma: write a point for decimals.");
  if (unit.trim()) throw new Unreadable("Write a number alone.");
  if (sign) throw new Unreadable("It can't be below zero.");
  const value = Number(number.replace(",", "."));
  if (!Number.isInteger(value)) throw new Unreadable("Write a whole number.");
  return value;
}

/** What was written on a card by its rule. */
export function readBy(text: string, rule: Rule, tape: Tape): Read {
  if (rule.kind === "text" || (rule.optional && !text.trim())) return { value: null, reads: text.trim(), wrong: "" };
  try {
    const value = rule.kind === "length" ? lengthOf(text, tape.units, rule.bare_m) : countOf(text, tape.units);
    const wrong = value > rule.most ? rule.over : value >= rule.least ? "" : value <= 0 ? rule.nothing : rule.under;
    return { value, reads: rule.kind === "length" ? lengthText(value, tape) : String(value), wrong };
  } catch (error) {
    return { value: null, reads: "", wrong: (error as Error).message };
  }
}
