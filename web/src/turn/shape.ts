import type { Body } from "../api/client";

/** Corners of everything that stands, ready to be drawn: three numbers a corner, and which indices each body has. */
export interface Shape {
  places: Float32Array;
  normals: Float32Array;
  colours: Float32Array;
  indices: Uint32Array;
  /** Where each body's indices begin; one more at the end. */
  starts: Uint32Array;
}

type V = readonly [number, number, number];

const add = (a: V, b: V, times = 1): V => [a[0] + b[0] * times, a[1] + b[1] * times, a[2] + b[2] * times];
const less = (a: V, b: V, times = 1): V => add(a, b, -times);
const dot = (a: V, b: V): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: V, b: V): V => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const unit = (a: V): V => {
  const long = Math.hypot(...a) || 1;
  return [a[0] / long, a[1] / long, a[2] / long];
};

/** Along, up, across: as it is drawn. The house has across second and up third. */
export const seen = ([along, across, up]: number[]): V => [along ?? 0, up ?? 0, across ?? 0];

const STEEL: V = [0.2, 0.26, 0.32];
const COLOURS: Record<string, V> = {
  steel: STEEL,
  plastic: [0.55, 0.63, 0.66],
  board: [0.74, 0.56, 0.33],
  peg: [0.85, 0.28, 0.06],
  film: [0.86, 0.93, 0.96],
  sheet: [0.8, 0.86, 0.88],
};
/** What can be seen through: it is drawn last, and hides nothing that bears it. */
export const CLEAR: ReadonlySet<string> = new Set(["film", "sheet"]);
/** From so many bodies on they are drawn coarser, so that they turn with the hand where the processor draws alone. */
export const MANY = 400;
const [FINE, COARSE] = [6, 3];

/** Two directions square to a line: along the wide side as far as it can be, and across it. */
function square(line: V, wide: V): [V, V] {
  let first = less(wide, line, dot(wide, line));
  if (Math.hypot(...first) < 1e-3) first = less([1, 0, 0], line, line[0]);
  if (Math.hypot(...first) < 1e-3) first = less([0, 1, 0], line, line[1]);
  const one = unit(first);
  return [one, cross(line, one)];
}

/** All bodies as one surface: tubes of six sides or three, boards of four, film and sheets from edge to edge. */
export function shapeOf(bodies: readonly Body[]): Shape {
  const places: number[] = [];
  const normals: number[] = [];
  const colours: number[] = [];
  const indices: number[] = [];
  const starts: number[] = [];
  const corner = (at: V, normal: V, colour: V): number => {
    places.push(...at);
    normals.push(...normal);
    colours.push(...colour);
    return places.length / 3 - 1;
  };
  const quad = (corners: [V, V, V, V], normal: V, colour: V) => {
    const [a, b, c, d] = corners.map((at) => corner(at, normal, colour)) as [number, number, number, number];
    indices.push(a, b, c, a, c, d);
  };
  const sides = bodies.length < MANY ? FINE : COARSE;
  for (const body of bodies) {
    starts.push(indices.length);
    const colour = COLOURS[body.of] ?? STEEL;
    const path = body.path.map(seen);
    const [thick = 0.02, broad] = body.section;
    if (body.edge.length) skin(path, body.edge.map(seen), colour);
    else if (broad === undefined) tube(path, thick / 2, colour);
    else board(path, thick / 2, broad / 2, seen(body.wide), colour);
  }
  starts.push(indices.length);

  function tube(path: V[], radius: number, colour: V) {
    let before: number[] = [];
    path.forEach((at, place) => {
      const line = unit(less(path[Math.min(place + 1, path.length - 1)] ?? at, path[Math.max(place - 1, 0)] ?? at));
      const [one, other] = square(line, [1, 0, 0]);
      const ring = Array.from({ length: sides }, (_, side) => {
        const angle = (side * 2 * Math.PI) / sides;
        const out = add(add([0, 0, 0], one, Math.cos(angle)), other, Math.sin(angle));
        return corner(add(at, out, radius), out, colour);
      });
      if (before.length) {
        for (let side = 0; side < sides; side += 1) {
          const after = (side + 1) % sides;
          const [a, b, c, d] = [before[side] ?? 0, before[after] ?? 0, ring[after] ?? 0, ring[side] ?? 0];
          indices.push(a, b, c, a, c, d);
        }
      }
      before = ring;
    });
  }

  function skin(path: V[], edge: V[], colour: V) {
    for (let place = 1; place < path.length; place += 1) {
      const [a, b, c, d] = [path[place - 1], path[place], edge[place], edge[place - 1]];
      if (a && b && c && d) quad([a, b, c, d], unit(cross(less(b, a), less(d, a))), colour);
    }
  }

  function board(path: V[], thick: number, broad: number, wide: V, colour: V) {
    const from = path[0] ?? [0, 0, 0];
    const to = path[path.length - 1] ?? from;
    const line = unit(less(to, from));
    const [one, other] = square(line, wide);
    const at = (end: V, w: number, t: number): V => add(add(end, one, w * broad), other, t * thick);
    const faces: [V, number, number, number, number][] = [
      [one, 1, -1, 1, 1],
      [less([0, 0, 0], one), -1, 1, -1, -1],
      [other, 1, 1, -1, 1],
      [less([0, 0, 0], other), -1, -1, 1, -1],
    ];
    for (const [normal, w0, t0, w1, t1] of faces) {
      quad([at(from, w0, t0), at(from, w1, t1), at(to, w1, t1), at(to, w0, t0)], normal, colour);
    }
    for (const [end, out] of [[from, -1], [to, 1]] as const) {
      quad([at(end, -1, -1), at(end, 1, -1), at(end, 1, 1), at(end, -1, 1)], add([0, 0, 0], line, out), colour);
    }
  }

  return {
    places: new Float32Array(places),
    normals: new Float32Array(normals),
    colours: new Float32Array(colours),
    indices: new Uint32Array(indices),
    starts: new Uint32Array(starts),
  };
}
