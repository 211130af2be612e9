import { useQuery } from "@tanstack/react-query";
import styled from "styled-components";
import { api, ON_DEVICE } from "../api/client";
import { useBox } from "../drawing/DrawingView";
import { SmallDrawing } from "../drawing/SmallDrawing";

const Lesson = styled.ol`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 22px;
  margin: 26px 0 0;
  padding: 0;
  list-style: none;
  h2 { font-size: 19px; padding-top: 4px; }
`;

const STAGES = [
  ["across", "Say how wide and how high", "Set the width, the legs and the height, and see who fits under the side."],
  ["above", "Peg it out", "Read every peg off one tape, and both diagonals."],
  ["post", "Drive the posts, bend the bows", "Mark posts and sticks from their tapes, then bend to the marks."],
] as const;

/** Nothing stands here yet: a house from start to bows, in three drawings. */
export function EmptyYard() {
  const lesson = useQuery({ queryKey: ["lesson"], queryFn: async () => api.plan(await api.starter()) });
  const [box, { width }] = useBox();
  return (
    <div ref={box} style={{ overflow: "hidden" }}>
      <p style={{ paddingTop: 16 }}>Nothing stands here yet. {ON_DEVICE ? "Houses are begun at the bench" : "Start a house above"}; this is how it goes.</p>
      <Lesson>
        {STAGES.map(([view, title, words]) => {
          const drawing = lesson.data?.drawings.find((each) => each.view === view);
          return (
            <li key={view}>
              {drawing && <SmallDrawing drawing={drawing} width={Math.min(width, 380)} height={230} />}
              <h2>{title}</h2>
              <p>{words}</p>
            </li>
          );
        })}
      </Lesson>
    </div>
  );
}
