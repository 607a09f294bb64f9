import type { EpochMs } from '#core/units';
import { clashesOf } from '../../entities/brews/attention';
import type { BarBrew } from '../../entities/brews/barBrews';
import { type BarItem, isDueNow } from '../../entities/brews/barItems';
import { clockText } from '../../ui/days';

/** A step at its moment, in a word or in the house's own. */
const dueWords = ({ step, act }: NonNullable<BarItem['step']>): string =>
  step.kind === 'stir' ? 'Stir it now' : `${act}, now`;

type Props = {
  items: readonly BarItem[];
  brews: readonly BarBrew[];
  first: BarItem;
  second: BarItem | undefined;
  now: EpochMs;
  /** A full bar has room for the short words only. */
  brief: boolean;
};

/** Two brews that want a hand at the same moment soon, in words; empty when there are none. */
function clashText(brews: readonly BarBrew[], now: EpochMs): string {
  const clash = clashesOf(brews, now)[0];
  if (!clash) return '';
  const placeOf = (id: string) => brews.find((b) => b.id === id)?.place;
  return `Places ${placeOf(clash.first)} and ${placeOf(clash.second)} meet at ${clockText(clash.at)}.`;
}

/** What to do next on the bar, in one sentence, and what comes after. */
export function NextLine({ items, brews, first, second, now, brief }: Props) {
  const words = ({ status }: BarItem) => (brief ? status.brief : status.step);
  const clash = clashText(brews, now);
  const waits = items.find((item) => item.status.brief.startsWith('Wait '));
  return (
    <p className={first.status.name}>
      <b className="font-bold">
        {first.step && isDueNow(first) ? dueWords(first.step) : words(first)}:
      </b>{' '}
      <span className="tea">{first.brew.tea.name}</span>, place {first.brew.place}.
      {(second || clash) && (
        <span className="then">
          {second && `Then ${words(second).toLowerCase()}, `}
          {second && <span className="tea">{second.brew.tea.name}</span>}
          {second && `, place ${second.brew.place}. `}
          {clash}
          {waits && ` ${waits.status.brief}, place ${waits.brew.place}.`}
        </span>
      )}
    </p>
  );
}
