import { useState } from 'react';
import {
  MILK_AMOUNTS,
  MILK_WORDS,
  type MilkAmount,
  STRENGTH_WORDS,
  WISH_STRENGTHS,
  type WishStrength,
} from '#core/recipes';
import { capital, parseVolume, SPOON_KINDS, type SpoonKind, SPOONS } from '#core/units';
import type { VolumeChoice } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import { useUnits } from '../../../entities/people/session';
import { PrintLink } from '../../../entities/teas/PrintLink';
import { Sheet } from '../../../ui/Dialog';
import { OneOf } from '../../../ui/OneOf';
import { Picked } from '../../../ui/Picked';

const VOLUMES: readonly { value: VolumeChoice; words: string }[] = [
  { value: 'ml', words: 'ml' },
  { value: 'usFlOz', words: 'US fl oz' },
  { value: 'imperialFlOz', words: 'UK fl oz' },
];
const DEGREES = [
  { value: 'C', words: '°C' },
  { value: 'F', words: '°F' },
] as const;
const STRENGTHS = WISH_STRENGTHS.map((s) => ({
  value: `${s}` as const,
  words: capital(STRENGTH_WORDS[`${s}`]),
}));
const MILKS = MILK_AMOUNTS.map((value) => ({ value, words: capital(MILK_WORDS[value]) }));
const SPOON_CHOICES = SPOON_KINDS.map((kind) => [kind, SPOONS[kind].name] as const);
const [LEAST, MOST] = [50, 5000];

/** A card to take home: the tea in the guest's own pot, spoons and units. */
export function GuestCard({ tea }: { tea: Tea }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="btn quiet slim" onClick={() => setOpen(true)}>
        Guest card
      </button>
      <Sheet title={`${tea.name} to take home`} open={open} onClose={() => setOpen(false)}>
        <GuestForm tea={tea} />
      </Sheet>
    </>
  );
}

function GuestForm({ tea }: { tea: Tea }) {
  const units = useUnits();
  const [typed, setTyped] = useState('');
  const [spoon, setSpoon] = useState<SpoonKind>('metricTeaspoon');
  const [volume, setVolume] = useState<VolumeChoice>(units.volume);
  const [degrees, setDegrees] = useState<'C' | 'F'>(units.temperature);
  const [strength, setStrength] = useState<`${WishStrength}`>('0');
  const [milk, setMilk] = useState<MilkAmount>('none');
  const water = parseVolume(typed, volume);
  const isRight = water.kind === 'ok' && water.value >= LEAST && water.value <= MOST;
  const fault = water.kind === 'bad' ? water.why : 'A pot takes 50 ml to 5 l of water.';
  const search = new URLSearchParams({
    ...{ water: String(isRight ? Math.round(10 * water.value) / 10 : ''), spoon, volume },
    ...{ degrees, strength, milk },
  });
  return (
    <div className="form">
      <div className="pair">
        <div className="field-row">
          <label htmlFor="guest-water">Water the guest pours on</label>
          <input
            id="guest-water"
            className="box"
            value={typed}
            placeholder="700, or 24 fl oz"
            aria-invalid={typed !== '' && !isRight}
            autoFocus
            onChange={(e) => setTyped(e.target.value)}
          />
        </div>
        <Picked label="Spoon at home" value={spoon} options={SPOON_CHOICES} onPick={setSpoon} />
      </div>
      {typed !== '' && !isRight && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      <OneOf label="Volumes" options={VOLUMES} chosen={volume} onChoose={setVolume} />
      <OneOf label="Temperatures" options={DEGREES} chosen={degrees} onChoose={setDegrees} />
      <OneOf label="Strength" options={STRENGTHS} chosen={strength} onChoose={setStrength} />
      <OneOf label="Milk" options={MILKS} chosen={milk} onChoose={setMilk} />
      <div className="flex flex-wrap gap-2">
        {isRight ? (
          <>
            <PrintLink
              className="btn go"
              href={`/api/teas/${tea.id}/guest.pdf?${search}&size=a6`}
              teas={[tea]}
            >
              Print on A6
            </PrintLink>
            <PrintLink
              className="btn"
              href={`/api/teas/${tea.id}/guest.pdf?${search}&size=label62`}
              teas={[tea]}
            >
              Print on 62 mm label
            </PrintLink>
          </>
        ) : (
          <p className="small">Type how much water the guest’s pot takes, then print.</p>
        )}
      </div>
    </div>
  );
}
