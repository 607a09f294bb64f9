import type { PlanProblem, WeekPlan } from './problem';

/** A whole fill that is made for one glass. */
export type LastGlass = {
  readonly line: string;
  /** The service that glass is poured in, as the problem numbers them. */
  readonly service: number;
  readonly vessel: string;
  /** What of the fill nobody drinks, ml. */
  readonly thrown: number;
};

/** Fills of the plan that are made for one glass each; those that somebody placed by hand are meant. */
export const lastGlasses = (problem: PlanProblem, plan: WeekPlan): LastGlass[] =>
  plan.batches.flatMap((b): LastGlass[] => {
    const [pour, ...more] = b.pours;
    if (!pour || more.length > 0 || pour.glasses !== 1 || b.glasses < 2 || b.pin !== null)
      return [];
    const serving = problem.lines.find((l) => l.id === b.line)?.serving ?? 0;
    return [
      {
        line: b.line,
        service: pour.service,
        vessel: b.vessel,
        thrown: (b.glasses - 1) * serving,
      },
    ];
  });
