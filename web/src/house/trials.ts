import type { Edit, HousePlan } from "../api/client";

/** What trials are made with, and who is told of them. */
interface Place {
  /** Whether nothing is being saved: a trial is of the house as it will stand once what was asked before is. */
  free(): boolean;
  ask(edits: Edit[]): Promise<HousePlan>;
  show(plan: HousePlan, measure: string): void;
  refuse(measure: string, text: string | null, error: unknown): void;
}

/** Trials of edits: they go one at a time and only the newest waits, so a drag never queues up behind itself. */
export class Trials {
  private waiting: Edit[] | null = null;
  private last: Edit[] | null = null;
  private asking = false;
  /** Counts how often what was tried was forgotten: what comes back of an earlier round isn't shown. */
  round = 0;

  constructor(private readonly place: Place) {}

  /** Try edits in place of whatever was to be tried. */
  attempt(edits: Edit[]): void {
    this.waiting = this.last = edits;
    void this.run();
  }

  /** Ask once more for what is tried, as more of it is shown. */
  again(): void {
    if (this.last) this.attempt(this.last);
  }

  /** Forget what is tried. */
  end(): void {
    this.round += 1;
    this.waiting = this.last = null;
  }

  async run(): Promise<void> {
    if (this.asking) return;
    this.asking = true;
    while (this.waiting && this.place.free()) {
      const edits = this.waiting;
      const measure = edits[0]?.measure ?? "";
      const round = this.round;
      this.waiting = null;
      try {
        const plan = await this.place.ask(edits);
        if (round === this.round) this.place.show(plan, measure);
      } catch (error) {
        if (round === this.round) this.place.refuse(measure, edits[0]?.text ?? null, error);
      }
    }
    this.asking = false;
  }
}

/** A plan of which only some drawings came, with the others as they were. */
export const withOthers = (plan: HousePlan, before: HousePlan): HousePlan => {
  const came = new Set(plan.drawings.map((each) => each.view));
  return { ...plan, drawings: [...plan.drawings, ...before.drawings.filter((each) => !came.has(each.view))] };
};
