import {
  batchCode,
  type FridgeAir,
  type HouseLimits,
  isStanding,
  keptUntil,
  labelTime,
  nowOf,
  windowOf,
} from '#core/cold';
import type { Label } from '#core/labels';
import { METHODS } from '#core/recipes';
import { dayAndTime, type SiteClock, weekdayAndTime } from '#core/time';
import { numberText } from '#core/units';
import type { Batch } from '#contracts/batches';

export type LabelledBatch = {
  readonly batch: Batch;
  readonly air: FridgeAir;
  readonly limits: HouseLimits;
  readonly clock: SiteClock;
  readonly address: string;
};

/** Litres as a label has them: "1.0 l". */
const litres = (ml: number): string => `${(ml / 1000).toFixed(1)} l`;

/** What every label of a batch says, whatever prints it. */
export function labelFacts({ batch, air, limits, clock }: LabelledBatch) {
  const { plan, leafIn, tea } = batch;
  const now = nowOf(batch);
  const { state } = now;
  const lifted = state.kind === 'drawn' ? state.lifted : null;
  const { best, latest } = windowOf(plan.window, leafIn);
  const { discardAt } = keptUntil(batch, now, air, limits);
  const times: readonly (readonly [what: string, when: string])[] = [
    ['leaf in', weekdayAndTime(clock, leafIn)],
    ['best at', weekdayAndTime(clock, best)],
    lifted === null
      ? ['lift by', weekdayAndTime(clock, latest)]
      : ['lifted', weekdayAndTime(clock, lifted)],
  ];
  return {
    name: tea.name,
    measures: [
      batch.vesselName,
      METHODS[plan.method].label,
      litres(plan.water),
      `${numberText(plan.leaf)} g`,
    ].join(', '),
    times,
    allergens: tea.allergens ? `Allergens: ${tea.allergens}` : 'no allergens',
    codeAndBy: `${batchCode(batch.id)}, ${batch.startedBy.name}`,
    discard: isStanding(state) ? dayAndTime(clock, labelTime(discardAt)) : 'not kept any more',
  };
}

/** The same for a label printer. */
export function labelLines(labelled: LabelledBatch): Label {
  const facts = labelFacts(labelled);
  return {
    lines: [
      { words: facts.name, style: 'name' },
      { words: facts.measures, style: 'small' },
      ...facts.times.map(([what, when]) => ({
        words: `${what}  ${when}`,
        style: 'strong' as const,
      })),
      { words: facts.codeAndBy, style: 'small' },
      { words: facts.allergens, style: 'usual' },
      { words: `discard ${facts.discard}`, style: 'block' },
    ],
    code: labelled.address,
  };
}
