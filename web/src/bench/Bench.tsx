import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { useNavigate, useParams } from "react-router";
import styled from "styled-components";
import { api, type HouseOut } from "../api/client";
import { DrawingView } from "../drawing/DrawingView";
import { HouseSession } from "../house/session";
import { SessionContext, useSight } from "../house/useSight";
import { Tick } from "../tape/Tick";
import { TapeStrip } from "../tape/TapeStrip";
import { Keys } from "./Keys";
import { Lost } from "./Lost";
import { NumberTable } from "./NumberTable";
import { Panel } from "./Panel";
import { Rail } from "./Rail";
import { Tabs } from "./Tabs";
import { TopLine } from "./TopLine";

const Layout = styled.div`
  display: grid;
  grid-template: 54px minmax(0, 1fr) / 158px minmax(0, 1fr) 316px;
  grid-template-areas: "top top top" "rail middle panel";
  height: 100vh;
  min-height: 620px;
  @media (max-width: 820px) {
    display: block;
    height: auto;
  }
`;
const Middle = styled.main`
  grid-area: middle;
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  padding: 8px 20px 12px;
  @media (max-width: 820px) { padding: 8px 14px; }
`;
const DrawingPlace = styled.div`
  flex: 1 1 0;
  min-height: 260px;
  overflow: auto;
`;
const StripPlace = styled.section`
  flex: none;
  margin-top: 6px;
  padding-top: 6px;
  border-top: 1px solid var(--rule);
`;

/** The bench: one house, one step at a time. */
export function Bench() {
  const { id = "" } = useParams();
  const house = useQuery({ queryKey: ["house", id], queryFn: () => api.house(id), staleTime: 0, gcTime: 0 });
  if (house.isError) return <Lost sentence={house.error.message} />;
  if (!house.data) return <p role="status" className="unseen">Fetching the house</p>;
  return <OpenHouse key={id} first={house.data} />;
}

function OpenHouse({ first }: { first: HouseOut }) {
  const [session] = useState(() => new HouseSession(first));
  return (
    <SessionContext.Provider value={session}>
      <Workplace />
    </SessionContext.Provider>
  );
}

function Workplace() {
  const { id = "", step: wanted } = useParams();
  const go = useNavigate();
  const { plan } = useSight();
  const step = plan.steps.find((each) => each.id === wanted) ?? plan.steps[0];
  const [viewWanted, setView] = useState<string | null>(null);
  const [stripWanted, setStrip] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string | null>(step?.next_part ?? null);
  const [asTable, setTable] = useState(false);
  const [keysOpen, setKeys] = useState(false);

  useEffect(() => {
    document.title = `${plan.name} · ${step?.title ?? ""} · Obtegum`;
  }, [plan.name, step?.title]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement;
      if (event.key === "?" && !typing) setKeys((open) => !open);
      if (event.key === "Escape") setKeys(false);
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, []);

  const strips = useMemo(() => (step ? plan.strips.filter((strip) => step.strips.includes(strip.id)) : []), [plan.strips, step]);
  if (!step) return null;
  const views = plan.drawings.filter((drawing) => step.views.includes(drawing.view));
  views.sort((a, b) => step.views.indexOf(a.view) - step.views.indexOf(b.view));
  const view = views.find((each) => each.view === viewWanted) ?? views[0];
  const strip =
    strips.find((each) => each.id === stripWanted) ??
    strips.find((each) => each.marks.some((mark) => mark.part === chosen)) ??
    strips[0];

  const mark = strip?.marks.find((each) => each.part === chosen);
  const choose = (part: string) => {
    setChosen(part);
    if (strip?.marks.some((mark) => mark.part === part)) return;
    const other = strips.find((each) => each.marks.some((mark) => mark.part === part));
    if (other) setStrip(other.id);
  };
  return (
    <Layout>
      <TopLine onKeys={() => setKeys(!keysOpen)} keysOpen={keysOpen} />
      <Rail
        steps={plan.steps}
        current={step.id}
        aid={plan.planning_aid}
        onGo={(next) => {
          setView(null);
          setStrip(null);
          setChosen(plan.steps.find((each) => each.id === next)?.next_part ?? null);
          go(`/house/${id}/${next}`);
        }}
      />
      <Middle>
        <Tabs
          label="Views"
          ways={views.map((each) => ({ id: each.view, label: each.title }))}
          current={view?.view ?? ""}
          onChoose={setView}
          aside={{ label: "as a table", pressed: asTable, onPress: () => setTable(!asTable) }}
        />
        <DrawingPlace>
          {view &&
            (asTable ? (
              <NumberTable drawing={view} strip={strip ?? null} />
            ) : (
              <DrawingView drawing={view} plan={plan} step={step} chosen={chosen} onChoose={choose} />
            ))}
        </DrawingPlace>
        {strip && (
          <StripPlace aria-label="Tape">
            <Tabs
              label="Tapes"
              ways={strips.map((each) => ({ id: each.id, label: each.title }))}
              current={strip.id}
              onChoose={setStrip}
              about={strip.about}
              end={mark?.tick && <Tick mark={mark} />}
            />
            <TapeStrip key={strip.id} strip={strip} units={plan.tape.units} chosen={chosen} onChoose={choose} />
          </StripPlace>
        )}
      </Middle>
      {keysOpen ? <Keys onClose={() => setKeys(false)} /> : <Panel step={step} onShow={choose} />}
    </Layout>
  );
}
