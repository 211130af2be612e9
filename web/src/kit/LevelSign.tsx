import type { Verdict } from "../api/client";

/** Verdict levels by shape as well as colour: a standing arch, a leaning one, a fallen one. */
const SHAPES = {
  holds: <path d="M3 17V10a7 7 0 0 1 14 0v7" />,
  tight: <path d="M3 17V10a7 7 0 0 1 14 0v7M6.5 12h7" />,
  fails: <path d="M3 17V9.5L8 5l2.5 5L13 6l4 5v6M2 3l16 16" />,
  unknown: <path d="M3 17V10a7 7 0 0 1 14 0v7" strokeDasharray="3 3" />,
} as const;

export const LEVEL_WORDS = { holds: "Holds", tight: "Tight", fails: "Fails", unknown: "Not known" } as const;

/** What a judgement is about, in words that stand beside its level. */
export const RANK_WORDS = { stands: "", fits: "", comfort: ", comfort" } as const;

/** A level with its rank, where it is not of whether the house stands or its parts fit; and what else is not known. */
export function LevelWords({ verdict, unknowns = 0 }: { verdict: Verdict; unknowns?: number }) {
  const others = unknowns - (verdict.level === "unknown" ? 1 : 0);
  return (
    <b>
      {LEVEL_WORDS[verdict.level]}
      {RANK_WORDS[verdict.rank ?? "fits"]}
      {others > 0 && ` (${others}${verdict.level === "unknown" ? " more" : ""} not known)`}.
    </b>
  );
}

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
