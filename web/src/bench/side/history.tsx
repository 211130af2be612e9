import { useInfiniteQuery } from "@tanstack/react-query";
import styled from "styled-components";
import { api, type Revision } from "../../api/client";
import { SmallDrawing } from "../../drawing/SmallDrawing";
import { useSession, useSight } from "../../house/useSight";
import { Plain, Press } from "../../kit/Plain";
import { Words } from "../../kit/Words";
import { Side } from "../Side";
import type { SideProps } from "../sides";

const List = styled.ol`
  list-style: none;
  li { border-bottom: 1px solid var(--faint); }
  li > button {
    display: grid;
    grid-template-columns: 104px 1fr;
    gap: 10px;
    align-items: center;
    width: 100%;
    padding: 7px 0;
    border: 0;
    background: none;
    text-align: left;
    line-height: 1.3;
    cursor: pointer;
  }
  li > button[aria-current] { background: var(--paper); box-shadow: inset 5px 0 0 var(--ink); padding-left: 10px; }
  small { display: block; font-size: 13.5px; color: var(--soft); }
`;

const WHEN = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });

/** What was done to the house, newest first: look at any version, bring one back. */
/** What a step was is looked at there too. */
export const STAYS = true;

export default function History({ window, onClose }: SideProps) {
  const session = useSession();
  const { house, past } = useSight();
  const history = useInfiniteQuery({
    queryKey: ["revisions", house.id, house.version],
    queryFn: ({ pageParam }) => api.revisions(house.id, window, pageParam),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => (last.more ? pages.reduce((count, page) => count + page.revisions.length, 0) : undefined),
    placeholderData: (before) => before,
  });
  const lines = history.data?.pages.flatMap((page) => page.revisions) ?? [];
  return (
    <Side aria-label="History">
      <h1>History</h1>
      <Plain
        onPress={() => {
          void session.lookAt(null);
          onClose();
        }}
      >
        Back to the step
      </Plain>
      {past && past.version !== house.version && (
        <Press onPress={() => void session.bringBack(past.version)}>Bring this version back</Press>
      )}
      {history.isError && <p role="alert">{history.error.message}</p>}
      <List>
        {lines.map((each) => (
          <Line key={each.version} revision={each} current={each.version === (past ?? house).version} now={each.version === house.version} />
        ))}
      </List>
      {history.hasNextPage && (
        <Plain isDisabled={history.isFetchingNextPage} onPress={() => void history.fetchNextPage()}>
          Show earlier ones
        </Plain>
      )}
    </Side>
  );
}

function Line({ revision, current, now }: { revision: Revision; current: boolean; now: boolean }) {
  const session = useSession();
  return (
    <li>
      <button
        type="button"
        aria-current={current || undefined}
        data-version={revision.version}
        onClick={() => void session.lookAt(now ? null : revision.version)}
      >
        {revision.drawing ? <SmallDrawing drawing={revision.drawing} width={104} height={44} endOnly /> : <small>no drawing</small>}
        <span>
          <Words>{revision.words}</Words>
          <small>
            {now ? "now · " : ""}
            <Words>{WHEN.format(revision.made * 1000)}</Words>
            {revision.own ? "" : " · elsewhere"}
          </small>
        </span>
      </button>
    </li>
  );
}
