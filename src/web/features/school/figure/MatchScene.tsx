import { useMemo, useState } from 'react';
import { displayedLab, labOf, type Liquor } from '#core/colour';
import { type MatchGiven, matchLiquor } from '#core/training';
import { numberText } from '#core/units';
import { Cup } from '../../../entities/teas/Cup';

const SIZE = 170;

/** The cup to match and one’s own beside it, on porcelain; by figures for whom colours do not tell. */
export function MatchScene({ given, value }: { given: MatchGiven; value: number | null }) {
  const [asFigures, setAsFigures] = useState(false);
  const wanted = useMemo(() => matchLiquor(given, given.wanted), [given]);
  const own = useMemo(() => matchLiquor(given, value ?? given.start), [given, value]);
  return (
    <>
      <div className="porcelain three">
        <OneSide name="the other cup" liquor={wanted} asFigures={asFigures} />
        <OneSide name="your cup" liquor={own} asFigures={asFigures} />
      </div>
      <div className="mt-3">
        <button
          type="button"
          className="btn quiet"
          aria-pressed={asFigures}
          onClick={() => setAsFigures(!asFigures)}
        >
          {asFigures ? 'Show the colours' : 'Show lightness as figures'}
        </button>
      </div>
    </>
  );
}
function OneSide({
  name,
  liquor,
  asFigures,
}: {
  name: string;
  liquor: Liquor;
  asFigures: boolean;
}) {
  return (
    <figure>
      {asFigures ? (
        <span className="text-[34px] font-semibold">
          {numberText(displayedLab(labOf(liquor))[0], 1)}
        </span>
      ) : (
        <Cup liquor={liquor} size={SIZE} label={name} />
      )}
      <figcaption>{name}</figcaption>
    </figure>
  );
}
