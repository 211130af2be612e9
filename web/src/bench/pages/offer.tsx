import { useQuery } from "@tanstack/react-query";
import { api, type OfferSide } from "../../api/client";
import { Band, Table } from "../../frames/Band";
import { useSession } from "../../house/useSight";
import { LEVEL_WORDS } from "../../kit/LevelSign";
import { Plain } from "../../kit/Plain";
import { newGesture } from "../../kit/stride";
import { Words } from "../../kit/Words";

/** The own frame and the one that is offered, through the same checks, on one scale. */
export default function Offer({ house, version }: { house: string; version: number }) {
  const session = useSession();
  const asked = useQuery({ queryKey: ["offer", house, version], queryFn: () => api.offer(house), placeholderData: (before) => before });
  if (!asked.data) {
    return asked.isError ? (
      <p role="status">
        The offer can’t be fetched. <Plain onPress={() => void asked.refetch()}>Again</Plain>
      </p>
    ) : (
      <p role="status">Trying the offer</p>
    );
  }
  const [own, offer] = asked.data.sides;
  if (!own || !offer) return null;
  const sides = [own, offer];
  const row = (label: string, of: (side: OfferSide) => string) => (
    <tr>
      <th scope="row">{label}</th>
      {sides.map((side) => (
        <td key={side.words}>
          <Words>{of(side)}</Words>
        </td>
      ))}
    </tr>
  );
  return (
    <>
      <Table data-offer>
        <caption>The offer is told under More to set: tube, spacing, ties, runs, posts; and what its seller says.</caption>
        <thead>
          <tr>
            <td />
            {sides.map((side) => (
              <th scope="col" key={side.words}>
                {side.words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Strength used</th>
            {sides.map((side) => (
              <td className="bar" key={side.words}>
                <Band tried={side.tried} was={side === offer ? own.tried.ratio : undefined} />
              </td>
            ))}
          </tr>
          {row("Comes out", ({ tried }) => `${LEVEL_WORDS[tried.level].toLowerCase()}${tried.uses ? `, ${tried.uses}` : ""}`)}
          {row("Its feet", ({ tried }) => LEVEL_WORDS[tried.feet].toLowerCase())}
          {row("Snow carried on the roof", (side) => side.carried)}
          {row("Gust that its frame bears", (side) => side.gust)}
          {row("Bows", ({ tried }) => (tried.taken ? String(tried.taken.bows) : "none"))}
          {row("Steel", ({ tried }) => tried.taken?.steel ?? "none")}
          {row("Why", ({ tried }) => tried.sentence)}
        </tbody>
      </Table>
      {offer.edits.length > 0 && offer.tried.taken && (
        <Plain onPress={() => void session.commit(offer.edits, newGesture())}>Make the offer the house</Plain>
      )}
    </>
  );
}
