/** Fills that tell materials apart without colour: each hatch works in black and white. */
export function Hatches({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={`${id}-soil`} width="26" height="18" patternUnits="userSpaceOnUse">
        <rect width="26" height="18" fill="var(--soil)" />
        <path d="M3 5l4-1M15 12l5 1M20 3l3 1M8 14l2-1" stroke="var(--soil-mark)" strokeWidth="1.3" strokeLinecap="round" />
      </pattern>
      <pattern id={`${id}-post`} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="5" height="5" fill="var(--post)" />
        <path d="M0 0v5" stroke="var(--ink)" strokeWidth="0.9" opacity="0.55" />
      </pattern>
      <pattern id={`${id}-concrete`} width="14" height="12" patternUnits="userSpaceOnUse">
        <rect width="14" height="12" fill="var(--concrete)" />
        <path d="M3 4l2-2l1 3z M10 10l2-1" stroke="var(--ink)" strokeWidth="0.8" fill="none" opacity="0.55" />
      </pattern>
      <pattern id={`${id}-board`} width="9" height="7" patternUnits="userSpaceOnUse">
        <rect width="9" height="7" fill="var(--board)" />
        <path d="M0 2q4 1.5 9 0M0 5.5q5 -1.5 9 0" stroke="var(--ink)" strokeWidth="0.7" fill="none" opacity="0.45" />
      </pattern>
      <pattern id={`${id}-bent`} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(60)">
        <path d="M0 0v7" stroke="var(--ink)" strokeWidth="1" opacity="0.45" />
      </pattern>
      <pattern id={`${id}-joint`} width="5" height="5" patternUnits="userSpaceOnUse">
        <path d="M0 0l5 5M5 0L0 5" stroke="var(--ink)" strokeWidth="0.9" opacity="0.7" />
      </pattern>
    </defs>
  );
}

const HATCHED = ["soil", "post", "concrete", "board"];

export const hatch = (id: string, material: string): string =>
  HATCHED.includes(material) ? `url(#${id}-${material})` : `var(--${material})`;
