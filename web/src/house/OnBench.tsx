import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useEffect, useState } from "react";
import { api, type HouseOut, ProblemError } from "../api/client";
import { Lost } from "../bench/Lost";
import { anyAway, anyUnsaved, openSession } from "./open";
import { takeUnsaved, type Unsaved } from "./unsaved";
import { SessionContext } from "./useSight";
import { windowName } from "./window";

interface Props {
  id: string;
  step: string;
  children: (window: string) => ReactNode;
}

/** A house fetched and laid on the bench, whatever of it is shown; leaving with something unsaved asks first. */
export function OnBench({ id, step, children }: Props) {
  const opened = useQuery({
    queryKey: ["house", id],
    queryFn: async () => {
      const window = await windowName;
      return { window, step, house: await api.house(id, window, step), left: await takeUnsaved(id, window) };
    },
    staleTime: 0,
    gcTime: 0,
    retry: (count, error) => !(error instanceof ProblemError) && count < 2,
  });
  useEffect(() => {
    const onLeave = (event: BeforeUnloadEvent) => {
      if (anyUnsaved() || anyAway()) event.preventDefault();
    };
    globalThis.addEventListener("beforeunload", onLeave);
    return () => globalThis.removeEventListener("beforeunload", onLeave);
  }, []);
  if (opened.isError) return <Lost error={opened.error} house={id} onAgain={() => void opened.refetch()} />;
  if (!opened.data) return <p role="status" className="unseen">Fetching the house</p>;
  const { house, window, left } = opened.data;
  return (
    <OpenHouse key={id} first={house} window={window} step={opened.data.step} left={left}>
      {children(window)}
    </OpenHouse>
  );
}

function OpenHouse({ first, window, step, left, children }: { first: HouseOut; window: string; step: string; left: Unsaved; children: ReactNode }) {
  const [session] = useState(() => openSession(first, window, step, left));
  return <SessionContext.Provider value={session}>{children}</SessionContext.Provider>;
}
