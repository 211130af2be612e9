import { useQuery } from "@tanstack/react-query";
import styled from "styled-components";
import { api, type Bought, type TriedFrame } from "../api/client";
import { usePreview } from "../house/usePreview";
import { LEVEL_WORDS } from "../kit/LevelSign";
import { Plain, Press } from "../kit/Plain";
import { Words } from "../kit/Words";

export const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  font-size: 14.5px;
  th, td { text-align: left; padding: 4px 10px 4px 0; border-bottom: 1px solid var(--faint); vertical-align: middle; }
  th { font-weight: 600; }
  td.bar { width: 34%; min-width: 150px; }
  caption { text-align: left; padding: 2px 0 6px; }
`;
const Way = styled(Press)`
  min-height: 30px;
  width: 100%;
  padding: 3px 8px;
  border-width: 1px;
`;

const MOST = 1.6;

/** A share of strength as a band toward the fence that is all of it; `was` is a notch where it was before. */
export function Band({ tried, was }: { tried: TriedFrame; was?: number | null | undefined }) {
  const at = (ratio: number) => (Math.min(ratio, MOST) / MOST) * 200;
  const [ratio, fence] = [tried.ratio ?? 0, at(1)];
  return (
    <svg viewBox="0 0 204 20" width="100%" height="20" role="img" aria-label={tried.uses || LEVEL_WORDS[tried.level]} preserveAspectRatio="none">
      <rect x="0" y="4" width={at(Math.min(ratio, 1))} height="12" fill="var(--board)" stroke="var(--ink)" />
      {ratio > 1 && <rect x={fence} y="4" width={at(ratio) - fence} height="12" fill="var(--ink)" />}
      <path d={`M${fence} 0V20`} stroke="var(--ink)" strokeWidth="1.4" strokeDasharray="4 2" />
      {was !== undefined && was !== null && <path d={`M${at(was)} 1V19`} stroke="var(--soft)" strokeWidth="2.4" />}
    </svg>
  );
}

/** What each part of the frame buys: left out or put in, one at a time; pointed at, the house is drawn so. */
export default function Buys({ house, version }: { house: string; version: number }) {
  const previewed = usePreview();
  const asked = useQuery({ queryKey: ["buys", house, version], queryFn: () => api.buys(house), placeholderData: (before) => before });
  if (!asked.data) {
    return asked.isError ? (
      <p role="status">
        What each part buys can’t be fetched. <Plain onPress={() => void asked.refetch()}>Again</Plain>
      </p>
    ) : (
      <p role="status">Trying each part</p>
    );
  }
  const [own, ...rest] = asked.data.buys;
  if (!own) return <p>Nothing can be tried.</p>;
  const said = (each: Bought) => (each.tried.uses ? `${LEVEL_WORDS[each.tried.level].toLowerCase()}, ${each.tried.uses}` : LEVEL_WORDS[each.tried.level].toLowerCase());
  return (
    <Table data-buys={rest.length}>
      <caption>
        Band: strength used, its fence all of it; notch: as the house is, <Words>{said(own)}</Words>, carrying <Words>{own.carried}</Words> of snow.
      </caption>
      <thead>
        <tr>
          <th scope="col">With</th>
          <th scope="col">Strength used</th>
          <th scope="col">Comes out</th>
          <th scope="col">Snow carried</th>
          <th scope="col">Costs</th>
        </tr>
      </thead>
      <tbody>
        {rest.map((each) => (
          <tr key={each.words}>
            <th scope="row">
              <Way {...previewed(each.edits)}>{each.words}</Way>
            </th>
            <td className="bar">
              <Band tried={each.tried} was={own.tried.ratio} />
            </td>
            <td>
              <Words>{said(each)}</Words>
            </td>
            <td>
              <Words>{each.carried}</Words>
            </td>
            <td>
              <Words>{each.cost}</Words>
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
