import { useQuery } from "@tanstack/react-query";
import styled from "styled-components";
import { api, type Bought } from "../../api/client";
import { Band, Table } from "../../frames/Band";
import { usePreview } from "../../house/usePreview";
import { LEVEL_WORDS } from "../../kit/LevelSign";
import { Plain, Press } from "../../kit/Plain";
import { Words } from "../../kit/Words";

const Way = styled(Press)`
  min-height: 30px;
  width: 100%;
  padding: 3px 8px;
  border-width: 1px;
`;

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
