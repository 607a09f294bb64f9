import { pick, type Random } from '#core/numeric';
import { sizesOfLever, type Turn } from './cures';
import type { Diagnosis } from './diagnosis';
import { type FaultName, FAULTS, type HouseCup } from './faults';
import { isPair, partsOf } from './pairs';
import type { DiagnosisAnswer } from './score';

/** Somebody made up who learns: how often the fault is seen, and how far sizes are off (a share of the size). */
export type Learner = { readonly sees: number; readonly sizeOff: number };

function turnFor(
  house: HouseCup,
  d: Diagnosis,
  named: FaultName,
  { sizeOff }: Learner,
  random: Random,
): Turn {
  const { cure, act } = FAULTS[named];
  if (cure === 'vessel' && act) return { lever: 'vessel', act };
  const lever = cure === null || cure === 'vessel' ? 'time' : cure;
  const sizes = sizesOfLever(house, d.made, lever);
  const best = d.brackets.find((b) => b.lever === lever)?.best ?? pick(random, sizes);
  const meant = best * (1 + sizeOff * (2 * random() - 1));
  const size = sizes.reduce(
    (near, s) => (Math.abs(s - meant) < Math.abs(near - meant) ? s : near),
    sizes[0] ?? 5,
  );
  return { lever, size };
}
/** What a learner answers: for simulated answers only, as in the demo. */
export function learnerAnswer(
  house: HouseCup,
  d: Diagnosis,
  learner: Learner,
  random: Random,
): DiagnosisAnswer {
  const [truth] = d.right;
  const cause = random() < learner.sees && truth ? truth : pick(random, d.choices);
  const named = isPair(cause) ? partsOf(cause) : [cause];
  const turns = d.faults.map((_, i) =>
    turnFor(house, d, named[i] ?? named[0] ?? 'long', learner, random),
  );
  return { cause, turns };
}
