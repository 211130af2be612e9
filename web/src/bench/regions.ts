/** The parts of the bench, each with what holds it and what is reached in it first. */
const REGIONS: [string, string][] = [
  ['nav[aria-label="Steps"]', '[aria-current="step"]'],
  ["aside", 'input[data-measure], [role="radio"][tabindex="0"], button'],
  ["main", "[data-handle], [role='radio'][tabindex='0']"],
  ["main", "[data-strip]"],
];

const firstSeen = (inside: Element, what: string): HTMLElement | undefined =>
  [...inside.querySelectorAll<HTMLElement>(what)].find((each) => each.getClientRects().length > 0);

/** Where the hand is: the last part that holds what has the focus. */
function whereNow(): number {
  const at = document.activeElement;
  if (!at) return -1;
  if (at.closest("[data-strip]")) return 3;
  return REGIONS.findIndex(([holds]) => at.closest(holds));
}

/** Go on to the next part of the bench, or back to the one before: any of the four is two presses away at the most. */
export function goRound(way: 1 | -1): void {
  const from = whereNow();
  for (let count = 1; count <= REGIONS.length; count += 1) {
    const place = (((from < 0 && way < 0 ? 0 : from) + way * count) % REGIONS.length + REGIONS.length) % REGIONS.length;
    const [holds, first] = REGIONS[place] ?? ["", ""];
    const inside = document.querySelector(holds);
    const found = inside && firstSeen(inside, first);
    if (found) {
      found.focus();
      return;
    }
  }
}
