import type { Verdict } from "../api/client";

/** Verdict levels by shape as well as colour: a standing arch, a leaning one, a fallen one. */
const SHAPES = {
  holds: <path d="M3 17V10a7 7 0 0 1 14 0v7" />,
  tight: <path d="M3 17V10a7 7 0 0 1 14 0v7M6.5 12h7" />,
  fails: <path d="M3 17V9.5L8 5l2.5 5L13 6l4 5v6M2 3l16 16" />,
  unknown: <path d="M3 17V10a7 7 0 0 1 14 0v7" strokeDasharray="3 3" />,
} as const;

export const LEVEL_WORDS = { holds: "Holds", tight: "Tight", fails: "Fails", unknown: "Not known" } as const;

export function LevelSign({ level, size = 22 }: { level: Verdict["level"]; size?: number }) {
  const colour = level === "unknown" ? "var(--soft)" : `var(--${level})`;
  return (
    <svg width={size} height={size} viewBox="0 0 20 20" aria-hidden="true" style={{ flex: "none" }}>
      <g fill="none" stroke={colour} strokeWidth={level === "holds" ? 2 : 2.4}>
        {SHAPES[level]}
        <path d="M0.5 17.5h19" />
      </g>
    </svg>
  );
}
