import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import { api, type Body } from "../api/client";
import { useBox } from "../drawing/DrawingView";
import { Plain } from "../kit/Plain";
import { Still } from "./Still";
import { begin, type Turning } from "./scene";

const Place = styled.div`
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  height: 100%;
`;
const View = styled.div`
  position: relative;
  min-height: 0;
  overflow: hidden;
  canvas { position: absolute; inset: 0; width: 100%; height: 100%; touch-action: none; cursor: grab; }
  &:focus-visible { outline: 3px solid var(--ink); outline-offset: -3px; }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
  padding: 4px 0;
  label { display: flex; align-items: center; gap: 8px; flex: 1 1 260px; }
  input[type="range"] { flex: 1; min-width: 90px; accent-color: var(--ink); min-height: 28px; }
  select { min-height: 32px; max-width: 240px; font: inherit; background: var(--sheet); border: 1px solid var(--rule); border-bottom: 2px solid var(--ink); }
  output { min-width: 5.5em; font-weight: 600; }
`;
const TURN_RAD = 0.2;
const NEARER = 1.25;
const BEAT_MS = 450;
// A press that slips less than this is no turn.
const SLIP_PX = 4;

interface Props {
  house: string;
  version: number;
  chosen: string | null;
  lights: ReadonlySet<string>;
  onChoose: (part: string) => void;
}

/** The house in the round, as far as it is built: turned by hand or by keys, each piece chosen in it or by its name. */
export default function House({ house, version, chosen, lights, onChoose }: Props) {
  const asked = useQuery({ queryKey: ["bodies", house, version], queryFn: () => api.bodies(house, version), placeholderData: (before) => before });
  if (!asked.data) return <p role="status">{asked.isError ? "The house can’t be fetched." : "Fetching the house"}</p>;
  return <Shown stages={asked.data.stages} bodies={asked.data.bodies} chosen={chosen} lights={lights} onChoose={onChoose} />;
}

function Shown({ stages, bodies, chosen, lights, onChoose }: Omit<Props, "house" | "version"> & { stages: string[]; bodies: Body[] }) {
  const [box, size] = useBox();
  const canvas = useRef<HTMLCanvasElement>(null);
  const turning = useRef<Turning | null>(null);
  const [still, setStill] = useState(false);
  const [wanted, setStage] = useState(Number.POSITIVE_INFINITY);
  const [playing, setPlaying] = useState(false);
  const stage = Math.min(wanted, stages.length);

  const latest = useRef({ stage, chosen, lights, size });
  latest.current = { stage, chosen, lights, size };
  useEffect(() => {
    if (!canvas.current) return;
    try {
      const begun = begin(canvas.current, bodies);
      turning.current = begun;
      begun.resize(latest.current.size.width, latest.current.size.height);
      begun.show(latest.current.stage, latest.current.chosen, latest.current.lights);
      return () => {
        turning.current = null;
        begun.end();
      };
    } catch {
      setStill(true);
      return undefined;
    }
  }, [bodies]);
  useEffect(() => turning.current?.resize(size.width, size.height), [size]);
  useEffect(() => turning.current?.show(stage, chosen, lights), [stage, chosen, lights]);
  useEffect(() => {
    if (!playing) return;
    const beat = setInterval(() => setStage((now) => Math.min(Math.min(now, stages.length) + 1, stages.length)), BEAT_MS);
    return () => clearInterval(beat);
  }, [playing, stages.length]);
  useEffect(() => {
    if (stage >= stages.length) setPlaying(false);
  }, [stage, stages.length]);

  const pressed = useRef({ x: 0, y: 0 });
  const standing = bodies.filter((body) => body.stage < stage);
  const picked = standing.find((body) => body.part === chosen);
  return (
    <Place>
      <View
        ref={box}
        role="application"
        tabIndex={still ? undefined : 0}
        aria-label={still ? "The house at a slant" : "The house in the round. Arrows turn it, plus and minus bring it nearer or further."}
        onKeyDown={(event) => {
          const ways: Record<string, () => void> = {
            ArrowLeft: () => turning.current?.turn(-TURN_RAD, 0),
            ArrowRight: () => turning.current?.turn(TURN_RAD, 0),
            ArrowUp: () => turning.current?.turn(0, TURN_RAD / 2),
            ArrowDown: () => turning.current?.turn(0, -TURN_RAD / 2),
            "+": () => turning.current?.nearer(NEARER),
            "-": () => turning.current?.nearer(1 / NEARER),
          };
          const way = ways[event.key];
          if (!way || event.ctrlKey || event.metaKey || event.altKey) return;
          event.preventDefault();
          event.stopPropagation();
          way();
        }}
      >
        {still ? (
          <Still bodies={bodies} stages={stage} chosen={chosen} lights={lights} width={size.width} height={size.height} />
        ) : (
          <canvas
            ref={canvas}
            onPointerDown={(event) => {
              pressed.current = { x: event.clientX, y: event.clientY };
            }}
            onPointerUp={(event) => {
              const moved = Math.hypot(event.clientX - pressed.current.x, event.clientY - pressed.current.y);
              if (moved > SLIP_PX) return;
              const at = event.currentTarget.getBoundingClientRect();
              const body = turning.current?.at(event.clientX - at.left, event.clientY - at.top);
              if (body) onChoose(body.part);
            }}
          />
        )}
      </View>
      <Row>
        <label>
          Built
          <input
            type="range"
            min={0}
            max={stages.length}
            value={stage}
            aria-valuetext={stages[stage - 1] ?? "nothing yet"}
            onChange={(event) => {
              setPlaying(false);
              setStage(Number(event.currentTarget.value));
            }}
          />
          <output>{stages[stage - 1] ?? "nothing yet"}</output>
        </label>
        <Plain
          onPress={() => {
            if (stage >= stages.length) setStage(0);
            setPlaying(!playing);
          }}
        >
          {playing ? "Stop" : "Build it"}
        </Plain>
        <select aria-label="Piece" value={picked?.part ?? ""} onChange={(event) => onChoose(event.currentTarget.value)}>
          <option value="">no piece chosen</option>
          {standing.map((body) => (
            <option key={body.part} value={body.part}>
              {named(body)}
            </option>
          ))}
        </select>
      </Row>
    </Place>
  );
}

/** What a piece is called: what it is, and its own name. */
const named = (body: Body): string => `${body.what}, ${body.part.split(":").slice(1).join(" ") || body.part}`;
