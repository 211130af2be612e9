import { AwayError, api, type Edit, type FieldTrouble, type HouseOut, ProblemError } from "../api/client";
import { type Errand, NOT_SENT, newKey, type Outcome, run, SPOT, sameSteps, turnsBack, type Wanted, waitingOf } from "./errand";
import { hold, letGo } from "./held";
import { refusalOf, refusedOf, sentencesOf } from "./refused";
import { firstSight, type Sight } from "./sight";
import { Trials, withOthers } from "./trials";
import { keepUnsaved, type Unsaved, without, withSent, withTyped } from "./unsaved";

interface Job {
  errand: Errand;
  settle: ((outcome: Outcome) => void)[];
}

const RETRY_MS = 1200;
const WATCH_MS = 1000;

/**
 * One house open on the bench.
 *
 * Changes are sent in order, each under a name of its own, and kept until the server has said that they
 * are saved. What is typed belongs to its field until it is taken: no answer changes or drops it.
 */
export class HouseSession {
  private sight: Sight;
  private readonly listeners = new Set<() => void>();
  private jobs: Job[] = [];
  private working = false;
  /** Whether what is shown of the step was not asked for since the last change. */
  private behind = false;
  /** The drawing that is looked at: of a trial no other is asked for. */
  private view = "";
  private readonly trials = new Trials({
    free: () => !this.working,
    ask: async (edits) => (await api.attempt(this.sight.house.id, { edits, step: this.step, view: this.view })).plan,
    show: (plan, measure) => this.show({ plan: withOthers(plan, this.sight.house.plan), trying: true, refusals: without(this.sight.refusals, measure) }),
    refuse: (measure, text, error) => this.refuse(measure, text, error),
  });
  private watcher = 0;

  constructor(
    house: HouseOut,
    private readonly window: string,
    /** The step that is shown: only its drawings and tapes are asked for. */
    private step: string,
    left: Unsaved,
  ) {
    this.sight = firstSight(house, left);
    if (left.errands.length) {
      this.jobs = left.errands.map((errand) => ({ errand, settle: [] }));
      void this.runJobs();
    }
  }

  /** Take over what another window left, besides what is here. */
  adopt(left: Unsaved): void {
    const known = new Set(this.jobs.map(({ errand }) => errand.key));
    const fresh = left.errands.filter((errand) => !known.has(errand.key));
    this.jobs.push(...fresh.map((errand) => ({ errand, settle: [] })));
    this.show({ drafts: { ...left.drafts, ...this.sight.drafts } });
    if (fresh.length) void this.runJobs();
  }

  readonly look = (): Sight => this.sight;

  readonly watch = (listener: () => void): (() => void) => {
    if (this.listeners.size === 0) this.watcher = globalThis.setInterval(() => void this.catchUp(), WATCH_MS);
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size === 0) clearInterval(this.watcher);
    };
  };

  /** Whether closing the window now would lose something. */
  get unsaved(): boolean {
    return this.jobs.length > 0 || Object.values(this.sight.drafts).some((draft) => draft.text.trim() !== "");
  }

  private show(change: Partial<Sight>): void {
    const drafts = change.drafts && change.drafts !== this.sight.drafts;
    this.sight = { ...this.sight, ...change };
    if (drafts) this.keep();
    for (const listener of this.listeners) listener();
  }

  private keep(): void {
    keepUnsaved(this.sight.house.id, this.window, { errands: this.jobs.map(({ errand }) => errand), drafts: this.sight.drafts });
  }

  private preview(previewing: boolean): void {
    if (previewing !== this.sight.previewing) this.show({ previewing });
  }

  /** The house was fetched anew: another window may have changed it. */
  refresh(house: HouseOut, step: string): void {
    this.step = step;
    if (this.working || house.version < this.sight.house.version) return;
    this.show({ house, past: null, ...(this.sight.trying ? {} : { plan: house.plan }) });
  }

  /** Another window's change appears here. */
  private async catchUp(): Promise<void> {
    if (this.working || document.hidden) return;
    try {
      const { id, version } = this.sight.house;
      const now = await api.version(id);
      if (this.working) return;
      if (this.sight.saved === "away") this.show({ saved: "saved", why: "" });
      if (now.version === version) return;
      const house = await api.house(id, this.window, this.step);
      if (this.working) return;
      this.show({ house, notice: "changed in another window", ...(this.sight.trying ? {} : { plan: house.plan }) });
      this.askAgain();
    } catch (error) {
      this.away(error);
    }
  }

  /** Says that the bench is away, and why if it is known. */
  private away(error: unknown): boolean {
    if (!(error instanceof AwayError)) return false;
    this.show({ saved: "away", why: error.cause ? error.message : "" });
    return true;
  }

  /** Another step is shown: its drawings and tapes are fetched. */
  async turnTo(step: string): Promise<void> {
    if (step === this.step) return;
    this.step = step;
    const { house, past } = this.sight;
    try {
      if (past) await this.lookAt(past.version);
      const fresh = await api.house(house.id, this.window, step);
      if (this.step !== step) return;
      if (this.working || fresh.version < this.sight.house.version) {
        // A change was under way, whose answer is of the step before: the new one is asked for after it.
        this.behind = true;
        return this.working ? undefined : await this.reread();
      }
      this.show({ house: fresh, ...(this.sight.trying ? {} : { plan: fresh.plan }) });
    } catch (error) {
      if (!this.away(error)) this.show({ notice: (error as Error).message });
    }
  }

  /** Asks once more for the step that is shown, where an answer of another one came in between. */
  private async reread(): Promise<void> {
    this.behind = false;
    const house = await api.house(this.sight.house.id, this.window, this.step).catch((error: unknown) => void this.away(error));
    if (house) this.refresh(house, this.step);
  }

  /** What is typed into a field: it stays there until it is taken or taken back. */
  type(measure: string, text: string): void {
    this.show({ drafts: withTyped(this.sight.drafts, measure, text, this.sight.house.version) });
  }

  /** Forget what is typed into a field. */
  untype(measure: string): void {
    this.show({ drafts: without(this.sight.drafts, measure) });
  }

  /** Whether what is typed into a field is what was last sent of it, and still on its way: it goes with that then. */
  goesAlready(measure: string, text: string): boolean {
    const last = this.lastOf(measure);
    if (last?.edits[0]?.text !== text) return false;
    this.show({ drafts: withSent(this.sight.drafts, last) });
    return true;
  }

  /** Show what edits would come to, without saving them; a preview leaves the verdicts as they are saved. */
  attempt(edits: Edit[], preview = false): void {
    this.preview(preview);
    this.trials.attempt(edits);
  }

  /** Another drawing is looked at; of what is tried it was not asked for yet. */
  face(view: string): void {
    if (view === this.view) return;
    this.view = view;
    if (this.sight.trying) this.trials.again();
  }

  /** Forget the trial and show the house as saved; what was typed and refused of a measure is forgotten too. */
  drop(measure = ""): void {
    this.trials.end();
    this.untype(measure);
    this.show({ plan: this.sight.house.plan, trying: false, previewing: false, refusals: without(this.sight.refusals, measure) });
  }

  /**
   * Make a change for good. Key presses of one burst and parts of one drag share a gesture. What was typed
   * counts from the version that it was typed over. The promise tells whether the change was taken.
   */
  async commit(edits: Edit[], gesture: string): Promise<boolean> {
    this.trials.end();
    this.preview(false);
    const last = this.jobs.at(-1);
    const [edit, before] = [edits[0], last?.errand.edits[0]];
    const waiting = this.jobs.length > (this.working ? 1 : 0);
    if (last && edit && before && waiting && last.errand.gesture === gesture && sameSteps(before, edit)) {
      before.steps = (before.steps ?? 0) + (edit.steps ?? 0);
      this.keep();
      return new Promise((settle) => last.settle.push((outcome) => settle(outcome === "taken")));
    }
    const own = edits.map((each) => ({ ...each }));
    const version = this.sight.drafts[edit?.measure ?? ""]?.base;
    const outcome = await this.enqueue({ method: "PATCH", path: "", body: { version, gesture, edits: own }, edits: own, gesture, measure: edit?.measure ?? "" });
    return outcome === "taken";
  }

  /** Tick a peg or post off, or take that back. */
  tick(tick: string, done: boolean): void {
    void this.enqueue({ method: "POST", path: "/ticks", body: { tick, done }, measure: tick });
  }

  /** Do what an action of a step does, count by thumb, start and stop the work's clock, take out what was put in. */
  act(path: string, body: Record<string, unknown> = {}, method: "POST" | "DELETE" = "POST", measure = ""): void {
    void this.enqueue({ method, path, body, measure });
  }

  /** Keep a picture of the work with a card. */
  keepPhoto(image: Blob, body: { step: string; card: string; taken_s: number }): void {
    void this.enqueue({ method: "POST", path: "/photos", body, held: hold(image) });
  }

  /** Read the linked laser level with the rod at a peg; what goes wrong is said at the peg's field. */
  readLaser(measure: string): void {
    void this.enqueue({ method: "POST", path: "/level-shots", body: { peg: measure.split(".").at(-1) ?? "" }, measure });
  }

  /** Keep a spot as typed, or with what the laser reads there; returns what can't be used. */
  async keepSpot(along: string, across: string, rod: string | null): Promise<FieldTrouble[]> {
    const outcome = await this.enqueue({ method: "POST", path: "/spots", body: { along, across, rod }, measure: SPOT });
    return outcome === "taken" ? [] : outcome;
  }

  /** Take a spot out. */
  takeOutSpot(id: string): void {
    const path = `/spots/${encodeURIComponent(id)}`;
    if (!this.sight.pending.has(path)) void this.enqueue({ method: "DELETE", path, body: {}, measure: path });
  }

  /** Take readings from pasted text or a file; returns what is wrong with it, line by line. */
  async takeReadings(text: Blob): Promise<string[]> {
    const { id } = this.sight.house;
    if (this.working) return ["Something is still being saved. Try again in a moment."];
    this.working = true;
    try {
      const house = await api.takeReadings(id, this.step, text, this.window, newKey());
      this.show({ house, plan: house.plan, trying: false, notice: "" });
      return [];
    } catch (error) {
      return sentencesOf(error);
    } finally {
      this.working = false;
      void this.runJobs();
    }
  }

  /** Undo this window's own last gesture, or make it again; what only waits to be sent is let go, and what it was of told. */
  undo(way: "undo" | "redo"): string | null {
    this.drop();
    const last = this.jobs.length > 1 ? this.jobs.at(-1) : undefined;
    if (way === "redo" || !last || turnsBack(last.errand)) {
      void this.enqueue({ method: "POST", path: `/${way}`, body: {} });
      return null;
    }
    const { key, measure, held } = last.errand;
    this.jobs.pop();
    if (held) void letGo(held);
    if (this.sight.drafts[measure]?.sentBy === key) this.untype(measure);
    this.show({ pending: waitingOf(this.jobs) });
    this.keep();
    for (const settle of last.settle) settle(NOT_SENT);
    return measure;
  }

  /** Show the house as it was at a version, or as it is. */
  async lookAt(version: number | null): Promise<void> {
    try {
      this.show({ past: version === null ? null : await api.revision(this.sight.house.id, this.step, version) });
    } catch (error) {
      if (!this.away(error)) this.show({ notice: (error as Error).message });
    }
  }

  /** Make an earlier version the house again. */
  async bringBack(version: number): Promise<void> {
    await this.enqueue({ method: "PUT", path: "/revision", body: { to: version } });
    this.show({ past: null });
  }

  /** Settle a standoff: make my change on top of the other one, or leave the other one. */
  settleStandoff(takeMine: boolean): void {
    const { standoff, drafts } = this.sight;
    const typed = new Set(standoff?.edits.map((edit) => edit.measure));
    this.show({ standoff: null, drafts: Object.fromEntries(Object.entries(drafts).filter(([measure]) => !typed.has(measure))) });
    if (standoff?.edits.length && takeMine) void this.commit(standoff.edits, "");
  }

  private enqueue(wanted: Wanted): Promise<Outcome> {
    const body = { ...wanted.body, ...(!turnsBack(wanted) ? { version: wanted.body.version ?? this.sight.house.version } : {}) };
    const errand: Errand = { key: newKey(), edits: [], gesture: "", measure: "", ...wanted, body };
    return new Promise((settle) => {
      this.jobs.push({ errand, settle: [settle] });
      this.show({ drafts: withSent(this.sight.drafts, errand) });
      this.keep();
      void this.runJobs();
    });
  }

  /** What was last sent of a field, and is still on its way; null when nothing is. */
  sent(measure: string): string | null {
    return this.lastOf(measure)?.edits[0]?.text ?? null;
  }

  private lastOf(measure: string): Errand | undefined {
    return this.jobs.findLast(({ errand }) => errand.measure === measure)?.errand;
  }

  private async runJobs(): Promise<void> {
    if (this.working) {
      this.show({ pending: waitingOf(this.jobs) });
      return;
    }
    this.working = true;
    while (this.jobs[0]) {
      this.show({ saved: this.sight.saved === "away" ? "away" : "saving", pending: waitingOf(this.jobs) });
      const job = this.jobs[0];
      const outcome = await this.runJob(job.errand);
      if (outcome === "away") {
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
        continue;
      }
      this.jobs.shift();
      this.keep();
      if (job.errand.held) void letGo(job.errand.held);
      this.show({ pending: waitingOf(this.jobs) });
      for (const settle of job.settle) settle(outcome);
    }
    this.working = false;
    this.show({ saved: "saved", why: "" });
    if (this.behind) void this.reread();
    void this.trials.run();
  }

  /** Sends an errand; one that was not answered, or that the server can't keep now, is sent again. */
  private async runJob(errand: Errand): Promise<Outcome | "away"> {
    const round = this.trials.round;
    const { measure } = errand;
    const text = errand.edits[0]?.text ?? null;
    try {
      const house = await run(errand, this.sight.house.id, this.window, this.step);
      if (this.sight.drafts[measure]?.sentBy === errand.key) this.untype(measure);
      const shown = round === this.trials.round || !this.sight.trying ? { plan: house.plan, trying: false } : {};
      this.show({ house, saved: "saving", why: "", notice: "", refusals: without(this.sight.refusals, measure), ...shown });
      this.askAgain();
      return "taken";
    } catch (error) {
      if (this.away(error) || !(error instanceof ProblemError)) return "away";
      const { current, clashes, detail, errors } = error.problem;
      if (current) {
        // The answer was made for no window in particular; what can be undone is asked for again.
        const house = await api.house(current.id, this.window, this.step).catch(() => current);
        const standoff = clashes?.length ? { clashes, edits: errand.edits } : null;
        if (!standoff) this.retype(measure, text, house.version);
        this.show({ house, plan: house.plan, trying: false, standoff, notice: standoff ? "" : detail });
      } else if (measure && measure !== SPOT) {
        this.retype(measure, text);
        this.refuse(measure, text, error);
      } else if (measure !== SPOT) this.show({ notice: detail });
      return errors?.length ? errors : [{ path: "", measure: null, sentence: detail }];
    }
  }

  /** The house has changed: what was refused before is asked for anew, or its sentence goes. */
  private askAgain(): void {
    const { again, over } = refusedOf(this.sight);
    for (const measure of over) this.show({ refusals: without(this.sight.refusals, measure) });
    for (const edit of again) {
      this.retype(edit.measure ?? "", edit.text ?? null);
      void this.commit([edit], newKey()).then((taken) => {
        if (taken) this.show({ notice: `can be taken now, and is: ${this.sight.house.undo}` });
      });
    }
  }

  /** What was typed and could not be taken is in its field again, unless something else was typed there since. */
  private retype(measure: string, text: string | null, base = this.sight.house.version): void {
    const draft = this.sight.drafts[measure];
    if (text === null || this.sight.house.plan.measures[measure]?.options.length || (draft && draft.text !== text)) return;
    this.show({ drafts: withTyped(without(this.sight.drafts, measure), measure, text, base) });
  }

  private refuse(measure: string, text: string | null, error: unknown): void {
    if (this.away(error) || !(error instanceof ProblemError)) return;
    this.show({ refusals: { ...this.sight.refusals, [measure]: refusalOf(error, measure, text) }, plan: this.sight.house.plan, trying: false });
  }
}
