import {
  Box3,
  BufferAttribute,
  BufferGeometry,
  DirectionalLight,
  DoubleSide,
  HemisphereLight,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  Spherical,
  Vector3,
  WebGLRenderer,
} from "three";
import { OrbitControls } from "three/examples/jsm/controls/OrbitControls.js";
import type { Body } from "../api/client";
import { CLEAR, MANY, seen, shapeOf } from "./shape";

const NEAR_PX = 14;
/** Ground that is drawn round the house, m, and how far off it is first seen, of its own size. */
const APRON_M = 2;
const FIRST_AWAY = 2.3;
const REST_MS = 160;
const SOIL = 0xe3d6bd;
const LIT = 0xd9480f;

/** The house as it is drawn in the round. Whatever moves it draws it once more; at rest nothing is drawn. */
export interface Turning {
  /** Draw as many stages as there are, the chosen body lit. */
  show(stages: number, chosen: string | null, lights: ReadonlySet<string>): void;
  turn(right: number, up: number): void;
  nearer(times: number): void;
  resize(width: number, height: number): void;
  /** The body under a place on the canvas, of those that are shown. */
  at(x: number, y: number): Body | null;
  end(): void;
}

/** Raises where there is no WebGL. */
export function begin(canvas: HTMLCanvasElement, bodies: readonly Body[]): Turning {
  const context = canvas.getContext("webgl2", { antialias: bodies.length < MANY, alpha: true });
  if (!context) throw new Error("nothing can be turned here");
  const renderer = new WebGLRenderer({ canvas, context, alpha: true });
  const many = bodies.length >= MANY;
  const fine = Math.min(globalThis.devicePixelRatio, 2);
  renderer.setPixelRatio(fine);
  const scene = new Scene();
  const camera = new PerspectiveCamera(38, 1, 0.1, 2000);
  const shape = shapeOf(bodies);
  const surface = surfaceOf(shape, shape.indices);
  scene.add(new Mesh(surface, new MeshLambertMaterial({ vertexColors: true, side: DoubleSide })));
  const skins = new Mesh(new BufferGeometry(), new MeshLambertMaterial({ vertexColors: true, side: DoubleSide, transparent: true, opacity: 0.4, depthWrite: false }));
  scene.add(skins);
  const glow = new Mesh(new BufferGeometry(), new MeshBasicMaterial({ color: LIT, side: DoubleSide, polygonOffset: true, polygonOffsetFactor: -2, polygonOffsetUnits: -2 }));
  scene.add(glow);
  const veil = new Mesh(new BufferGeometry(), new MeshBasicMaterial({ color: LIT, side: DoubleSide, transparent: true, opacity: 0.35, depthWrite: false }));
  scene.add(veil);
  scene.add(new HemisphereLight(0xffffff, 0xb9ab8d, 2.2));
  const sun = new DirectionalLight(0xffffff, 1.6);
  sun.position.set(-3, 6, 4);
  scene.add(sun);
  // Pegs stand far out, and turn round with the house without making it small.
  const house = new Box3().setFromPoints(bodies.filter((body) => body.of !== "peg").flatMap((body) => [...body.path, ...body.edge].map((at) => new Vector3(...seen(at)))));
  const middle = house.getCenter(new Vector3());
  const far = Math.max(house.getSize(new Vector3()).length() / 2, 1);
  surface.computeBoundingBox();
  const wide = surface.boundingBox?.getSize(new Vector3()) ?? new Vector3(1, 1, 1);
  const ground = new Mesh(new PlaneGeometry(wide.x + 2 * APRON_M, wide.z + 2 * APRON_M), new MeshBasicMaterial({ color: SOIL, transparent: true, opacity: 0.8, side: DoubleSide }));
  ground.rotation.x = -Math.PI / 2;
  ground.position.set(middle.x, 0, middle.z);
  scene.add(ground);
  camera.position.copy(middle).add(new Vector3().setFromSpherical(new Spherical(far * FIRST_AWAY, 1.2, -2.2)));
  const controls = new OrbitControls(camera, canvas);
  controls.target.copy(middle);
  controls.maxPolarAngle = Math.PI / 2 - 0.02;
  controls.maxDistance = far * 8;
  controls.enablePan = false;
  controls.update();
  let shown = bodies.length;
  let resting = 0;
  const draw = () => {
    // Much is drawn plainly while it moves, and sharp once it rests.
    if (many) {
      clearTimeout(resting);
      if (renderer.getPixelRatio() !== fine) renderer.setPixelRatio(fine);
      resting = globalThis.setTimeout(() => {
        renderer.setPixelRatio(2 * fine);
        renderer.render(scene, camera);
      }, REST_MS);
    }
    renderer.render(scene, camera);
  };
  controls.addEventListener("change", draw);
  const moved = (change: (place: Spherical) => void) => {
    const place = new Spherical().setFromVector3(camera.position.clone().sub(controls.target));
    change(place);
    place.phi = Math.min(Math.max(place.phi, 0.05), controls.maxPolarAngle);
    camera.position.copy(controls.target).add(new Vector3().setFromSpherical(place));
    // What it changes draws the house anew.
    controls.update();
  };
  return {
    show(stages, chosen, lights) {
      shown = bodies.findIndex((body) => body.stage >= stages);
      if (shown < 0) shown = bodies.length;
      const standing = bodies.slice(0, shown);
      const which = (wanted: (body: Body) => boolean) => standing.flatMap((body, place) => (wanted(body) ? [place] : []));
      surface.setIndex(new BufferAttribute(indicesOf(shape, which((body) => !CLEAR.has(body.of))), 1));
      reshape(skins, shape, which((body) => CLEAR.has(body.of)));
      const lit = (body: Body) => body.part === chosen || lights.has(body.part);
      reshape(glow, shape, which((body) => lit(body) && !CLEAR.has(body.of)));
      reshape(veil, shape, which((body) => lit(body) && CLEAR.has(body.of)));
      draw();
    },
    turn: (right, up) =>
      moved((place) => {
        place.theta += right;
        place.phi -= up;
      }),
    nearer: (times) =>
      moved((place) => {
        place.radius = Math.min(Math.max(place.radius / times, far / 4), far * 8);
      }),
    resize(width, height) {
      renderer.setSize(width, height, false);
      camera.aspect = width / Math.max(height, 1);
      camera.updateProjectionMatrix();
      draw();
    },
    at(x, y) {
      const box = canvas.getBoundingClientRect();
      const flat = (path: number[]) => {
        const at = new Vector3(...seen(path)).project(camera);
        return { x: ((at.x + 1) / 2) * box.width, y: ((1 - at.y) / 2) * box.height, deep: at.z };
      };
      let best: Body | null = null;
      let least = NEAR_PX;
      for (const body of bodies.slice(0, shown)) {
        if (body.edge.length) continue;
        const points = body.path.map(flat);
        for (let place = 1; place < points.length; place += 1) {
          const [a, b] = [points[place - 1], points[place]];
          if (!a || !b || a.deep > 1 || b.deep > 1) continue;
          const away = fromPiece(x, y, a, b);
          if (away < least) {
            least = away;
            best = body;
          }
        }
      }
      return best ?? bodies.slice(0, shown).findLast((body) => body.edge.length > 0 && within(x, y, [...body.path, ...body.edge.toReversed()].map(flat))) ?? null;
    },
    end() {
      clearTimeout(resting);
      controls.dispose();
      surface.dispose();
      glow.geometry.dispose();
      veil.geometry.dispose();
      skins.geometry.dispose();
      renderer.dispose();
    },
  };
}

function indicesOf(shape: ReturnType<typeof shapeOf>, places: number[]): Uint32Array {
  return Uint32Array.from(places.flatMap((place) => [...shape.indices.slice(shape.starts[place], shape.starts[place + 1])]));
}

function reshape(mesh: Mesh, shape: ReturnType<typeof shapeOf>, places: number[]) {
  mesh.geometry.dispose();
  mesh.geometry = places.length ? surfaceOf(shape, indicesOf(shape, places)) : new BufferGeometry();
}

/** Whether a place is inside an outline, by how often a line from it crosses that. */
function within(x: number, y: number, outline: Flat[]): boolean {
  let inside = false;
  outline.forEach((a, place) => {
    const b = outline[(place + 1) % outline.length] ?? a;
    if (a.y > y !== b.y > y && x < a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)) inside = !inside;
  });
  return inside;
}

function surfaceOf(shape: ReturnType<typeof shapeOf>, indices: Uint32Array): BufferGeometry {
  const surface = new BufferGeometry();
  surface.setAttribute("position", new BufferAttribute(shape.places, 3));
  surface.setAttribute("normal", new BufferAttribute(shape.normals, 3));
  surface.setAttribute("color", new BufferAttribute(shape.colours, 3));
  surface.setIndex(new BufferAttribute(indices, 1));
  return surface;
}

interface Flat {
  x: number;
  y: number;
}

function fromPiece(x: number, y: number, a: Flat, b: Flat): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const share = Math.min(Math.max(((x - a.x) * dx + (y - a.y) * dy) / (dx * dx + dy * dy || 1), 0), 1);
  return Math.hypot(x - a.x - share * dx, y - a.y - share * dy);
}
