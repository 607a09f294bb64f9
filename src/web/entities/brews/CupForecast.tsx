import { useMemo } from 'react';
import { brewCup, type Brewing, outsideLimits } from '#core/cup';
import { caffeineWords, plusMinus, tasteWord } from '#core/taste';
import { LevelMark } from '../../ui/LevelMark';

const SHOWN = [
  ['Strength', 'strength'],
  ['Bitter', 'bitterness'],
  ['Sweet', 'sweetness'],
] as const;
const WIDTH = 124;
const LINE = 12;

/** What this pour should taste of: words, a mark on 0 to 10 with what it is good for, caffeine as a rough range. */
export function CupForecast({ brew, standing }: { brew: Brewing; standing: string }) {
  const outside = outsideLimits(brew);
  const cup = useMemo(() => brewCup(brew), [brew]);
  if (outside)
    return (
      <p className="small" data-testid="forecast">
        No forecast. {outside}
      </p>
    );
  const x = (v: number) => 1 + (v / 10) * (WIDTH - 2);
  return (
    <div className="forecast" data-testid="forecast">
      {SHOWN.map(([name, of]) => {
        const v = cup.taste[of];
        const by = plusMinus(v);
        return (
          <div key={of}>
            <span>{name}:</span> <b>{tasteWord(of, v)}</b>
            <svg
              width={WIDTH}
              height="16"
              viewBox={`0 0 ${WIDTH} 16`}
              role="img"
              aria-label={`${name} ${v.toFixed(1)} of 10, give or take ${by}`}
            >
              <path d={`M0 ${LINE}H${WIDTH}`} stroke="var(--line-2)" strokeWidth="1.5" />
              <path
                d={`M${x(Math.max(0, v - by))} ${LINE + 3}H${x(Math.min(10, v + by))}`}
                stroke="var(--accent)"
                strokeWidth="3"
              />
              <LevelMark x={x(v)} y={LINE - 0.5} size={10} />
            </svg>
          </div>
        );
      })}
      <p className="about">
        {caffeineWords(cup.caffeineMg, cup.liquor)} Blue: ±0.5 of 10, ±1 at the ends. {standing}.
      </p>
    </div>
  );
}
