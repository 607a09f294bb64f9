import { advance, inWaterUntil, poursWith, tastedWithLeafIn } from '#core/brews';
import { type Verdict, verdictWords } from '#core/corrections';
import { type Wish, wishWords } from '#core/recipes';
import { type EpochMs, seconds } from '#core/units';
import type { BrewEventBody } from '#contracts/brewEvents';
import type { Tx } from '../../db/pool';
import { notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { inVessel } from '../vessels';
import { columnsOf } from './columns';
import { refusal, refused } from './refusals';
import { brewById, type BrewRow, stateOf } from './repository';
import { requireBrew } from './shared';
import { extras } from './stepColumns';

/** What a lead reads of a cup that strayed: a cup made for a guest says so. */
export const foundWords = (verdict: Verdict, wish: Wish | null | undefined): string =>
  [verdictWords(verdict), ...(wish ? [`made for a guest: ${wishWords(wish)}`] : [])].join('; ');

/** A step of a judged cup that was done before it was judged, and arrives late: the scale of a tablet without a network. */
const wasDoneBefore = ({ state, ended }: Pick<BrewRow, 'state' | 'ended'>, at: EpochMs): boolean =>
  state === 'judged' && ended !== null && at <= ended.getTime();
/** The columns an event sets. @throws the refusal when the brew cannot take it. */
export async function changed(
  tx: Tx,
  row: BrewRow,
  e: Exclude<BrewEventBody, { kind: 'undo' }>,
  at: EpochMs,
  who: Signed,
): Promise<Partial<BrewRow>> {
  const brew = () => requireBrew(tx, row.id);
  switch (e.kind) {
    case 'step': {
      if (!row.open && !wasDoneBefore(row, at)) throw refusal('alreadyJudged', await brew());
      return {
        marks: [
          ...row.marks,
          {
            key: e.key,
            at,
            outcome: e.outcome,
            ...(e.grams === undefined ? {} : { grams: e.grams }),
            ...(e.celsius === undefined ? {} : { celsius: e.celsius }),
          },
        ],
      };
    }
    case 'reading':
      return { readings: [...row.readings, { at, celsius: e.celsius }] };
    case 'taste': {
      const state = stateOf(row);
      if (state.kind !== 'steeping') {
        const why = state.kind === 'warming' ? 'notSteeping' : 'alreadyPulled';
        throw refusal(state.kind === 'tasting' ? 'leafIsOut' : why, await brew());
      }
      return tastedWithLeafIn(row, inWaterUntil(state, at) ?? seconds(0), e.mark);
    }
    case 'pour': {
      const pours = poursWith(row, stateOf(row), { at, what: e.what, ml: e.ml });
      if (pours === null)
        throw refused(await brew(), 'notOnLeaf', 'This brew has no liquor on its leaf.');
      return { pours };
    }
    case 'colour':
    case 'solids':
      // It stands in the brew's story; nothing of the brew itself changes by it.
      if (row.pulled === null || row.state === 'abandoned')
        throw refusal('notPulled', await brew());
      return {};
    case 'tasteAgain':
      // The verdict of the brew stays as it was: this is another look at the cup.
      if (row.verdict === null)
        throw refused(await brew(), 'notJudged', 'Judge this cup before it is tasted again.');
      return {};
    case 'pair': {
      const other = await brewById(tx, e.with);
      if (!other || other.siteId !== row.siteId || other.id === row.id)
        throw notFound('The other pot');
      if (
        other.tea.id !== row.teaId ||
        other.versionId !== row.versionId ||
        other.state.kind !== row.state ||
        !row.open
      )
        throw refused(
          await brew(),
          'notAlike',
          'Only two of one tea and recipe, as far as each other, go together.',
        );
      return { pairedId: other.pairedId ?? other.id };
    }
    case 'claim':
      if (row.pulledBy !== null || row.pulledDevice === null)
        throw refused(await brew(), 'claimed', 'Somebody has said already that it was them.');
      return { pulledBy: who.personId };
    default: {
      if (e.kind === 'leafBack') {
        const held = row.vesselId && (await inVessel(tx, row.siteId, row.vesselId));
        if (held && held.id !== row.id)
          throw refused(await brew(), 'vesselInUse', `${held.tea} is in its vessel by now.`);
      }
      const step = advance(stateOf(row), { kind: e.kind, at });
      if (step.kind === 'refused') throw refusal(step.why, await brew());
      return {
        ...columnsOf(step.state),
        ...(await extras(tx, row, e, { state: step.state, at }, who)),
      };
    }
  }
}
