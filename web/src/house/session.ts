import { AwayError, api, type Edit, type HouseOut, type HousePlan, ProblemError } from "../api/client";

/** What was typed or dragged and can't be used: kept beside the field, so that nothing is lost. */
export interface Refusal {
  sentence: string;
  nearest: string | null;
}

export type Saved = "saved" | "saving" | "away";

/** What the bench shows: the house as saved, or as a drag or a half-typed length would make it. */
export interface Sight {
  house: HouseOut;
  plan: HousePlan;
  trying: boolean;
  saved: Saved;
  refusals: Readonly<Record<string, Refusal>>;
  notice: string;
}

type Job =
  | { kind: "edit"; edits: Edit[]; gesture: string; settle: ((accepted: boolean) => void)[] }
  | { kind: "tick"; tick: string; done: boolean };

const RETRY_MS = 1200;
const WINDOW = crypto.randomUUID().slice(0, 8);

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
  private trial: Edit | null = null;
  private tryingNow = false;
  private trialRound = 0;

  constructor(house: HouseOut) {
    this.sight = {
      house,
      plan: house.plan,
      trying: false,
      saved: "saved",
      refusals: {},
      notice: "",
    };
  }

  readonly look = (): Sight => this.sight;

  readonly watch = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private show(change: Partial<Sight>): void {
    this.sight = { ...this.sight, ...change };
    for (const listener of this.listeners) listener();
  }

  /** Show what an edit would come to, without saving it. */
  attempt(edit: Edit): void {
    this.trial = edit;
    if (!this.tryingNow) void this.runTrials();
  }

  private async runTrials(): Promise<void> {
    this.tryingNow = true;
    while (this.trial) {
      const edit = this.trial;
      const round = this.trialRound;
      this.trial = null;
      const { design, record } = this.sight.house;
      try {
        const { plan } = await api.attempt({ design, record, edits: [edit] });
        if (round === this.trialRound) this.show({ plan, trying: true, refusals: this.without(edit.measure) });
      } catch (error) {
        if (round === this.trialRound) this.refuse(edit.measure, error);
      }
    }
    this.tryingNow = false;
  }

  /** Forget the trial and show the house as saved; what was refused is forgotten too. */
  drop(measure: string): void {
    this.trialRound += 1;
    this.trial = null;
    this.show({ plan: this.sight.house.plan, trying: false, refusals: this.without(measure) });
  }

  /**
   * Make a change for good. Key presses of one burst and parts of one drag share a gesture.
   * The promise tells whether the change was taken or refused.
   */
  commit(edit: Edit, gesture: string): Promise<boolean> {
    this.trialRound += 1;
    this.trial = null;
    const last = this.jobs.at(-1);
    const before = last?.kind === "edit" && last.gesture === gesture ? last.edits.at(-1) : undefined;
    const waiting = this.jobs.length > (this.working ? 1 : 0);
    if (
      before &&
      waiting &&
      edit.steps != null &&
      before.steps != null &&
      before.measure === edit.measure &&
      before.stride === edit.stride
    ) {
      before.steps += edit.steps;
      return new Promise((settle) => last?.kind === "edit" && last.settle.push(settle));
    }
    return new Promise((settle) => {
      this.jobs.push({ kind: "edit", edits: [{ ...edit }], gesture, settle: [settle] });
      void this.runJobs();
    });
  }

  /** Tick a peg or post off, or take that back. */
  tick(tick: string, done: boolean): void {
    this.jobs.push({ kind: "tick", tick, done });
    void this.runJobs();
  }

  private async runJobs(): Promise<void> {
    if (this.working) return;
    this.working = true;
    while (this.jobs[0]) {
      this.show({ saved: this.sight.saved === "away" ? "away" : "saving" });
      if (await this.runJob(this.jobs[0])) this.jobs.shift();
      else await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
    }
    this.working = false;
    this.show({ saved: "saved" });
  }

  /** Returns whether the job is settled; one that could not be delivered is tried again. */
  private async runJob(job: Job): Promise<boolean> {
    const { id, version } = this.sight.house;
    const round = this.trialRound;
    try {
      const house =
        job.kind === "edit"
          ? await api.change(id, { version, window: WINDOW, gesture: job.gesture, edits: job.edits })
          : await api.tick(id, { version, window: WINDOW, tick: job.tick, done: job.done });
      const refusals = job.kind === "edit" ? this.without(job.edits[0]?.measure ?? "") : this.sight.refusals;
      const current = round === this.trialRound;
      this.show({
        house,
        saved: "saving",
        notice: "",
        refusals,
        ...(current || !this.sight.trying ? { plan: house.plan, trying: false } : {}),
      });
      this.settle(job, true);
      return true;
    } catch (error) {
      if (error instanceof ProblemError && error.problem.status === 409 && error.problem.current) {
        const house = error.problem.current;
        this.show({ house, plan: house.plan, trying: false, notice: "Changed in another window; your change was made on top." });
        return false;
      }
      if (error instanceof ProblemError) {
        this.refuse(job.kind === "edit" ? (job.edits[0]?.measure ?? "") : "", error);
        this.settle(job, false);
        return true;
      }
      this.show({ saved: "away" });
      return false;
    }
  }

  private settle(job: Job, accepted: boolean): void {
    if (job.kind === "edit") for (const settle of job.settle) settle(accepted);
  }

  private refuse(measure: string, error: unknown): void {
    if (error instanceof ProblemError) {
      const found = error.problem.errors?.find((each) => each.measure === measure) ?? error.problem.errors?.[0];
      const refusal = { sentence: found?.sentence ?? error.message, nearest: found?.nearest ?? null };
      this.show({ refusals: { ...this.sight.refusals, [measure]: refusal }, plan: this.sight.house.plan, trying: false });
    } else if (error instanceof AwayError) {
      this.show({ saved: "away" });
      if (!this.working) setTimeout(() => this.listenAgain(), RETRY_MS);
    } else throw error;
  }

  private async listenAgain(): Promise<void> {
    try {
      await api.house(this.sight.house.id);
      if (!this.working) this.show({ saved: "saved" });
    } catch {
      setTimeout(() => this.listenAgain(), RETRY_MS);
    }
  }

  private without(measure: string): Record<string, Refusal> {
    const { [measure]: _, ...rest } = this.sight.refusals;
    return rest;
  }
}
