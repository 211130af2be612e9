import { useState } from "react";
import { FileTrigger } from "react-aria-components";
import styled from "styled-components";
import type { Card } from "../api/client";
import { useSession } from "../house/useSight";
import { Plain, Press } from "../kit/Plain";
import { shrink } from "./shrink";

const Row = styled.section`
  display: grid;
  gap: 10px;
  justify-items: start;
  ul { display: flex; flex-wrap: wrap; gap: 10px; list-style: none; padding: 0; margin: 0; }
  li { display: grid; gap: 4px; justify-items: start; font-size: 15px; }
  img { display: block; width: 160px; height: 120px; object-fit: cover; border: 2px solid var(--ink); background: var(--sheet); }
`;

/** Pictures of the work that a card is of: taken here, or put in from where the phone keeps them. */
export function Pictures({ card, step }: { card: Card; step: string }) {
  const session = useSession();
  const [wrong, setWrong] = useState("");
  const [busy, setBusy] = useState(false);
  const keep = async (file: File) => {
    setWrong("");
    setBusy(true);
    try {
      session.keepPhoto(await shrink(file), { step, card: card.tick || card.measure, taken_s: file.lastModified / 1000 });
    } catch (error) {
      setWrong((error as Error).message);
    }
    setBusy(false);
  };
  return (
    <Row aria-label="Pictures">
      <FileTrigger acceptedFileTypes={["image/*"]} onSelect={(files) => files?.[0] && void keep(files[0])}>
        <Press isDisabled={busy}>Put a picture with it</Press>
      </FileTrigger>
      {wrong && <p role="alert">{wrong}</p>}
      {card.photos.length > 0 && (
        <ul>
          {card.photos.map((photo) => (
            <li key={photo.id}>
              <a href={photo.href} target="_blank" rel="noreferrer">
                <img src={photo.href} alt={`${photo.told}, taken ${photo.taken}`} loading="lazy" />
              </a>
              <span>{photo.taken}</span>
              <Plain aria-label={`Take out the picture of ${photo.taken}`} onPress={() => session.act(`/photos/${photo.id}`, {}, "DELETE")}>
                Take out
              </Plain>
            </li>
          ))}
        </ul>
      )}
    </Row>
  );
}
