import { useRef, useState } from "react";
import styled from "styled-components";
import { fetchLong, type Work } from "../api/client";
import { Plain } from "./Plain";
import { Words } from "./Words";

const Place = styled.span`
  display: inline-flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 10px;
  [role="status"] { font-size: 14px; }
  [role="alert"] { font-size: 14px; color: var(--fails); }
`;

/** How far long work has come, in words. */
export function workWords({ state, waiting, done, of }: Work): string {
  if (state === "waiting") return waiting ? `${waiting} before it` : "in line";
  if (state === "going" && of) return `${Math.floor((done / of) * 100)} %`;
  return "being made";
}

/** A file that takes a while to make: says how far it has come, can be stopped, and says what went wrong. */
export function Download({ href, children }: { href: string; children: string }) {
  const [work, setWork] = useState<Work | null>(null);
  const [wrong, setWrong] = useState("");
  const stop = useRef<AbortController | null>(null);
  const fetchIt = async () => {
    stop.current = new AbortController();
    setWrong("");
    setWork({ state: "waiting", waiting: 0, done: 0, of: 0 });
    try {
      const response = await fetchLong(href, {}, setWork, stop.current.signal);
      const name = decodeURIComponent(response.headers.get("content-disposition")?.split("filename*=UTF-8''")[1] ?? "obtegum");
      const url = URL.createObjectURL(await response.blob());
      const link = Object.assign(document.createElement("a"), { href: url, download: name });
      link.click();
      setWrong(decodeURIComponent(response.headers.get("x-obtegum-lacks") ?? ""));
      setTimeout(() => URL.revokeObjectURL(url), 60_000);
    } catch (error) {
      if (!stop.current?.signal.aborted) setWrong((error as Error).message);
    }
    setWork(null);
  };
  return (
    <Place>
      <a
        href={`/api${href}`}
        download
        aria-busy={work !== null}
        onClick={(event) => {
          event.preventDefault();
          if (!work) void fetchIt();
        }}
      >
        {children}
      </a>
      {work && (
        <>
          <span role="status">
            <Words>{workWords(work)}</Words>
          </span>
          <Plain onPress={() => stop.current?.abort()}>Stop</Plain>
        </>
      )}
      {wrong && <span role="alert">{wrong}</span>}
    </Place>
  );
}
