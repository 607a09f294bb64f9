import { type FormEvent, useState } from 'react';
import { type Millilitres, millilitres, ML_PER, parseVolume, volumeText } from '#core/units';
import type { Vessel } from '#contracts/vessels';
import { useUnits } from '../../entities/people/session';
import { PickList } from '../../ui/PickList';

type Props = {
  vessel: Vessel;
  water: Millilitres;
  atMark: boolean;
  onPick: (w: Millilitres | null) => void;
};
const CUPS = [1, 2, 3, 4, 5, 6, 8];

/** How much: the fill mark, so many cups of liquor, or a typed volume in any unit. */
export function Amount({ vessel, water, atMark, onPick }: Props) {
  const units = useUnits();
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState('');
  const [open, setOpen] = useState(false);
  const cups = CUPS.filter((n) => n * ML_PER.teacup <= vessel.brim);
  const choices = [
    { value: null as number | null, text: `the mark, ${volumeText(vessel.mark, units.volume)}` },
    ...cups.map((n) => ({
      value: (n * ML_PER.teacup) as number | null,
      text: `${n} ${n === 1 ? 'cup' : 'cups'}, ${volumeText(millilitres(n * ML_PER.teacup), units.volume)}`,
    })),
  ];
  const chosenCups = cups.find((n) => Math.abs(n * ML_PER.teacup - water) < 0.5);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const v = parseVolume(typed, units.volume);
    if (v.kind === 'bad') return setFault(v.why);
    onPick(v.value);
    setFault('');
    setOpen(false);
  };
  return (
    <PickList
      label="Amount"
      open={open}
      onOpen={setOpen}
      choices={choices}
      chosen={atMark ? null : water}
      onPick={(v) => onPick(v === null ? null : millilitres(v))}
      shown={
        atMark
          ? `the mark, ${volumeText(vessel.mark, units.volume)}`
          : `${volumeText(water, units.volume)}${chosenCups ? `, ${chosenCups} ${chosenCups === 1 ? 'cup' : 'cups'}` : ''}`
      }
      foot={
        <form className="field-row px-3 pb-2 pt-1" onSubmit={submit}>
          <label htmlFor="amount">Or type it</label>
          <div className="with-unit">
            <input
              id="amount"
              className="box"
              value={typed}
              placeholder="350, or 12 fl oz"
              aria-invalid={fault !== ''}
              onKeyDown={(e) => e.stopPropagation()}
              onChange={(e) => setTyped(e.target.value)}
            />
            <button type="submit" className="btn slim">
              Take it
            </button>
          </div>
          {fault && (
            <p className="fault" role="alert">
              {fault}
            </p>
          )}
        </form>
      }
    />
  );
}
