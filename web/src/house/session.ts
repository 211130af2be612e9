import { AwayError, api, type Clash, type Edit, type FieldTrouble, type HouseOut, type HousePlan, ProblemError } from "../api/client";

/** What was typed or dragged and can't be used: kept beside the field, so that nothing is lost. */
export interface Refusal {
  sentence: string;
  nearest: string | null;
}

/** A change that another window has changed too: both values, and the change to make if mine is taken. */
export interface Standoff {
  clashes: Clash[];
  edits: Edit[];
}

export type Saved = "saved" | "saving" | "away";

/** What the bench shows: the house as saved, or as a trial would make it, or as it once was. */
export interface Sight {
  house: HouseOut;
  plan: HousePlan;
  trying: boolean;
  previewing: boolean;
  past: HouseOut | null;
  saved: Saved;
  refusals: Readonly<Record<string, Refusal>>;
  standoff: Standoff | null;
  notice: string;
}

interface Job {
  send: (version: number) => Promise<HouseOut>;
  edits: Edit[];
  gesture: string;
  measure: string;
  settle: ((accepted: boolean) => void)[];
}

const RETRY_MS = 1200;
const WATCH_MS = 1000;

/**
 * One house open on the bench.
 *
 * Trials go one at a time and only the newest waits, so a drag never queues up behind itself.
 * Changes are sent in order and kept until the server has said that they are saved.
 */
export class HouseSession {
  private sight: Sight;
  private readonly listeners = new Set<() => void>();
  private jobs: Job[] = [];
  private working = false;
  private trial: Edit[] | null = null;
  private tryingNow = false;
  private trialRound = 0;
  private watcher = 0;

  constructor(
    house: HouseOut,
    private readonly window: string,
    /** The step that is shown: only its drawings and tapes are asked for. */
    private step: string,
  ) {
    this.sight = {
      house,
      plan: house.plan,
      trying: false,
      previewing: false,
      past: null,
      saved: "saved",
      refusals: {},
      standoff: null,
      notice: "",
    };
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

  private show(change: Partial<Sight>): void {
    this.sight = { ...this.sight, ...change };
    for (const listener of this.listeners) listener();
  }

  private preview(previewing: boolean): void {
    if (previewing !== this.sight.previewing) this.show({ previewing });
  }

  /** Another window's change appears here. */
  private async catchUp(): Promise<void> {
    if (this.working || document.hidden) return;
    try {
      const { id, version } = this.sight.house;
      const now = await api.version(id);
      if (this.sight.saved === "away") this.show({ saved: "saved" });
      if (now.version === version || this.working) return;
      const house = await api.house(id, this.window, this.step);
      if (this.working) return;
      this.show({ house, notice: "changed in another window", ...(this.sight.trying ? {} : { plan: house.plan }) });
    } catch (error) {
      if (error instanceof AwayError) this.show({ saved: "away" });
    }
  }

  /** Another step is shown: its drawings and tapes are fetched. */
  async turnTo(step: string): Promise<void> {
    if (step === this.step) return;
    this.step = step;
    const { house, past } = this.sight;
    if (past) await this.lookAt(past.version);
    try {
      const fresh = await api.house(house.id, this.window, step);
      if (this.step !== step || this.working || fresh.version < this.sight.house.version) return;
      this.show({ house: fresh, ...(this.sight.trying ? {} : { plan: fresh.plan }) });
    } catch (error) {
      if (error instanceof AwayError) this.show({ saved: "away" });
    }
  }

  /** Show what edits would come to, without saving them; a preview leaves the verdicts as they are saved. */
  attempt(edits: Edit[], preview = false): void {
    this.trial = edits;
    this.preview(preview);
    if (!this.tryingNow) void this.runTrials();
  }

  private async runTrials(): Promise<void> {
    this.tryingNow = true;
    while (this.trial) {
      const edits = this.trial;
      const measure = edits[0]?.measure ?? "";
      const round = this.trialRound;
      this.trial = null;
      const { design, record } = this.sight.house;
      try {
        const { plan } = await api.attempt({ design, record, edits, step: this.step });
        if (round === this.trialRound) this.show({ plan, trying: true, refusals: this.without(measure) });
      } catch (error) {
        if (round === this.trialRound) this.refuse(measure, error);
      }
    }
    this.tryingNow = false;
  }

  /** Forget the trial and show the house as saved; what was refused of a measure is forgotten too. */
  drop(measure = ""): void {
    this.trialRound += 1;
    this.trial = null;
    this.show({ plan: this.sight.house.plan, trying: false, previewing: false, refusals: this.without(measure) });
  }

  /**
   * Make a change for good. Key presses of one burst and parts of one drag share a gesture.
   * The promise tells whether the change was taken or refused.
   */
  commit(edits: Edit[], gesture: string): Promise<boolean> {
    this.trialRound += 1;
    this.trial = null;
    this.preview(false);
    const last = this.jobs.at(-1);
    const [edit, before] = [edits[0], last?.edits[0]];
    const waiting = this.jobs.length > (this.working ? 1 : 0);
    if (last && edit && before && waiting && last.gesture === gesture && sameSteps(before, edit)) {
      before.steps = (before.steps ?? 0) + (edit.steps ?? 0);
      return new Promise((settle) => last.settle.push(settle));
    }
    const own = edits.map((each) => ({ ...each }));
    const { id } = this.sight.house;
    return this.enqueue({
      send: (version) => api.change(id, this.step, { version, window: this.window, gesture, edits: own }),
      edits: own,
      gesture,
      measure: edit?.measure ?? "",
    });
  }

  /** Tick a peg or post off, or take that back. */
  tick(tick: string, done: boolean): void {
    const { id } = this.sight.house;
    void this.enqueue({ send: (version) => api.tick(id, this.step, { version, window: this.window, tick, done }), edits: [], gesture: "", measure: "" });
  }

  /** Keep the round of taping among the earlier ones, and begin another. */
  tapeAnew(): void {
    const { id } = this.sight.house;
    void this.enqueue({ send: (version) => api.tapeAnew(id, this.step, { version, window: this.window }), edits: [], gesture: "", measure: "" });
  }

  /** Read the linked laser level with the rod at a peg; what goes wrong is said at the peg's field. */
  readLaser(measure: string): Promise<boolean> {
    const { id } = this.sight.house;
    const peg = measure.replace("level:", "");
    return this.enqueue({ send: (version) => api.readLaser(id, this.step, { version, window: this.window, peg }), edits: [], gesture: "", measure });
  }

  /** Keep a spot as typed, or with what the laser reads there; what can't be used is said at its fields. */
  async keepSpot(along: string, across: string, rod: string | null): Promise<FieldTrouble[]> {
    const { id } = this.sight.house;
    let wrong: FieldTrouble[] = [];
    const send = async (version: number) => {
      try {
        return await api.keepSpot(id, this.step, { version, window: this.window, along, across, rod });
      } catch (error) {
        if (error instanceof ProblemError) wrong = error.problem.errors?.length ? error.problem.errors : [atLarge(error.message)];
        throw error;
      }
    };
    await this.enqueue({ send, edits: [], gesture: "", measure: SPOT });
    return wrong;
  }

  /** Take a spot out. */
  takeOutSpot(number: number): void {
    const { id } = this.sight.house;
    void this.enqueue({ send: (version) => api.takeOutSpot(id, this.step, number, version, this.window), edits: [], gesture: "", measure: "" });
  }

  /** Take readings from pasted text or a file; returns what is wrong with it, line by line. */
  async takeReadings(text: Blob): Promise<string[]> {
    const { id } = this.sight.house;
    if (this.working) return ["Something is still being saved. Try again in a moment."];
    this.working = true;
    try {
      const house = await api.takeReadings(id, this.step, text, this.window);
      this.show({ house, plan: house.plan, trying: false, notice: "" });
      return [];
    } catch (error) {
      if (error instanceof ProblemError) return error.problem.errors?.length ? error.problem.errors.map((each) => each.sentence) : [error.message];
      return ["The bench can’t be reached. Nothing was taken; try again."];
    } finally {
      this.working = false;
      void this.runJobs();
    }
  }

  /** Undo this window's own last gesture, or make it again. */
  undo(way: "undo" | "redo"): void {
    const { id } = this.sight.house;
    this.drop();
    void this.enqueue({ send: () => api.undo(id, this.step, way, this.window), edits: [], gesture: "", measure: "" });
  }

  /** Show the house as it was at a version, or as it is. */
  async lookAt(version: number | null): Promise<void> {
    this.show({ past: version === null ? null : await api.revision(this.sight.house.id, this.step, version) });
  }

  /** Make an earlier version the house again. */
  async bringBack(version: number): Promise<void> {
    const { id } = this.sight.house;
    await this.enqueue({ send: () => api.bringBack(id, this.step, version, this.window), edits: [], gesture: "", measure: "" });
    this.show({ past: null });
  }

  /** Settle a standoff: make my change on top of the other one, or leave the other one. */
  settleStandoff(takeMine: boolean): void {
    const standoff = this.sight.standoff;
    this.show({ standoff: null });
    if (standoff?.edits.length && takeMine) void this.commit(standoff.edits, "");
  }

  private enqueue(job: Omit<Job, "settle">): Promise<boolean> {
    return new Promise((settle) => {
      this.jobs.push({ ...job, settle: [settle] });
      void this.runJobs();
    });
  }

  private async runJobs(): Promise<void> {
    if (this.working) return;
    this.working = true;
    while (this.jobs[0]) {
      this.show({ saved: this.sight.saved === "away" ? "away" : "saving" });
      const job = this.jobs[0];
      const outcome = await this.runJob(job);
      if (outcome === "away") {
        this.show({ saved: "away" });
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
        continue;
      }
      this.jobs.shift();
      for (const settle of job.settle) settle(outcome === "taken");
    }
    this.working = false;
    this.show({ saved: "saved" });
  }

  /** Sends a job; one that could not be delivered is tried again. */
  private async runJob(job: Job): Promise<"taken" | "refused" | "away"> {
    const round = this.trialRound;
    try {
      const house = await job.send(this.sight.house.version);
      const shown = round === this.trialRound || !this.sight.trying ? { plan: house.plan, trying: false } : {};
      this.show({ house, saved: "saving", notice: "", refusals: this.without(job.measure), ...shown });
      return "taken";
    } catch (error) {
      if (!(error instanceof ProblemError)) return "away";
      const { current, clashes, detail } = error.problem;
      if (current) {
        // The answer was made for no window in particular; what can be undone is asked for again.
        const house = await api.house(current.id, this.window, this.step).catch(() => current);
        const standoff = clashes?.length ? { clashes, edits: job.edits } : null;
        this.show({ house, plan: house.plan, trying: false, standoff, notice: standoff ? "" : detail });
      } else if (job.measure) this.refuse(job.measure, error);
      else this.show({ notice: detail });
      return "refused";
    }
  }

  private refuse(measure: string, error: unknown): void {
    if (error instanceof ProblemError) {
      const own = error.problem.errors?.find((each) => each.measure === measure);
      const sentence = own?.sentence ?? error.problem.errors?.[0]?.sentence ?? error.message;
      const refusal = { sentence, nearest: own?.nearest ?? null };
      this.show({ refusals: { ...this.sight.refusals, [measure]: refusal }, plan: this.sight.house.plan, trying: false });
    } else this.show({ saved: "away" });
  }

  private without(measure: string): Record<string, Refusal> {
    const { [measure]: _, ...rest } = this.sight.refusals;
    return rest;
  }
}

const SPOT = "spot";
const atLarge = (sentence: string): FieldTrouble => ({ path: "", measure: null, sentence });

const sameSteps = (a: Edit, b: Edit): boolean =>
  a.steps != null && b.steps != null && a.measure === b.measure && a.stride === b.stride;
