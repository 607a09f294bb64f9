import { type FormEvent, useState } from 'react';
import { CUPS_MOST, type CupsAsked, cupsWords } from '#core/recipes';
import { type Millilitres, millilitres, ML_PER, parseVolume, volumeText } from '#core/units';
import type { BrewedVessel } from '#contracts/vesselFacts';
import { useUnits } from '../../entities/people/session';
import { PickList } from '../../ui/PickList';
import { type Amount, TO_MARK } from './pour';

type Props = {
  vessel: BrewedVessel;
  amount: Amount;
  onPick: (amount: Amount) => void;
};
const CUPS = [1, 2, 3, 4, 5, 6, 8];
const teacups = (count: number): CupsAsked => ({ count, each: millilitres(ML_PER.teacup) });
const keyOf = (amount: Amount): string => {
  switch (amount.kind) {
    case 'mark':
      return 'mark';
    case 'water':
      return `water ${amount.water}`;
    case 'cups':
      return `cups ${amount.cups.count} ${amount.cups.each}`;
  }
};

/** How much: the fill mark, so many cups of liquor of any size, or a typed volume of water in any unit. */
export function AmountPick({ vessel, amount, onPick }: Props) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const volume = (ml: Millilitres) => volumeText(ml, units.volume);
  const wordsOf = (a: Amount): string => {
    switch (a.kind) {
      case 'mark':
        return `the mark, ${volume(vessel.mark)}`;
      case 'water':
        return `${volume(a.water)} of water`;
      case 'cups':
        return cupsWords(a.cups, volume(a.cups.each));
    }
  };
  const choices: Amount[] = [
    TO_MARK,
    ...CUPS.filter((n) => n * ML_PER.teacup < vessel.brim).map((n): Amount => ({
      kind: 'cups',
      cups: teacups(n),
    })),
  ];
  const take = (picked: Amount) => {
    onPick(picked);
    setOpen(false);
  };
  return (
    <PickList
      label="Amount"
      open={open}
      onOpen={setOpen}
      choices={choices.map((a) => ({ value: keyOf(a), text: wordsOf(a) }))}
      chosen={keyOf(amount)}
      onPick={(key) => onPick(choices.find((a) => keyOf(a) === key) ?? TO_MARK)}
      shown={wordsOf(amount)}
      foot={
        <>
          <TypedCups
            start={amount.kind === 'cups' ? amount.cups : null}
            onTake={(cups) => take({ kind: 'cups', cups })}
          />
          <TypedWater onTake={(water) => take({ kind: 'water', water })} />
        </>
      }
    />
  );
}

/** So many cups of so much, poured: the water follows. */
function TypedCups({
  start,
  onTake,
}: {
  start: CupsAsked | null;
  onTake: (cups: CupsAsked) => void;
}) {
  const units = useUnits();
  const [count, setCount] = useState(String(start?.count ?? 2));
  const [size, setSize] = useState(start ? volumeText(start.each, units.volume) : '');
  const [fault, setFault] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const each = parseVolume(size, units.volume);
    const cups = Number(count);
    if (!Number.isInteger(cups) || cups < 1 || cups > CUPS_MOST)
      return setFault(`Type 1 to ${CUPS_MOST} cups.`);
    if (each.kind === 'bad') return setFault(each.why);
    if (each.value < 10 || each.value > 5000) return setFault('A cup holds 10 ml to 5 l.');
    setFault('');
    onTake({ count: cups, each: each.value });
  };
  return (
    <form className="field-row px-3 pt-1" onSubmit={submit}>
      <label htmlFor="cups">Cups of liquor</label>
      <div className="with-unit">
        <input
          id="cups"
          className="box !w-14"
          inputMode="numeric"
          value={count}
          onKeyDown={(e) => e.stopPropagation()}
          onChange={(e) => setCount(e.target.value)}
        />
        <span>of</span>
        <input
          className="box"
          aria-label="Liquor in each cup"
          value={size}
          placeholder="240, or 8 fl oz"
          aria-invalid={fault !== ''}
          onKeyDown={(e) => e.stopPropagation()}
          onChange={(e) => setSize(e.target.value)}
        />
        <button type="submit" className="btn slim">
          Use these cups
        </button>
      </div>
      <Fault words={fault} />
    </form>
  );
}

/** A volume of water in any unit. */
function TypedWater({ onTake }: { onTake: (water: Millilitres) => void }) {
  const units = useUnits();
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const v = parseVolume(typed, units.volume);
    if (v.kind === 'bad') return setFault(v.why);
    setFault('');
    onTake(v.value);
  };
  return (
    <form className="field-row px-3 pb-2 pt-1" onSubmit={submit}>
      <label htmlFor="amount">Water</label>
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
          Use this volume
        </button>
      </div>
      <Fault words={fault} />
    </form>
  );
}

/** What is wrong with what was typed; nothing while all is right. */
function Fault({ words }: { words: string }) {
  return words === '' ? null : (
    <p className="fault" role="alert">
      {words}
    </p>
  );
}
