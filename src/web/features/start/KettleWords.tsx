import { type Card, type KettleOnCard, signsOf, suitsBest } from '#core/recipes';
import { celsius, minutesText, numberText, temperatureText, volumeText } from '#core/units';
import type { ChosenKettle } from '../../entities/brews/starts';
import { useUnits } from '../../entities/people/session';

/** A kettle that could be chosen, as it would serve this pour. */
export type KettleChoice = { readonly kettle: ChosenKettle; readonly used: KettleOnCard };
/** Less than this is no difference that anybody tastes, °C. */
const JUST = 0.5;

/** A difference of heat, in the reader's degrees. */
const gapText = (degreesC: number, scale: 'C' | 'F'): string =>
  `${numberText(scale === 'F' ? degreesC * 1.8 : degreesC, 1)} °${scale}`;

/** Which kettle, its own setting or its boil, and what that comes to on the leaf. */
export function KettleWords({
  card,
  used,
  choices,
  onKettle,
}: {
  card: Card;
  used: KettleOnCard;
  choices: readonly KettleChoice[];
  onKettle: (kettle: ChosenKettle) => void;
}) {
  const units = useUnits();
  const t = (c: number) => temperatureText(celsius(c), units.temperature);
  const { heat } = card;
  const best = suitsBest(choices);
  const chosen = choices.find((c) => c.used.name === used.name)?.kettle;
  const signs = chosen ? signsOf(chosen, used.wanted) : null;
  const cold =
    used.set === null && heat.kind === 'reachable' && heat.splash && heat.splash.cold > 4
      ? `${volumeText(heat.splash.cold as never, units.volume)} cold first`
      : null;
  const wait = used.wait && used.wait > 20 ? `${minutesText(used.wait)} off the boil` : null;
  const way = used.set === null ? 'boiled' : `at ${t(used.set)}`;
  return (
    <p>
      {choices.length > 1 ? (
        <select
          className="lot-pick kettle-pick"
          aria-label="Kettle"
          value={chosen?.id}
          onChange={(e) => {
            const picked = choices.find((c) => c.kettle.id === e.target.value);
            if (picked) onKettle(picked.kettle);
          }}
        >
          {choices.map((c) => (
            <option key={c.kettle.id} value={c.kettle.id}>
              {c.kettle.name}
              {c === best ? ' · suits best' : ''}
            </option>
          ))}
        </select>
      ) : (
        `${used.name} `
      )}
      {way}
      <em>
        {[
          card.warmed ? 'vessel warmed' : 'vessel cold',
          ...(used.set === null
            ? [[cold, wait].filter(Boolean).join(', or ') || 'just boiled']
            : []),
          onLeafWords(used, t(card.onLeaf), units.temperature),
          used.holds !== null &&
            `stays within ${gapText(5, units.temperature)} for ${minutesText(Math.round(used.holds))}`,
          used.fillings > 1 && `filled ${used.fillings} times`,
        ]
          .filter(Boolean)
          .join('; ')}
        {signs && <> By ear and eye, rough: {signs}.</>}
      </em>
    </p>
  );
}
/** What a setting comes to on the leaf, and how far that is from the recipe. */
function onLeafWords({ off, set }: KettleOnCard, onLeaf: string, scale: 'C' | 'F'): string {
  if (set === null && off > -JUST) return '';
  if (Math.abs(off) < JUST) return `${onLeaf} on the leaf`;
  const gap = gapText(Math.abs(off), scale);
  return `${onLeaf} on the leaf, ${gap} ${off > 0 ? 'over' : 'under'}`;
}
