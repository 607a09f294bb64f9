import { type Remote, wrap } from 'comlink';
import type { DrillCup, Level } from '#core/training';
import type { DrillWorker, Question } from './drill.worker';

let remote: Remote<DrillWorker> | null = null;
/** Draws in the worker: the page is never held up. */
export function drawQuestion(
  cups: readonly DrillCup[],
  level: Level,
  seed: number,
): Promise<Question | null> {
  remote ??= wrap<DrillWorker>(
    new Worker(new URL('./drill.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote.draw(cups, level, seed);
}
