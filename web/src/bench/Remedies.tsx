import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import styled from "styled-components";
import { api, type Remedy, type Verdict } from "../api/client";
import { usePreview } from "../house/usePreview";
import { useSight } from "../house/useSight";
import { LEVEL_WORDS } from "../kit/LevelSign";
import { Plain, Press } from "../kit/Plain";
import { Words } from "../kit/Words";

const Offers = styled.ul`
  margin: 5px 0 0 34px;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 5px;
  button { width: 100%; }
  small { display: block; font-size: 13.5px; font-weight: 400; color: var(--soft); }
`;

const REST_MS = 250;

export interface WaysOut {
  remedies: Remedy[];
  /** Asks again, where they couldn't be worked out. */
  again: (() => void) | null;
}

/** The remedies for the house as saved; nothing is asked while all holds. */
export function useRemedies(): WaysOut {
  const { house, saved } = useSight();
  const [settled, setSettled] = useState(house.version);
  // Asked only once a burst of changes is over: each one would be planned many times for nothing.
  useEffect(() => {
    if (saved !== "saved") return;
    const timer = setTimeout(() => setSettled(house.version), REST_MS);
    return () => clearTimeout(timer);
  }, [house.version, saved]);
  const ailing = house.plan.verdicts.some((verdict) => verdict.level !== "holds");
  const remedies = useQuery({
    queryKey: ["remedies", house.id, house.version],
    queryFn: () => api.remedies(house.id),
    enabled: ailing && settled === house.version,
  });
  const again = ailing && remedies.isError ? () => void remedies.refetch() : null;
  return { remedies: ailing ? (remedies.data?.remedies ?? []) : [], again };
}

/** Said where ways out couldn't be worked out: none of them is not the same as none being there. */
export function NoWaysOut({ again }: { again: (() => void) | null }) {
  if (!again) return null;
  return (
    <p role="status">
      Ways out couldn’t be worked out. <Plain onPress={again}>Try again</Plain>
    </p>
  );
}

/** Tried ways out of a verdict: pointed at, they are drawn; pressed, they are taken. */
export function RemedyList({ verdict, remedies }: { verdict: Verdict; remedies: Remedy[] }) {
  const previewed = usePreview();
  const offers = remedies.filter((remedy) => remedy.verdict === verdict.id);
  if (offers.length === 0) return null;
  return (
    <Offers aria-label={`Ways out: ${verdict.title}`}>
      {offers.map((remedy) => (
        <li key={remedy.words} data-remedy={remedy.verdict}>
          <Press {...previewed(remedy.edits)}>
            <Words>{remedy.words}</Words>
            <small>
              {LEVEL_WORDS[remedy.level].toLowerCase()}
              {remedy.number ? (
                <>
                  {" "}
                  at <Words>{remedy.number}</Words>
                </>
              ) : null}
              {" · "}
              <Words>{remedy.cost}</Words>
            </small>
          </Press>
        </li>
      ))}
    </Offers>
  );
}
