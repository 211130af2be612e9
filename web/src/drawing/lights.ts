/** Names under which drawings show some members: their own, and those that stand for several, as `bow:3` for `bow:3:A`. */
export function lightsOf(parts: readonly string[]): ReadonlySet<string> {
  const names = new Set<string>();
  for (const part of parts) {
    const words = part.split(":");
    for (let many = words.length; many > 0; many -= 1) names.add(words.slice(0, many).join(":"));
    // Across the house a side's are one: `post:L` for `post:L4`.
    names.add(part.replace(/(?<=:[LR])\d+$/, ""));
  }
  return names;
}

export const DARK: ReadonlySet<string> = new Set();
