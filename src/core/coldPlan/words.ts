import type { Minute, WeekPlan } from './problem';
import type { Reason } from './reasons';

/** How moments and vessels are written where a plan is spoken of. */
export type PlanSay = {
  readonly time: (at: Minute) => string;
  readonly vessel: (id: string) => string;
};
const glasses = (n: number): string => (n === 1 ? '1 glass' : `${n} glasses`);

/** Why glasses are short, in one sentence. */
export function reasonWords(r: Reason, say: PlanSay): string {
  switch (r.kind) {
    case 'tooLate':
      return `Leaf that goes in now is ready at ${say.time(r.ready)} at the earliest.`;
    case 'nobody':
      return r.span
        ? `Nobody is there from ${say.time(r.span.from)} to ${say.time(r.span.to)} to start or lift a batch.`
        : 'Nobody is there in time to start or lift a batch.';
    case 'vessels':
      return `Every pitcher that suits is in use then: ${r.stand.map(say.vessel).join(', ')}.`;
    case 'fridge':
      return r.places === null
        ? 'The fridge is full then.'
        : `The fridge is full then: ${r.places} of ${r.places} places.`;
    case 'pins':
      return 'A batch that stays is in the way.';
    case 'several':
      return 'Hands, pitchers and room are all short then.';
  }
}

/** How good the plan is, against the best there could be. */
export function boundWords(
  { merit, bound, proven }: WeekPlan,
  volume: (ml: number) => string,
): string {
  if (proven) return 'No better plan exists.';
  if (bound.unmet < merit.unmet)
    return `No plan leaves fewer than ${glasses(bound.unmet)} short. A better plan is possible.`;
  if (bound.thrown < merit.thrown)
    return `No plan serves more glasses. Another plan may throw out less: ${volume(bound.thrown)} at the least.`;
  const fewer = merit.batches - bound.batches;
  return fewer > 0
    ? `No plan serves more or throws out less; at most ${fewer} ${fewer === 1 ? 'batch' : 'batches'} fewer are possible.`
    : 'No plan serves more or throws out less.';
}
