import { useMutation, useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Button } from "react-aria-components";
import { Link, useNavigate } from "react-router";
import styled from "styled-components";
import { api, type Drawing, type HouseLine } from "../api/client";
import { useBox } from "../drawing/DrawingView";
import { GrowerItem } from "../drawing/GrowerItem";
import { Hatches } from "../drawing/hatches";
import { OutlineItem } from "../drawing/OutlineItem";
import { LEVEL_WORDS, LevelSign } from "../kit/LevelSign";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";

const Page = styled.main`
  max-width: 1240px;
  margin: 0 auto;
  padding: 18px 24px 40px;
  > header { display: flex; flex-wrap: wrap; align-items: baseline; gap: 8px 26px; padding-bottom: 10px; border-bottom: 2px solid var(--ink); }
  h1 { font-size: 30px; line-height: 1.1; flex: 1; }
`;
const Start = styled(Button)`
  min-height: 40px;
  padding: 6px 14px;
  border: 2px solid var(--ink);
  background: var(--sheet);
  font: 600 17px/1.2 ${FIGURES};
  cursor: pointer;
`;
const Row = styled.li`
  list-style: none;
  padding: 12px 0 0;
  h2 { font-size: 23px; line-height: 1.2; }
  .head { display: flex; flex-wrap: wrap; align-items: baseline; gap: 2px 22px; }
  .size { font-size: 19px; }
  .verdict { display: flex; align-items: flex-start; gap: 8px; line-height: 1.3; max-width: 44em; padding-top: 4px; }
  b { font-family: ${FIGURES}; font-weight: 600; }
`;

/** Every house drawn at one scale, so that they can be seen beside each other. */
export function YardView() {
  const yard = useQuery({ queryKey: ["yard"], queryFn: api.yard, staleTime: 0 });
  const go = useNavigate();
  const start = useMutation({ mutationFn: api.start, onSuccess: (house) => go(`/house/${house.id}/size`) });
  const [box, { width }] = useBox();
  useEffect(() => {
    document.title = "Yard · Obtegum";
  }, []);
  const houses = yard.data?.houses ?? [];
  const longest = Math.max(...houses.map(({ yard: each }) => each.drawing.x1), 1);
  const scale = Math.min((width - 8) / longest, 46);
  return (
    <Page>
      <header>
        <h1>Yard</h1>
        <Start onPress={() => start.mutate("feet")}>New house in feet</Start>
        <Start onPress={() => start.mutate("metric")}>New house in metres</Start>
      </header>
      {yard.isError && <p role="alert">{yard.error.message} What was saved is safe.</p>}
      {start.isError && <p role="alert">{start.error.message}</p>}
      <div ref={box}>
        {yard.data && houses.length === 0 && <p>Nothing stands here yet. Start a house, and set its width first.</p>}
        <ul style={{ padding: 0 }}>
          {houses.map((house) => (
            <HouseRow key={house.id} house={house} scale={scale} width={width} />
          ))}
        </ul>
      </div>
    </Page>
  );
}

function HouseRow({ house, scale, width }: { house: HouseLine; scale: number; width: number }) {
  const { size, bows, overall, drawing } = house.yard;
  return (
    <Row>
      <div className="head">
        <h2>
          <Link to={`/house/${house.id}/size`}>{house.name}</Link>
        </h2>
        <span className="figures size">{size}</span>
        <span><Words>{`${bows} bows`}</Words></span>
      </div>
      {overall && (
        <div className="verdict">
          <LevelSign level={overall.level} />
          <span>
            <b>{LEVEL_WORDS[overall.level]}.</b> <Words>{overall.sentence}</Words>
          </span>
        </div>
      )}
      <Elevation drawing={drawing} scale={scale} width={width} />
    </Row>
  );
}

function Elevation({ drawing, scale, width }: { drawing: Drawing; scale: number; width: number }) {
  const height = drawing.y1 * scale + 16;
  const frame = { scale, middle: width / 2, x: (x: number) => x * scale + 4, y: (y: number) => height - 6 - y * scale };
  return (
    <svg width={width} height={height} role="img" aria-label={drawing.summary}>
      <Hatches id={`yard-${drawing.x1}`} />
      {drawing.items.map((item, place) => {
        const key = `${item.kind} ${place}`;
        if (item.kind === "outline") return <OutlineItem key={key} item={item} frame={frame} hatches="yard" lit={false} />;
        if (item.kind === "grower") return <GrowerItem key={key} item={item} frame={frame} lit={false} />;
        return null;
      })}
    </svg>
  );
}
