import { useMemo, useState } from 'react';
import { type MatchGiven, matchLiquor, type SeenAs, wordsAtStrength } from '#core/training';
import { type CupToSee, SeenAsChoice, SeenCup, seenText } from '../SeenAs';

const SIZE = 170;

/** The cup to match and one’s own beside it, on porcelain; in another way for whom colours do not tell. */
export function MatchScene({ given, value }: { given: MatchGiven; value: number | null }) {
  const [seen, see] = useState<SeenAs>('colour');
  const own = value ?? given.start;
  const cups = useMemo(() => {
    const at = (percent: number): CupToSee => ({
      ...{ liquor: matchLiquor(given, percent), words: wordsAtStrength(given.cup, percent / 100) },
    });
    return { wanted: at(given.wanted), own: at(own) };
  }, [given, own]);
  // Lines are drawn for the two cups and the one that was there at first: so they move while the level is pulled.
  const among = [
    cups.wanted,
    cups.own,
    { ...cups.wanted, liquor: matchLiquor(given, given.start) },
  ];
  return (
    <>
      <div className="porcelain three">
        <OneSide {...{ name: 'the other cup', cup: cups.wanted, seen, among }} />
        <OneSide {...{ name: 'your cup', cup: cups.own, seen, among }} />
      </div>
      <div className="mt-3">
        <SeenAsChoice seen={seen} onSee={see} />
      </div>
    </>
  );
}
function OneSide({
  name,
  cup,
  seen,
  among,
}: {
  name: string;
  cup: CupToSee;
  seen: SeenAs;
  among: readonly CupToSee[];
}) {
  return (
    <figure>
      <SeenCup {...{ cup, seen, among }} size={SIZE} label={name} />
      <figcaption>
        {name}
        {seen === 'hatching' && <span className="sr-only">, {seenText(cup, seen)}</span>}
      </figcaption>
    </figure>
  );
}
