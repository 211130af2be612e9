/** Whether two values that came as JSON say the same. */
export function alike(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  const [mine, theirs] = [Object.entries(a), b as Record<string, unknown>];
  return mine.length === Object.keys(theirs).length && mine.every(([name, value]) => alike(value, theirs[name]));
}
