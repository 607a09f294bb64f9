import { useState } from 'react';
import {
  type Granted,
  isWished,
  MILK_AMOUNTS,
  MILK_WORDS,
  STRENGTH_WORDS,
  type Wish,
  WISH_STRENGTHS,
} from '#core/recipes';
import {
  capital,
  type Millilitres,
  minutesText,
  numberText,
  temperatureText,
  volumeText,
} from '#core/units';
import { useUnits } from '../../entities/people/session';
import { PickList } from '../../ui/PickList';

/** What the guest asks for: the end of the start sentence. */
export function WishPick({ wish, onWish }: { wish: Wish; onWish: (wish: Wish) => void }) {
  const [open, setOpen] = useState(false);
  const milk = wish.milk === 'none' ? '' : `, ${MILK_WORDS[wish.milk]}`;
  const take = (picked: Wish) => {
    onWish(picked);
    setOpen(false);
  };
  return (
    <PickList
      label="Guest’s wish"
      open={open}
      onOpen={setOpen}
      shown={`${STRENGTH_WORDS[`${wish.strength}`]}${milk}`}
      chosen={wish.strength}
      choices={WISH_STRENGTHS.map((value) => ({ value, text: STRENGTH_WORDS[`${value}`] }))}
      onPick={(strength) => onWish({ ...wish, strength })}
      foot={
        <div className="milk-picks" role="group" aria-label="Milk">
          {MILK_AMOUNTS.map((value) => (
            <button
              type="button"
              className="btn slim"
              key={value}
              aria-pressed={wish.milk === value}
              onClick={() => take({ ...wish, milk: value })}
            >
              {capital(MILK_WORDS[value])}
            </button>
          ))}
        </div>
      }
    />
  );
}

/** How far from the house's card the wish went, in the card's own figures. */
export function WishNote({ wished, milk }: { wished: Granted; milk: Millilitres }) {
  const units = useUnits();
  const { house, wish, leaf, temperature, time } = wished;
  if (!isWished(wish)) return null;
  const heat = (t: typeof temperature) => temperatureText(t, units.temperature);
  const moved = [
    leaf !== house.leaf && `leaf ${numberText(house.leaf)} → ${numberText(leaf)} g`,
    temperature !== house.temperature && `heat ${heat(house.temperature)} → ${heat(temperature)}`,
    time !== house.time && `time ${minutesText(house.time)} → ${minutesText(time)}`,
  ].filter(Boolean);
  return (
    <p className="wish-note" data-testid="wish">
      <b>For a guest.</b> {capital(moved.join(', ')) || 'Nothing moves'}: {gainWords(wished)} The
      house recipe stays as it is.
      {milk > 0 && (
        <>
          {' '}
          <b>Milk: {volumeText(milk, units.volume)}</b> for all the liquor. Look at the colour
          before the milk goes in.
        </>
      )}
    </p>
  );
}
/** What the wish comes to in the cup. */
function gainWords({ wish, steps, met }: Granted): string {
  const milk = wish.milk === 'none' ? '' : 'with the milk as full as the house’s cup without';
  if (wish.strength === 0)
    return met ? `${milk}.` : 'as full as this vessel gives with so much milk.';
  const by = `${numberText(Math.abs(steps) * 0.8)} of 10 ${wish.strength > 0 ? 'stronger' : 'lighter'}`;
  const short = met ? '' : ': all that leaf and time give in this vessel';
  return `${by}${milk ? ' than the house’s cup with milk' : ''}${short}.`;
}
