import { useEffect, useRef, useState } from "react";
import { FileTrigger, Label, TextArea, TextField } from "react-aria-components";
import styled from "styled-components";
import { api, type PackBack } from "../api/client";
import { newKey } from "../house/errand";
import { Download } from "../kit/Download";
import { Press } from "../kit/Plain";
import { Words } from "../kit/Words";
import { Phones } from "./Phones";
import { Scan } from "./Scan";

const Along = styled.details`
  padding: 6px 14px 16px;
  summary { min-height: 44px; padding: 10px 0; font-weight: 600; cursor: pointer; }
  > div { display: grid; gap: 10px; justify-items: start; }
  a { display: inline-block; min-height: 44px; padding: 10px 0; font-weight: 600; }
  textarea { width: 100%; min-height: 90px; }
`;

/** The cards on paper, or as a file for where there is no network; and what such a file gives back. */
export function TakeAlong({ house, step, window }: { house: string; step: string; window: string }) {
  const [text, setText] = useState("");
  const [back, setBack] = useState<PackBack | null>(null);
  const [wrong, setWrong] = useState("");
  const bring = async (given: string) => {
    setBack(null);
    setWrong("");
    try {
      setBack(await api.takePack(house, { ...(JSON.parse(given) as object), window }, newKey()));
      setText("");
    } catch (error) {
      setWrong(error instanceof SyntaxError ? "That is not what a pack of cards gives back. Copy all of it." : (error as Error).message);
    }
  };
  // What came of it is brought into sight: it stands under what was pasted, at the end of the page.
  const outcome = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (back || wrong) outcome.current?.scrollIntoView({ block: "center" });
  }, [back, wrong]);
  const said = back && [
    `${back.taken} taken, ${back.already} stood here already${back.since ? `, ${back.since} changes since it was made` : ""}.`,
    ...back.clashes,
    ...back.changed,
    ...back.refused,
  ];
  return (
    <Along>
      <summary>On a phone, on paper, or without a network</summary>
      <div>
        <Phones />
        <Download href={`/houses/${encodeURIComponent(house)}/cards/${encodeURIComponent(step)}.pdf`}>These cards on paper, four to a page</Download>
        <Download href={`/houses/${encodeURIComponent(house)}/pack.html`}>All cards as one file</Download>
        <p>The file opens on a phone with no network and keeps what is typed, as far as that phone lets files keep anything; paper never fails.</p>
        <FileTrigger
          acceptedFileTypes={[".json", "application/json"]}
          onSelect={(files) => {
            const file = files?.[0];
            if (file) void file.text().then(bring);
          }}
        >
          <Press>Bring back its readings</Press>
        </FileTrigger>
        <Scan onText={(given) => void bring(given)} />
        <TextField value={text} onChange={setText} style={{ width: "100%" }}>
          <Label>Or paste what it gave</Label>
          <TextArea spellCheck="false" />
        </TextField>
        <Press isDisabled={!text.trim()} onPress={() => void bring(text)}>
          Take what is pasted
        </Press>
        <div ref={outcome}>
          {wrong && <p role="alert">{wrong}</p>}
          {said && (
            <ul role="status">
              {said.map((sentence) => (
                <li key={sentence}>
                  <Words>{sentence}</Words>
                </li>
              ))}
            </ul>
          )}
        </div>
      </div>
    </Along>
  );
}
