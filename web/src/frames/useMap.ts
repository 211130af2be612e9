import { useCallback, useEffect, useState } from "react";
import { api, type FrameOnMap, type TriedFrame } from "../api/client";

export interface MapSoFar {
  frames: FrameOnMap[];
  tried: Map<string, TriedFrame>;
  done: number;
  of: number;
  cheapest: string | null;
  edge: string[];
  ended: boolean;
  stopped: boolean;
  failed: boolean;
}

const EMPTY: MapSoFar = { frames: [], tried: new Map(), done: 0, of: 0, cheapest: null, edge: [], ended: false, stopped: false, failed: false };
// How often what came is shown: each line by itself would draw the whole map hundreds of times.
const SHOWN_MS = 120;

/** The map of frames of a house at a version as it comes; it can be stopped. */
export function useMap(house: string, version: number): [MapSoFar, () => void] {
  const [map, setMap] = useState(EMPTY);
  const [stop, setStop] = useState<AbortController | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another version is another map
  useEffect(() => {
    const listening = new AbortController();
    setStop(listening);
    setMap(EMPTY);
    void listen(house, listening.signal, setMap);
    return () => listening.abort();
  }, [house, version]);
  const end = useCallback(() => {
    stop?.abort();
    setMap((so) => ({ ...so, stopped: true }));
  }, [stop]);
  return [map, end];
}

async function listen(house: string, stop: AbortSignal, show: (map: MapSoFar) => void): Promise<void> {
  let [map, shown] = [EMPTY, 0];
  try {
    for await (const line of api.frames(house, stop)) {
      if (stop.aborted) return;
      if (line.frames) map = { ...map, frames: line.frames, of: line.frames.length };
      if (line.come) {
        const { tried, done, of, cheapest, edge, ended } = line.come;
        for (const each of tried) map.tried.set(each.key, each);
        map = { ...map, done, of, cheapest: cheapest ?? null, edge: edge ?? [], ended: ended ?? false };
      }
      if (map.ended || performance.now() - shown > SHOWN_MS) {
        shown = performance.now();
        show({ ...map, tried: new Map(map.tried) });
      }
    }
  } catch {
    if (!stop.aborted) show({ ...map, failed: true });
  }
}
