import { useState } from 'react';
import { Link } from 'react-router';
import type { ColourStrength } from '#core/fitting';
import { numberText } from '#core/units';
import { readSolids, REFRACTOMETER } from '../../../entities/brews/refractometer';
import { signedPercent } from '../../../entities/brews/strength';

/** Refractometer and colour of the cups that are poured off: what a tea is fitted by, beside the marks. */
export function Measured({
  id,
  cups,
  onSolids,
}: {
  id: string;
  cups: readonly {
    cup: number;
    code: string;
    solids: number | null;
    colour: ColourStrength | null;
  }[];
  onSolids: (cup: number, gramsPerLitre: number) => void;
}) {
  const [typed, setTyped] = useState<Readonly<Record<number, string>>>({});
  const keep = (cup: number) => {
    const r = readSolids(typed[cup] ?? '');
    if (r.kind === 'bad') return;
    onSolids(cup, r.value);
    setTyped((all) => Object.fromEntries(Object.entries(all).filter(([k]) => Number(k) !== cup)));
  };
  return (
    <div className="grid gap-3">
      <p className="small">
        Dissolved, %, by refractometer. {REFRACTOMETER} Colour: against the house cup.
      </p>
      {cups.map((c) => {
        const t = typed[c.cup];
        const r = t === undefined || t.trim() === '' ? null : readSolids(t);
        return (
          <form
            key={c.cup}
            className="measured-row"
            onSubmit={(e) => {
              e.preventDefault();
              keep(c.cup);
            }}
          >
            <b>{c.code}</b>
            <input
              className="box"
              inputMode="decimal"
              aria-label={`${c.code}, dissolved, %`}
              value={t ?? (c.solids === null ? '' : numberText(c.solids / 10, 2))}
              onChange={(e) => setTyped((all) => ({ ...all, [c.cup]: e.target.value }))}
            />
            <button type="submit" className="btn slim" disabled={r === null || r.kind === 'bad'}>
              Keep
            </button>
            <Link className="btn slim" to={`/table/colour?table=${id}&cup=${c.cup}`}>
              {c.colour ? `Colour ${signedPercent(c.colour.strength)} %` : 'Read the colour'}
            </Link>
            {r?.kind === 'bad' && (
              <p className="fault" role="alert">
                {r.why}
              </p>
            )}
          </form>
        );
      })}
    </div>
  );
}
