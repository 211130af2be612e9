import type { Body } from "../api/client";
import { seen } from "./shape";

const INKS: Record<string, string> = { steel: "var(--ink)", plastic: "var(--soft)", board: "var(--board, #8a6534)", peg: "var(--accent, #d9480f)", film: "var(--soft)", sheet: "var(--soft)" };
const RIGHT = 0.86;
const UP = 0.5;

/** The house at a slant, drawn once: where nothing can be turned. */
export function Still({ bodies, stages, chosen, lights, width, height }: { bodies: readonly Body[]; stages: number; chosen: string | null; lights: ReadonlySet<string>; width: number; height: number }) {
  const lines = bodies
    .filter((body) => body.stage < stages)
    .map((body) => ({
      body,
      points: [...body.path, ...body.edge.toReversed()].map(seen).map(([along, up, across]) => [along * RIGHT * 0.6 + across * RIGHT, -up - along * UP * 0.6 + across * UP] as const),
    }));
  const all = bodies.flatMap((body) => body.path.map(seen)).map(([along, up, across]) => [along * RIGHT * 0.6 + across * RIGHT, -up - along * UP * 0.6 + across * UP] as const);
  const xs = all.map(([x]) => x);
  const ys = all.map(([, y]) => y);
  const [x0, y0] = [Math.min(...xs), Math.min(...ys)];
  const scale = Math.min((width - 20) / (Math.max(...xs) - x0 || 1), (height - 20) / (Math.max(...ys) - y0 || 1));
  return (
    <svg width={width} height={height} role="img" aria-label="The house at a slant: this browser can’t turn it.">
      {lines.map(({ body, points }) => (
        <polyline
          key={body.part}
          points={points.map(([x, y]) => `${(10 + (x - x0) * scale).toFixed(1)},${(10 + (y - y0) * scale).toFixed(1)}`).join(" ")}
          fill="none"
          stroke={body.part === chosen || lights.has(body.part) ? "var(--accent, #d9480f)" : INKS[body.of]}
          strokeWidth={body.part === chosen || lights.has(body.part) ? 5 : Math.max(1.2, (body.section[0] ?? 0.02) * scale)}
        />
      ))}
    </svg>
  );
}
