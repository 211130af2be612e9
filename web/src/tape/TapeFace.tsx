import type { Window } from "./layout";

interface Grade {
  step: number;
  tall: number;
}

const FOOT = 0.3048;
const INCH = FOOT / 12;

/** Divisions of a tape from coarse to fine, m, with how far each runs into the tape. */
const FEET: Grade[] = [
  { step: 10 * FOOT, tall: 16 },
  { step: FOOT, tall: 16 },
  { step: INCH, tall: 11 },
  { step: INCH / 2, tall: 8.5 },
  { step: INCH / 4, tall: 7 },
  { step: INCH / 8, tall: 5.5 },
  { step: INCH / 16, tall: 4 },
];
const METRIC: Grade[] = [
  { step: 10, tall: 16 },
  { step: 1, tall: 16 },
  { step: 0.1, tall: 11 },
  { step: 0.05, tall: 8.5 },
  { step: 0.01, tall: 7 },
  { step: 0.005, tall: 5.5 },
  { step: 0.001, tall: 4 },
];
const CLOSEST_PX = 4.5;
const NUMERAL_PX = 26;

interface Props {
  units: "feet" | "metric";
  window: Window;
  width: number;
  top: number;
  height: number;
  /** What the tape reads where it is held, m. */
  start: number;
  end: number;
}

/** The printed face of a measuring tape: its divisions thin out or appear as one zooms. */
export function TapeFace({ units, window, width, top, height, start, end }: Props) {
  const perMetre = width / window.span;
  const grades = units === "feet" ? FEET : METRIC;
  const x = (at: number) => (at - window.from) * perMetre;
  const first = Math.max(window.from, start);
  const last = Math.min(window.from + window.span, end);
  const marks: string[] = [];
  const places = (step: number): number[] => {
    const found: number[] = [];
    for (let count = Math.ceil(first / step - 1e-6); count * step <= last + 1e-9; count += 1) found.push(count);
    return found;
  };
  const lastNumeral = x(last) - 14;
  for (const grade of grades) {
    if (grade.step * perMetre < CLOSEST_PX) break;
    for (const count of places(grade.step)) marks.push(`M${x(count * grade.step).toFixed(1)} ${top}v${grade.tall}`);
  }
  return (
    <g>
      <rect x={x(first)} y={top} width={Math.max(x(last) - x(first), 0)} height={height} fill="var(--tape)" stroke="var(--ink)" strokeWidth="1" />
      <path d={marks.join("")} stroke="var(--ink)" strokeWidth="1" fill="none" />
      {(units === "feet" ? feetNumerals : metricNumerals)(perMetre, places, x, top, height).filter(({ props }) => props.x < lastNumeral)}
    </g>
  );
}

type Places = (step: number) => number[];

function numeral(key: string, x: number, y: number, text: string, size: number, heavy: boolean) {
  return (
    <text key={key} x={x + 3} y={y} fontSize={size} fontWeight={heavy ? 600 : 500} className="face">
      {text}
    </text>
  );
}

function feetNumerals(perMetre: number, places: Places, x: (at: number) => number, top: number, height: number) {
  const every = [1, 2, 5, 10, 20, 50].find((feet) => feet * FOOT * perMetre >= NUMERAL_PX) ?? 100;
  const base = top + height - 5;
  const feet = places(FOOT * every).map((count) => numeral(`f${count}`, x(count * every * FOOT), base, `${count * every}'`, 15, true));
  if (INCH * perMetre < 18) return feet;
  const inches = places(INCH)
    .filter((count) => count % 12 !== 0)
    .map((count) => numeral(`i${count}`, x(count * INCH), base, `${count % 12}`, 13, false));
  return [...feet, ...inches];
}

function metricNumerals(perMetre: number, places: Places, x: (at: number) => number, top: number, height: number) {
  const base = top + height - 5;
  const every = [1, 2, 5, 10].find((metres) => metres * perMetre >= NUMERAL_PX * 1.6) ?? 20;
  const metres = places(every).map((count) => numeral(`m${count}`, x(count * every), base, `${count * every} m`, 15, true));
  const finer = [0.01, 0.1, 0.5].find((step) => step * perMetre >= NUMERAL_PX * 1.4);
  if (!finer) return metres;
  const whole = Math.round(1 / finer);
  const digits = finer === 0.01 ? 2 : 1;
  const between = places(finer)
    .filter((count) => count % whole !== 0)
    .map((count) => numeral(`d${count}`, x(count * finer), base, `${((count % whole) * finer).toFixed(digits).slice(1)}`, 13, false));
  return [...metres, ...between];
}
