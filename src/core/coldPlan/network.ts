import type { Minute, Pin, PlanFill, PlanLine, Pour } from './problem';
import type { Taken } from './room';

/**
 * One step along a line: from so many glasses behind us, served or missed, to so many. A step without a batch misses
 * what is left of a service.
 */
export type Step = {
  readonly to: number;
  readonly lost: number;
  readonly effort: number;
  /**
   * Parts steps that cost the same: less for a batch of the plan before, then for one whose hours are nearer to its
   * best.
   */
  readonly rank: number;
  readonly batch: StepBatch | null;
  /** Its pin by place in the line's own list; -1: none. */
  readonly pin: number;
};
export type StepBatch = {
  readonly pin: Pin | null;
  readonly kind: string;
  readonly fill: PlanFill;
  readonly start: Minute;
  readonly lift: Minute;
  readonly pours: readonly Pour[];
  readonly taken: Taken;
};

/**
 * A line as a network: its demand glass by glass from left to right. Every plan of the line is a path, since one
 * batch is open at a time. A pin that is used nowhere is added at the end, as what it takes and costs when it serves nobody.
 */
export type Network = {
  readonly line: PlanLine;
  readonly glasses: number;
  readonly steps: readonly (readonly Step[])[];
  readonly idle: readonly Step[];
};
