import {
  type BrewState,
  endedByTaste,
  firstCup,
  isNothing,
  leafInAgain,
  leafPutBack,
  pullKind,
} from '#core/brews';
import { isRight } from '#core/corrections';
import { type EpochMs, type Seconds, secondsBetween } from '#core/units';
import type { BrewEventBody } from '#contracts/brewEvents';
import type { Tx } from '../../db/pool';
import type { Signed } from '../../http/route';
import { type BrewRow, stateOf, steepingAt } from './repository';

/** The columns of a brew whose leaf is in again. */
export const NOT_PULLED = {
  pulledBy: null,
  pulledDevice: null,
  timing: null,
  seen: null,
  error: null,
  pours: null,
  crowded: false,
} as const;
/** How an ended steep is kept: by the clock, by the colour that was seen, or by its taste. */
export function pullOf(
  row: BrewRow,
  before: BrewState,
  { seen, mark }: Extract<BrewEventBody, { kind: 'pull' }>,
  steeped: Seconds,
) {
  const byTaste = endedByTaste(row, before, steeped, mark);
  if (seen !== undefined) return { ...byTaste, timing: 'byEye' as const, seen };
  if (byTaste) return { ...byTaste, timing: 'byTaste' as const };
  const { window } = row.plan.recipe;
  return {
    timing: pullKind(steeped, window),
    error: Math.round((steeped - window.best) * 10) / 10,
  };
}

/** What a step of the state machine sets besides the state. */
export async function extras(
  tx: Tx,
  row: BrewRow,
  e: BrewEventBody,
  { state, at }: { state: BrewState; at: EpochMs },
  who: Signed,
): Promise<Partial<BrewRow>> {
  const before = stateOf(row);
  switch (e.kind) {
    case 'pull': {
      if (state.kind !== 'pulled') return {};
      const steeped = secondsBetween(state.waterOn, state.pulled);
      // What is lifted together with it does not ask for another hand.
      const leadOf = (b: { id: string; pairedId: string | null }) => b.pairedId ?? b.id;
      const others = (await steepingAt(tx, row.siteId, row.id)).filter(
        (o) => leadOf(o) !== leadOf(row),
      );
      const crowded = others.some(
        (o) =>
          o.waterOn && (state.pulled - o.waterOn.getTime()) / 1000 >= o.plan.recipe.window.earliest,
      );
      return {
        pulledBy: who.lockedAs === null ? who.personId : null,
        pulledDevice: who.lockedAs,
        ...pullOf(row, before, e, steeped),
        ...(e.cup !== undefined && { pours: firstCup(row.plan, steeped, e.cup) }),
        crowded,
      };
    }
    case 'leafIn':
      return before.kind === 'tasting' ? leafInAgain(row, before, { at, mark: e.mark }) : {};
    case 'leafBack':
      return before.kind === 'pulled'
        ? { ...NOT_PULLED, ...leafPutBack(row, before, at, e.seconds) }
        : {};
    case 'undoPull':
      return NOT_PULLED;
    case 'judge':
      return {
        judgedBy: who.personId,
        verdict: e.verdict,
        verdictKind: isRight(e.verdict) ? 'right' : 'off',
        proposal: e.proposal,
        accepted: e.accepted,
        remark: e.remark,
        observed: e.observed && !isNothing(e.observed) ? e.observed : null,
        correction: correctionOf(e),
      };
    case 'abandon':
      return { remark: e.reason };
    default:
      return {};
  }
}

/** What became of the correction. */
function correctionOf(e: Extract<BrewEventBody, { kind: 'judge' }>) {
  if (e.proposal.lever === 'keep') return 'none';
  if (e.accepted) return 'taken';
  return 'notTaken';
}
