import { useState } from 'react';
import type { Brew } from '#contracts/brews';
import { readSolids, REFRACTOMETER } from '../../entities/brews/refractometer';
import { useBrewCommands } from '../../entities/brews/useBrewCommands';

/** Dissolved solids typed from a refractometer: part of what a tea is fitted by. */
export function Refractometer({ brew }: { brew: Brew }) {
  const commands = useBrewCommands();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const read = readSolids(typed);
  const fault = typed.trim() !== '' && read.kind === 'bad' ? read.why : null;
  if (!open)
    return (
      <button type="button" className="btn quiet" onClick={() => setOpen(true)}>
        Refractometer
      </button>
    );
  const keep = () => {
    if (read.kind === 'bad') return;
    commands.solids(brew, read.value);
    setOpen(false);
  };
  return (
    <form
      className="solids-form"
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      <label>
        Dissolved, %{' '}
        <input
          className="box"
          inputMode="decimal"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          autoFocus
        />
      </label>
      <button type="submit" className="btn" disabled={read.kind === 'bad'}>
        Keep
      </button>
      <button type="button" className="btn quiet" onClick={() => setOpen(false)}>
        Leave
      </button>
      <p className={fault ? 'fault' : 'small'} role={fault ? 'alert' : undefined}>
        {fault ?? REFRACTOMETER}
      </p>
    </form>
  );
}
