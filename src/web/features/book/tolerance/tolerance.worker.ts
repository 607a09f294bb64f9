import { expose } from 'comlink';
import type { Brewing } from '#core/cup';
import { seeded } from '#core/numeric';
import { type Errors, type Study, toleranceStudy } from '#core/tolerance';

let stopped = 0;
/** Lets what was asked meanwhile be heard: a stop, above all. */
const breathe = () => new Promise<void>((r) => setTimeout(r, 0));

const worker = {
  /** Runs a study; null when a later one or a stop came in between. `id` grows with each. */
  async study(
    id: number,
    brew: Brewing,
    errors: Errors,
    seed: number,
    onShare: (share: number) => void,
  ): Promise<Study | null> {
    const run = toleranceStudy(brew, errors, { random: seeded(seed) });
    for (let part = 0; ; part++) {
      const step = run.next();
      if (step.done) return step.value;
      if (part % 4 === 3) {
        onShare(step.value);
        await breathe();
        if (stopped >= id) return null;
      }
    }
  },
  stop(upTo: number): void {
    stopped = Math.max(stopped, upTo);
  },
};
export type ToleranceWorker = typeof worker;
expose(worker);
