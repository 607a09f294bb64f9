import { useMemo } from 'react';
import type { Card, Wish } from '#core/recipes';
import type { Version } from '#contracts/recipes';
import type { Lot, Tea } from '#contracts/teas';
import type { BrewedVessel } from '#contracts/vesselFacts';
import type { ChosenKettle } from '../../entities/brews/starts';
import { useSession } from '../../entities/people/session';
import { HeatWords } from './HeatWords';
import { type KettleChoice, KettleWords } from './KettleWords';
import { type Amount, workOutPour } from './pour';

/** The kettle of a pour, and those it could be. */
export type PickedKettle = {
  readonly chosen: ChosenKettle | null;
  readonly choices: readonly ChosenKettle[];
  readonly amount: Amount;
  readonly onPick: (kettle: ChosenKettle) => void;
};
type Props = {
  tea: Tea;
  lot: Lot | null;
  version: Version;
  vessel: BrewedVessel;
  warmed: boolean;
  wish: Wish;
  kettle: PickedKettle;
  card: Card;
};
/** How the water of this pour gets its heat: by the chosen kettle, or by whichever the site has. */
export function HeatOfCard({ tea, lot, version, vessel, warmed, wish, kettle, card }: Props) {
  const { site } = useSession();
  const { choices, amount } = kettle;
  const served = useMemo(
    () =>
      choices.flatMap((choice): KettleChoice[] => {
        const asked = { tea, lot, version, vessel, site, warmed, wish, kettle: choice };
        const { card: its } = workOutPour(asked, amount);
        return its.kind === 'card' && its.kettle ? [{ kettle: choice, used: its.kettle }] : [];
      }),
    [choices, tea, lot, version, vessel, site, warmed, wish, amount],
  );
  if (!card.kettle || card.prewarmNeeded) return <HeatWords card={card} />;
  return <KettleWords {...{ card, used: card.kettle, choices: served, onKettle: kettle.onPick }} />;
}
