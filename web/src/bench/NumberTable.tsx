import { useQuery } from "@tanstack/react-query";
import styled from "styled-components";
import { api, type Drawing, type Strip } from "../api/client";

const Sheets = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-start;
  gap: 8px 40px;
  padding: 8px 2px;
  table { border-collapse: collapse; }
  caption { text-align: left; font-weight: 600; padding-bottom: 4px; }
  th { text-align: left; font-weight: 400; padding: 3px 22px 3px 0; }
  td { text-align: right; padding: 3px 0; font-size: 17px; }
  tr { border-bottom: 1px solid var(--faint); }
`;

/** The numbers of the drawing and of the tape below it, as tables; the drawing's are fetched when they are looked at. */
export function NumberTable({ house, version, drawing, strip }: { house: string; version: number; drawing: Drawing; strip: Strip | null }) {
  const found = useQuery({
    queryKey: ["table", house, version, drawing.view],
    queryFn: () => api.table(house, drawing.view, version),
    placeholderData: (before, query) => (query?.queryKey[3] === drawing.view ? before : undefined),
  });
  return (
    <Sheets tabIndex={0} role="region" aria-label="Numbers" aria-busy={found.isFetching}>
      {found.isError && <p role="alert">{found.error.message}</p>}
      {found.data && <Table title={drawing.title} rows={found.data.rows.map((row) => [row.what, row.reading])} />}
      {strip && <Table title={strip.title} rows={strip.marks.map((mark) => [mark.what, mark.reading])} />}
    </Sheets>
  );
}

function Table({ title, rows }: { title: string; rows: [string, string][] }) {
  return (
    <table>
      <caption>{title}</caption>
      <tbody>
        {rows.map(([what, reading], place) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two marks of one strip may share their words
          <tr key={place}>
            <th scope="row">{what}</th>
            <td className="figures">{reading}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
