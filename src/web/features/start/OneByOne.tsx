import { useMemo } from 'react';
import { type Brewing, CUP_EVERY, strengthsOfCups } from '#core/cup';
import type { Card } from '#core/recipes';
import { numberText } from '#core/units';
import { LineWithToggle } from './LineWithToggle';

/** What the cups of a pot that keeps its leaf come to, poured one by one; and less leaf for them. */
export function OneByOne({
  card,
  brew,
  taper: { cups, onTaper },
}: {
  card: Card;
  brew: Brewing;
  taper: { readonly cups: number; readonly onTaper: (tapered: boolean) => void };
}) {
  const strengths = useMemo(() => strengthsOfCups(brew, cups), [brew, cups]);
  return (
    <LineWithToggle
      toggle={card.bags === null && card.wished === null ? 'Taper the leaf' : null}
      isOn={card.untapered !== null}
      onToggle={onTaper}
      figure="one-by-one"
    >
      Emptied cup by cup, {CUP_EVERY / 60} min apart:{' '}
      <b>{strengths.map((s) => numberText(s)).join(', ')}</b> of 10 strong.
      {card.untapered !== null && ` Tapered from ${numberText(card.untapered)} g.`}
    </LineWithToggle>
  );
}
