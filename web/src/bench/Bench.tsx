import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useLocation, useNavigate, useParams } from "react-router";
import styled from "styled-components";
import type { StepPlan, Strip, StripMark } from "../api/client";
import { DrawingView } from "../drawing/DrawingView";
import { DARK, lightsOf } from "../drawing/lights";
import { OnBench } from "../house/OnBench";
import { useSession, useSight } from "../house/useSight";
import { Caught, fetched } from "../kit/Caught";
import { Plain } from "../kit/Plain";
import { Words } from "../kit/Words";
import { useNarrow } from "../look/narrow";
import { useSun } from "../look/sun";
import { Entry } from "../tape/Entry";
import { Late } from "../tape/Late";
import { TapeStrip } from "../tape/TapeStrip";
import { Tick } from "../tape/Tick";
import { firstOpen, firstStand, nameOf, nextAfter, type Stand } from "../tape/walk";
import { How } from "./How";
import { NumberTable } from "./NumberTable";
import { Panel } from "./Panel";
import { PAGES } from "./pages";
import { Rail } from "./Rail";
import { goRound } from "./regions";
import { SIDES } from "./sides";
import { Tabs } from "./Tabs";
import { TopLine, UnitsAndKeys } from "./TopLine";

const Layout = styled.div`
  display: grid;
  grid-template: minmax(54px, auto) minmax(0, 1fr) auto / 158px minmax(0, 1fr) 316px;
  grid-template-areas: "top top top" "rail middle panel" "more middle panel";
  height: 100vh;
  min-height: 620px;
  @media (max-width: 820px) {
    display: flex;
    flex-direction: column;
    height: auto;
    > main { order: 3; }
    > aside { order: 4; }
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
/** What is beside the steps: below them, or on a narrow screen below everything else. */
const More = styled.footer`
  grid-area: more;
  display: grid;
  justify-items: start;
  padding: 6px 9px 8px;
  background: var(--desk);
  border-right: 1px solid var(--ink);
  > p { padding: 6px 5px 0; font-size: 13.5px; line-height: 1.3; }
  .units > div { padding: 0; border: 0; }
  @media (max-width: 820px) {
    order: 8;
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 16px;
    padding: 10px 14px 14px;
    border-right: 0;
    border-top: 1px solid var(--ink);
  }
`;
const DrawingPlace = styled.div`
  flex: 1 1 0;
  min-height: 260px;
  overflow: auto;
  @media (max-width: 820px) { height: 330px; }
`;
const StripPlace = styled.section`
  flex: none;
  margin-top: 6px;
  padding-top: 6px;
  border-top: 1px solid var(--rule);
`;

const Past = styled.p`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  padding: 5px 10px;
  border: 2px dashed var(--ink);
`;

/** The bench: one house, one step at a time. */
export function Bench() {
  const { id = "", step = "" } = useParams();
  return (
    <OnBench id={id} step={step}>
      {(window) => <Workplace window={window} />}
    </OnBench>
  );
}

// The house in the round brings its own drawing, which is fetched when it is asked for.
const House = fetched("The house in the round", () => import("../turn/House"));
const ROUND = "round";
const FIRST_FIELD = "aside input[data-measure]";
/** Two presses in one moment are one. */
const MOMENT_MS = 400;

function Workplace({ window }: { window: string }) {
  const { id = "", step: wanted } = useParams();
  const go = useNavigate();
  const session = useSession();
  const sight = useSight();
  const { past } = sight;
  const plan = past?.plan ?? sight.plan;
  const [sun, setSun] = useSun();
  const narrow = useNarrow();
  const step = plan.steps.find((each) => each.id === wanted) ?? plan.steps[0];
  const [viewWanted, setView] = useState<string | null>(null);
  const [stripWanted, setStrip] = useState<string | null>(null);
  // A choice is of one step: a part that is chosen in another is none here, whatever of both comes first to the screen.
  const [choice, setChoice] = useState<{ step: string; part: string } | null>(null);
  const [asTable, setTable] = useState(false);
  const [side, setSide] = useState("step");

  const stepId = step?.id;
  const chosen = choice?.step === stepId ? (choice?.part ?? null) : null;
  const [glow, setGlow] = useState<{ step: string; parts: readonly string[]; pressed: string | null } | null>(null);
  const glowing = glow?.step === stepId ? glow : null;
  const lights = useMemo(() => (glowing ? lightsOf(glowing.parts) : DARK), [glowing]);
  const at = useRef(stepId);
  at.current = stepId;
  const setChosen = useCallback((part: string) => setChoice(at.current ? { step: at.current, part } : null), []);
  useEffect(() => {
    if (stepId) void session.turnTo(stepId);
  }, [session, stepId]);
  // A house that was just begun is typed into at once.
  const fresh = useLocation().state?.fresh === true;
  useEffect(() => {
    if (fresh) document.querySelector<HTMLElement>(FIRST_FIELD)?.focus();
  }, [fresh]);
  useEffect(() => {
    document.title = `${plan.name} · ${step?.title ?? ""} · Obtegum`;
  }, [plan.name, step?.title]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      // No length has a question mark in it: there too it asks for the keys.
      const length = event.target instanceof HTMLInputElement && event.target.dataset.measure !== undefined;
      if (event.key === "?" && length) event.preventDefault();
      if (event.key === "?" && (!typing || length)) setSide((shown) => (shown === "keys" ? "step" : "keys"));
      if (event.key === "Escape" && !typing) setSide((shown) => (shown === "keys" ? "step" : shown));
      if (event.key === "F6") {
        event.preventDefault();
        goRound(event.shiftKey ? -1 : 1);
      }
      const key = event.key.toLowerCase();
      if ((event.ctrlKey || event.metaKey) && (key === "z" || key === "y") && !halfTyped(event.target)) {
        event.preventDefault();
        session.undo(key === "y" || event.shiftKey ? "redo" : "undo");
      }
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, [session]);

  // One function for good: a drawing of hundreds of parts is not made anew because this one is.
  const tapes = useRef<{ strip: Strip | undefined; strips: Strip[] }>({ strip: undefined, strips: [] });
  const choose = useCallback((part: string) => {
    setChosen(part);
    const { strip, strips } = tapes.current;
    if (strip?.marks.some((mark) => mark.part === part)) return;
    const other = strips.find((each) => each.marks.some((mark) => mark.part === part));
    if (other) setStrip(other.id);
  }, [setChosen]);
  /** Lights parts, the first of them chosen. */
  const light = useCallback(
    (parts: readonly string[], pressed: string | null = null) => {
      setGlow(at.current ? { step: at.current, parts, pressed } : null);
      if (parts[0]) choose(parts[0]);
    },
    [choose],
  );
  const press = useCallback((part: string) => light([part], part), [light]);
  const strips = useMemo(() => (step ? step.strips.flatMap((id) => plan.strips.filter((strip) => strip.id === id)) : []), [plan.strips, step]);
  const goTo = useCallback((stand: Stand) => {
    setStrip(stand.strip.id);
    setChosen(stand.mark.part);
  }, [setChosen]);
  // A step begins at its first open mark, once its tapes are there; from then on only a hand moves the choice.
  const begun = chosen === null && strips.length === step?.strips.length;
  const { next_part: nextPart } = step ?? {};
  // biome-ignore lint/correctness/useExhaustiveDependencies: where it begins is not where it would begin a moment later
  useEffect(() => {
    if (!begun || !step) return;
    const stand = firstStand(step, strips, session.look().pending);
    if (stand) goTo(stand);
    else if (nextPart) setChosen(nextPart);
  }, [begun, stepId, nextPart]);
  const ticked = useRef(0);
  const latest = useRef<(mark: StripMark) => string | null>(() => null);
  const tick = useCallback(
    (mark: StripMark) => {
      const now = performance.now();
      if (!mark.tick || now - ticked.current < MOMENT_MS) return;
      ticked.current = now;
      session.tick(mark.tick, mark.state !== "set");
      if (mark.state !== "set") latest.current(mark);
    },
    [session],
  );
  const facing = useRef("");
  useEffect(() => session.face(facing.current));
  if (!step) return null;
  const views = plan.drawings.filter((drawing) => step.views.includes(drawing.view));
  views.sort((a, b) => step.views.indexOf(a.view) - step.views.indexOf(b.view));
  const told = step.how?.some((each) => each.view === viewWanted) ? plan.drawings.find((each) => each.view === viewWanted) : undefined;
  const standing = step.group !== "Place";
  const round = standing && viewWanted === ROUND;
  const pages = past ? [] : (step.pages ?? []);
  const page = viewWanted === null ? pages[0] : pages.find((each) => each.id === viewWanted);
  const Page = page && PAGES[page.id];
  const view = told ?? views.find((each) => each.view === viewWanted) ?? views[0];
  facing.current = view?.view ?? "";
  const strip =
    strips.find((each) => each.id === stripWanted) ??
    strips.find((each) => each.marks.some((mark) => mark.part === chosen)) ??
    strips[0];

  const mark = strip?.marks.find((each) => each.part === chosen);
  tapes.current = { strip, strips };
  // What is only being tried is not read yet.
  const settled = sight.house.plan.strips.find((each) => each.id === strip?.id)?.marks.find((each) => each.part === chosen) ?? mark;
  /** Goes on to the next open mark, at once; returns its name, or null when there is none. */
  const goOn = (from: StripMark): string | null => {
    const next = strip && nextAfter(step, strips, strip, from, new Set([...session.look().pending.keys(), nameOf(from) ?? ""]));
    if (next) goTo(next);
    return next ? nameOf(next.mark) : null;
  };
  latest.current = goOn;
  const takeUp = (id: string) => {
    const wantedStrip = strips.find((each) => each.id === id);
    const first = wantedStrip && firstOpen(step, strips, wantedStrip, sight.pending);
    setStrip(id);
    if (first) setChosen(first.part);
  };
  const goToStep = (next: string, part: string | null, from = "step") => {
    setView(null);
    setStrip(null);
    setChoice(part ? { step: next, part } : null);
    if (!SIDES[from]?.STAYS) setSide("step");
    go(`/house/${id}/${next}`);
  };
  const Beside = SIDES[side]?.default;
  const keys = { onKeys: () => setSide(side === "keys" ? "step" : "keys"), keysOpen: side === "keys" };
  return (
    <Layout>
      <TopLine
        narrow={narrow}
        onVerdicts={() => setSide(side === "verdicts" ? "step" : "verdicts")}
        verdictsOpen={side === "verdicts"}
        {...keys}
      />
      <Rail steps={plan.steps} current={step.id} onGo={(next) => goToStep(next, null, side)} />
      {Beside ? (
        <Beside step={step} window={window} onClose={() => setSide("step")} onOpen={setSide} onGo={goToStep} />
      ) : (
        <Caught key={step.id} what="The step">
          <Panel step={step} says={settled?.says ?? ""} house={id} version={(past ?? sight.house).version} pressed={glowing?.pressed ?? null} onLight={light} onShow={choose} onCards={() => go(`/house/${id}/${step.id}/cards`)} onAct={(action) => (action.opens ? setSide(action.opens) : session.act(`/acts/${action.id}`))} />
        </Caught>
      )}
      <Middle>
        {past && (
          <Past role="status">
            <span>
              As it was at version <Words>{String(past.version)}</Words>.
            </span>
            <Plain onPress={() => void session.lookAt(null)}>Back to now</Plain>
          </Past>
        )}
        <Tabs
          label="Views"
          ways={[
            ...pages.map((each) => ({ id: each.id, label: each.title })),
            ...views.map((each) => ({ id: each.view, label: each.title })),
            ...(standing ? [{ id: ROUND, label: "In the round" }] : []),
          ]}
          current={page?.id ?? (round ? ROUND : (view?.view ?? ""))}
          onChoose={setView}
          aside={{ label: "as a table", pressed: asTable, onPress: () => setTable(!asTable) }}
        />
        <DrawingPlace>
          {round && <House house={id} version={(past ?? sight.house).version} chosen={chosen} lights={lights} onChoose={press} />}
          {Page && !asTable && <Page house={id} version={sight.house.version} />}
          {view && !round && (!Page || asTable) && (
            <Caught key={view.view} what="The drawing">
              {asTable ? (
                <NumberTable house={id} version={(past ?? sight.house).version} drawing={view} strip={strip ?? null} />
              ) : (
                <DrawingView drawing={view} plan={plan} step={past || told ? still(step) : step} chosen={chosen} lights={lights} onChoose={choose} onPress={press} open={!past && !told} whole={told !== undefined} />
              )}
            </Caught>
          )}
        </DrawingPlace>
        {!asTable && <How step={step} shown={view?.view ?? ""} onShow={setView} />}
        {strip && (
          <StripPlace aria-label="Tape">
            <Tabs
              label="Tapes"
              ways={strips.map((each) => ({ id: each.id, label: each.title }))}
              current={strip.id}
              onChoose={takeUp}
              about={strip.about}
              end={
                !past &&
                mark &&
                (mark.tick ? (
                  <Tick mark={mark} onTick={tick} />
                ) : (
                  <Entry title={strip.title} mark={settled ?? mark} laser={strip.id.startsWith("level:")} onNext={() => goOn(mark)} />
                ))
              }
            />
            <Late strips={strips} chosen={mark?.entry?.measure} onGo={goTo} />
            <TapeStrip key={strip.id} strip={strip} units={plan.tape.units} chosen={chosen} onChoose={choose} onTick={tick} />
          </StripPlace>
        )}
      </Middle>
      <More aria-label="Beside the work">
        <Plain onPress={() => setSide("history")}>History</Plain>
        <Plain onPress={() => setSide("files")}>Print and files</Plain>
        <Plain onPress={() => setSun(!sun)} aria-pressed={sun}>
          {sun ? "Out of the sun" : "For the sun"}
        </Plain>
        {narrow && <UnitsAndKeys {...keys} />}
        <p>{plan.planning_aid}</p>
      </More>
    </Layout>
  );
}

/** A step without grips, for the past and for drawings of one thing to do. */
const still = (step: StepPlan): StepPlan => ({ ...step, grips: [] });

/** A field with something typed in it that isn't taken yet has an undo of its own. */
const halfTyped = (target: EventTarget | null): boolean => target instanceof HTMLInputElement && target.dataset.typing !== undefined;
