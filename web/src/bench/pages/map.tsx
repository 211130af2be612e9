import { useEffect, useId, useMemo, useRef, useState } from "react";
import styled from "styled-components";
import { useBox } from "../../drawing/DrawingView";
import { SmallDrawing } from "../../drawing/SmallDrawing";
import { high, leastOf, MARGIN, nextTo, type Placed, placed } from "../../frames/place";
import { type MapSoFar, useMap } from "../../frames/useMap";
import { useSession, useSight } from "../../house/useSight";
import { LEVEL_WORDS, LevelSign } from "../../kit/LevelSign";
import { Plain } from "../../kit/Plain";
import { newGesture } from "../../kit/stride";
import { Words } from "../../kit/Words";
import { FIGURES } from "../../look/look";

const Place = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  height: 100%;
  gap: 0 14px;
  @media (max-width: 820px) { grid-template-columns: minmax(0, 1fr); grid-template-rows: 300px auto; height: auto; }
`;
const Field = styled.div`
  min-height: 0;
  min-width: 0;
  &:focus-visible { outline: 3px solid var(--ink); outline-offset: -3px; }
  svg { display: block; }
  text { font: 500 13.5px ${FIGURES}; fill: var(--ink); }
  .halo { paint-order: stroke; stroke: var(--paper); stroke-width: 4px; }
`;
const About = styled.div`
  min-height: 0;
  overflow: auto;
  h2 { font-size: 17px; }
  p { margin: 3px 0; font-size: 14.5px; }
  .sign { display: flex; gap: 8px; align-items: start; }
  progress { width: 100%; height: 8px; accent-color: var(--ink); }
`;

const REST_MS = 160;
// What was drawn stays a moment when the focus goes: nothing moves away under a press.
const AWAY_MS = 300;
// A frame's bow on the map: how wide, and how thick its tube is drawn of its true thickness, px for each m.
const BOW_PX = 9;
const TUBE_PX = 55;
const APART_PX = 3.2;

/** Every frame that could stand, cost against strength: pointed at, the house is drawn with it; pressed, it is the house. */
export default function FramesMap({ house, version }: { house: string; version: number }) {
  const [map, stop] = useMap(house, version);
  const [box, size] = useBox();
  const session = useSession();
  const sight = useSight();
  const name = useId();
  const [at, setAt] = useState<string | null>(null);
  const all = useMemo(() => placed(map.frames, map.tried, size), [map, size]);
  const now = all.find((each) => each.frame.key === at) ?? null;
  const pressed = useRef(false);

  // The house is drawn with what is pointed at, once the pointer rests.
  useEffect(() => {
    if (!now || pressed.current) return;
    const timer = setTimeout(() => {
      if (now.frame.edits.length) session.attempt(now.frame.edits, true);
      else session.drop();
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [now, session]);
  useEffect(() => () => session.drop(), [session]);

  const take = (each: Placed | null) => {
    if (!each || each.frame.edits.length === 0) return;
    pressed.current = true;
    void session.commit(each.frame.edits, newGesture()).finally(() => {
      pressed.current = false;
    });
  };
  const leave = () => {
    setAt(null);
    session.drop();
  };
  const first = all.find((each) => each.frame.key === map.cheapest) ?? all.find((each) => each.tried.own) ?? all[0] ?? null;
  const onKey = (event: React.KeyboardEvent) => {
    if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      return take(now);
    }
    if (event.key === "Escape") return leave();
    const to = event.key === "Home" ? first : now ? nextTo(now, all, event.key) : event.key.startsWith("Arrow") ? first : null;
    if (!to) return;
    event.preventDefault();
    setAt(to.frame.key);
  };
  const near = (event: React.PointerEvent): Placed | null => {
    const { left, top } = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - left, event.clientY - top];
    let [best, least] = [null as Placed | null, REACH_PX];
    for (const each of all) {
      const far = Math.hypot(each.x - x, each.y - y);
      if (far < least) [best, least] = [each, far];
    }
    return best;
  };
  const drawing = sight.plan.drawings.find((each) => each.view === "use") ?? sight.plan.drawings[0];
  return (
    <Place>
      <Field
        ref={box}
        role="listbox"
        tabIndex={0}
        aria-label="Map of frames: further right takes more steel, higher uses less of its strength"
        aria-activedescendant={now ? `${name}-${now.frame.key}` : undefined}
        onKeyDown={onKey}
        onBlur={() => setTimeout(leave, AWAY_MS)}
        onPointerMove={(event) => setAt(near(event)?.frame.key ?? null)}
        onPointerLeave={leave}
        onClick={() => take(now)}
        data-map={map.ended ? "ended" : "going"}
      >
        <svg width={size.width} height={size.height} role="presentation">
          <Ground size={size} map={map} all={all} />
          {all.map((each) => (
            <g key={each.frame.key} id={`${name}-${each.frame.key}`} role="option" tabIndex={-1} aria-selected={each === now} aria-label={told(each)}>
              <Bow each={each} edge={map.edge.includes(each.frame.key)} />
            </g>
          ))}
          {now && <Bow each={now} chosen edge={map.edge.includes(now.frame.key)} />}
        </svg>
      </Field>
      <About>
        <Said map={map} now={now} first={first} onStop={stop} shown={all.length} onTake={() => take(now ?? first)} />
        {drawing && <SmallDrawing drawing={drawing} width={236} height={170} />}
      </About>
    </Place>
  );
}

const REACH_PX = 22;

/** The fence that is all of a frame's strength, what the axes mean, and the edge of the cheapest that stand. */
function Ground({ size, map, all }: { size: { width: number; height: number }; map: MapSoFar; all: Placed[] }) {
  const fence = high(1, leastOf(map.tried), size);
  const edge = map.edge.flatMap((key) => all.filter((each) => each.frame.key === key)).sort((a, b) => a.x - b.x);
  const cheapest = all.find((each) => each.frame.key === map.cheapest);
  return (
    <g>
      <path d={`M${MARGIN.left - 18} ${fence}H${size.width - 8}`} stroke="var(--ink)" strokeDasharray="9 4" strokeWidth="1.4" />
      <text className="halo" x={10} y={fence - 6}>
        all of its strength
      </text>
      <text x={10} y={16}>
        ↑ uses less of its strength
      </text>
      <text x={size.width - 10} y={size.height - 8} textAnchor="end">
        takes more steel →
      </text>
      <path d={edge.map((each, place) => `${place ? "L" : "M"}${each.x} ${each.y}`).join("")} fill="none" stroke="var(--soft)" strokeWidth="1.6" />
      {cheapest && (
        <text className="halo" x={Math.min(cheapest.x, size.width - 150)} y={cheapest.y + 28}>
          cheapest that stands
        </text>
      )}
    </g>
  );
}

const TIES: Record<string, string> = { none: "", collar: "M-6 -3H6", truss: "M-6 -3H6M0 -3L-4 -7M0 -3L4 -7", knee: "M-8 -2L-5 -6M8 -2L5 -6" };

const told = ({ frame, tried }: Placed): string => {
  const uses = tried.uses ? `, ${tried.uses}` : "";
  return `${frame.tube_words}, ${frame.spacing} apart, ${frame.ties_words}: ${LEVEL_WORDS[tried.level].toLowerCase()}${uses}, ${tried.taken?.steel ?? ""} of steel`;
};

/** A frame as a small bow: as thick as its tube, as close to its neighbour as its bows are; what fails is crossed out. */
function Bow({ each, edge, chosen = false }: { each: Placed; edge: boolean; chosen?: boolean }) {
  const { frame, tried, x, y, stands } = each;
  const thick = Math.max(frame.od_m * TUBE_PX, 1.2);
  const apart = Math.min(frame.spacing_m * APART_PX, 9);
  const arch = `M${-BOW_PX} 6V0a${BOW_PX} ${BOW_PX} 0 0 1 ${2 * BOW_PX} 0V6`;
  return (
    <g transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`} opacity={stands || chosen ? 1 : 0.55}>
      {chosen && <circle r="17" cy="-1" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2.4" />}
      <g fill="none" stroke={edge || chosen || tried.own ? "var(--ink)" : "var(--soft)"}>
        <path d={arch} transform={`translate(${apart} ${-apart / 2})`} strokeWidth={Math.max(thick * 0.6, 0.9)} opacity="0.5" />
        <path d={arch} strokeWidth={thick} />
        {TIES[frame.ties] && <path d={TIES[frame.ties]} strokeWidth="1.3" />}
        {!stands && <path d="M-10 8L10 -11" stroke="var(--ink)" strokeWidth="1.6" />}
        {tried.own && <path d="M-12 9H12" stroke="var(--ink)" strokeWidth="3" />}
      </g>
    </g>
  );
}

interface SaidProps {
  map: MapSoFar;
  now: Placed | null;
  first: Placed | null;
  shown: number;
  onStop: () => void;
  onTake: () => void;
}

function Said({ map, now, first, shown, onStop, onTake }: SaidProps) {
  const each = now ?? (map.ended || map.stopped ? first : null);
  const fail = map.done - shown;
  return (
    <div aria-live="polite">
      {map.failed && <p>The map broke off. It is drawn as far as it came.</p>}
      {!map.ended && !map.failed && (
        <p>
          <progress max={map.of || 1} value={map.done} aria-label="Frames tried" />
          <Words>{`${map.done} of ${map.of} frames`}</Words>
          {map.stopped ? ", stopped. " : " "}
          {!map.stopped && <Plain onPress={onStop}>Stop</Plain>}
        </p>
      )}
      {each ? (
        <>
          <h2>{now ? each.frame.tube_words : map.cheapest ? `Cheapest that stands: ${each.frame.tube_words}` : each.frame.tube_words}</h2>
          <p>
            <Words>{`${each.frame.spacing} apart, ${each.frame.ties_words}; ${each.tried.taken?.steel ?? ""} of steel`}</Words>
          </p>
          <p className="sign">
            <LevelSign level={each.tried.level} />
            <span>
              <b>{LEVEL_WORDS[each.tried.level]}</b> <Words>{each.tried.uses ? `at ${each.tried.uses}` : ""}</Words>
              {each.tried.feet !== "holds" && <>; feet: {LEVEL_WORDS[each.tried.feet].toLowerCase()}</>}
              {each.tried.own && " · the house as it is"}
            </span>
          </p>
          {!each.tried.own && <Plain onPress={onTake}>Make it the house</Plain>}
        </>
      ) : (
        map.ended && <p>No frame on this map stands.</p>
      )}
      {map.ended && fail > 0 && (
        <p>
          <Words>{`${fail} more are wider than one that fails, buckle, or can’t be built.`}</Words>
        </p>
      )}
    </div>
  );
}
