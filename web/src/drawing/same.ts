import { alike } from "../house/alike";
import type { Frame } from "./frame";

interface Placed {
  item: unknown;
  frame: Frame;
  lit?: boolean;
  faint?: boolean;
  onPick?: unknown;
}

/**
 * Whether a part of a drawing would look as it did: a new plan brings every part anew, and of a long
 * house's hundreds nearly all stay where they are.
 */
export const looksTheSame = (before: Placed, now: Placed): boolean =>
  before.lit === now.lit &&
  before.faint === now.faint &&
  (before.onPick === undefined) === (now.onPick === undefined) &&
  before.frame.scale === now.frame.scale &&
  before.frame.x(0) === now.frame.x(0) &&
  before.frame.y(0) === now.frame.y(0) &&
  alike(before.item, now.item);
