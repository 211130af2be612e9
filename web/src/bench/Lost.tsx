import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { AwayError, api, ProblemError } from "../api/client";
import { newKey } from "../house/errand";
import { Plain } from "../kit/Plain";
import { Words } from "../kit/Words";

const Place = styled.main`
  max-width: 38em;
  margin: 14vh auto 0;
  padding: 0 20px;
  display: grid;
  gap: 14px;
  ol { margin: 0; padding: 0; list-style: none; }
  li { display: flex; flex-wrap: wrap; gap: 2px 14px; align-items: baseline; padding: 4px 0; border-bottom: 1px solid var(--rule); }
  li > span { flex: 1; }
`;
const AGAIN_MS = 3000;

interface Props {
  error?: Error;
  house?: string;
  onAgain?: () => void;
}

/** Nothing can be shown where the address points: it is away, can't be planned, or isn't there. */
export function Lost({ error, house, onAgain }: Props) {
  const away = error instanceof AwayError;
  const unplanned = error instanceof ProblemError && error.problem.type === "/problems/unplanned";
  useEffect(() => {
    const timer = away ? setInterval(() => onAgain?.(), AGAIN_MS) : 0;
    return () => clearInterval(timer);
  }, [away, onAgain]);
  return (
    <Place>
      <h1>{away ? "The bench is away" : unplanned ? "This house can’t be shown" : "No house here"}</h1>
      <p role="alert">
        <Words>{away ? `${error.message} It is tried again every few seconds; what was saved is safe.` : (error?.message ?? "There is nothing at this address.")}</Words>
      </p>
      {unplanned && house && <WaysOut house={house} onBack={() => onAgain?.()} />}
      <p>
        <Link to="/">Back to the yard</Link>
      </p>
    </Place>
  );
}

/** What can still be done with a house that can't be planned: take it away, or bring back an earlier version. */
function WaysOut({ house, onBack }: { house: string; onBack: () => void }) {
  const history = useQuery({ queryKey: ["revisions", house, "lost"], queryFn: () => api.revisions(house, "", 0) });
  const [told, setTold] = useState("");
  const bringBack = async (version: number) => {
    try {
      await api.bringBack(house, version, "", newKey());
      onBack();
    } catch (error) {
      setTold((error as Error).message);
    }
  };
  return (
    <>
      <p>
        <a href={`/api/houses/${encodeURIComponent(house)}/file`} download>
          Save it as it is kept
        </a>
        , or bring back an earlier version:
      </p>
      <ol>
        {history.data?.revisions.map((each) => (
          <li key={each.version}>
            <span>
              <Words>{each.words}</Words>
            </span>
            {each.drawing ? <Plain onPress={() => void bringBack(each.version)}>Bring it back</Plain> : <small>can’t be shown either</small>}
          </li>
        ))}
      </ol>
      <p role="status">{told}</p>
    </>
  );
}
