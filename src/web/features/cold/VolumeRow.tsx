import { type FormEvent, useId, useState } from 'react';
import { type Millilitres, parseVolume } from '#core/units';
import { useUnits } from '../../entities/people/session';

/** A typed volume with its act; what is wrong stands under it, and what was typed stays until it is done. */
export function VolumeRow({
  label,
  button,
  mayBeNothing = false,
  onTake,
}: {
  label: string;
  button: string;
  /** Nothing is an answer too. */
  mayBeNothing?: boolean;
  /** True when it was done. */
  onTake: (ml: Millilitres) => boolean;
}) {
  const units = useUnits();
  const id = useId();
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const nothing = mayBeNothing && Number(typed.trim() || NaN) === 0;
    const read = nothing
      ? { kind: 'ok' as const, value: 0 as Millilitres }
      : parseVolume(typed, units.volume);
    if (read.kind === 'bad') return setFault(read.why);
    setFault('');
    if (onTake(read.value)) setTyped('');
  };
  return (
    <form className="field-row" onSubmit={submit}>
      <label htmlFor={id}>{label}</label>
      <div className="with-unit">
        <input
          id={id}
          className="box"
          inputMode="decimal"
          value={typed}
          placeholder={units.volume === 'ml' ? '200 ml' : '7 fl oz'}
          aria-invalid={fault !== ''}
          aria-describedby={fault ? `${id}f` : undefined}
          onChange={(e) => setTyped(e.target.value)}
        />
        <button type="submit" className="btn">
          {button}
        </button>
      </div>
      {fault && (
        <p className="fault" id={`${id}f`} role="alert">
          {fault}
        </p>
      )}
    </form>
  );
}
