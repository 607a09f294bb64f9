import { useState } from 'react';
import type { Tasting } from '#core/tastings';
import { millilitres, minutesText, volumeText } from '#core/units';
import { useUnits } from '../../../entities/people/session';

type WeighedProps = {
  code: string;
  heat: string | null;
  c: Tasting['cups'][number];
  at: string;
  volume: ReturnType<typeof useUnits>['volume'];
  onWeigh: (grams: number, water: number) => void;
};

/** What the scale said of one cup; kept when the field is left. */
export function WeighedRow({ code, heat, c, at, volume, onWeigh }: WeighedProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const done = () => {
    const g = Number((typed ?? '').replace(',', '.'));
    if (typed !== null && g >= 0.1 && g <= 200 && g !== c.grams) onWeigh(g, c.water);
    setTyped(null);
  };
  const steeped = c.poured !== null && c.pulled !== null ? (c.pulled - c.poured) / 1000 : null;
  return (
    <tr className={c.excluded ? 'out' : ''}>
      <td className="l">
        <b>{code}</b>
      </td>
      <td>
        <input
          className="weigh"
          aria-label={`${code}, leaf in grams`}
          inputMode="decimal"
          value={typed ?? String(c.grams)}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={done}
          onKeyDown={(e) => {
            if (e.key === 'Enter') e.currentTarget.blur();
          }}
        />{' '}
        g
      </td>
      <td>{volumeText(millilitres(c.water), volume)}</td>
      {heat && <td>{heat}</td>}
      <td>{at}</td>
      <td>{c.excluded ?? (steeped === null ? '' : minutesText(steeped))}</td>
    </tr>
  );
}
