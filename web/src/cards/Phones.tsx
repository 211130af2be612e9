import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import styled from "styled-components";
import { api, type PhoneCode } from "../api/client";
import { Plain, Press } from "../kit/Plain";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";

const LOOK_MS = 3000;
const Let = styled.section`
  display: grid;
  gap: 10px;
  justify-items: start;
  img { width: 220px; height: 220px; image-rendering: pixelated; background: #fff; }
  .digits { font: 600 44px/1.1 ${FIGURES}; font-variant-numeric: tabular-nums; }
  li { display: flex; gap: 12px; align-items: center; }
`;

/** Phones on the local network: a code that lets one in, and those that are in. */
export function Phones() {
  const queries = useQueryClient();
  const [code, setCode] = useState<PhoneCode | null>(null);
  // Who was in when the code was made: whoever is new came in by it, and it lets nobody else in.
  const [known, setKnown] = useState<ReadonlySet<string>>(new Set());
  // While a code is shown, it is looked for whoever comes in by it.
  const found = useQuery({ queryKey: ["phones"], queryFn: api.phones, refetchInterval: code ? LOOK_MS : false });
  const [cameBy, setCameBy] = useState("");
  const [wrong, setWrong] = useState("");
  const attempt = async (work: () => Promise<void>) => {
    setWrong("");
    try {
      await work();
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
  const fresh = code && found.data?.devices.find((each) => !known.has(each.id));
  const came = found.data?.devices.find((each) => each.id === cameBy);
  useEffect(() => {
    if (!fresh) return;
    setCode(null);
    setCameBy(fresh.id);
  }, [fresh]);
  const letIn = async () => {
    setKnown(new Set(found.data?.devices.map((each) => each.id)));
    setCameBy("");
    setCode(await api.phoneCode());
  };
  if (!found.data) return found.isError ? <p role="alert">{found.error.message}</p> : null;
  const { address, devices } = found.data;
  return (
    <Let aria-label="On a phone">
      <h2>On a phone</h2>
      {!address && <p>Start the bench with ./obtegum serve --field, and a phone on the same network can be let in.</p>}
      {address && (
        <>
          <p>
            <Words>{`Phones come in at ${address}. What they send is not encrypted: only on a network that you trust.`}</Words>
          </p>
          <Press onPress={() => void attempt(letIn)}>Let a phone in</Press>
          {code && (
            <>
              <img src={code.picture} alt="The address and the code, to scan" />
              <p className="digits" role="status">
                {code.digits}
              </p>
              <p>
                <Words>{`Scan it, or type it at ${code.address}. It lets one phone in, and is good for ${code.minutes} minutes.`}</Words>
              </p>
            </>
          )}
          <p role="status">{came && <Words>{`${came.name} is in.`}</Words>}</p>
          <ul>
            {devices.map((each) => (
              <li key={each.id}>
                <Words>{`${each.name}, since ${each.since}`}</Words>
                <Plain
                  aria-label={`Put out ${each.name}, since ${each.since}`}
                  onPress={() => void attempt(async () => void queries.setQueryData(["phones"], await api.putOut(each.id)))}
                >
                  Put out
                </Plain>
              </li>
            ))}
          </ul>
        </>
      )}
      {wrong && <p role="alert">{wrong}</p>}
    </Let>
  );
}
