import { turnsOf } from '#core/brews';
import { strengthsInARow } from '#core/cup';
import { millilitres, numberText, volumeText } from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import { brewMade } from '../../entities/brews/made';
import { useUnits } from '../../entities/people/session';

/** The order of pouring, drawn: each cup half, then back. */
export function ServeTurns({ brew }: { brew: BarBrew }) {
  const units = useUnits();
  const { cups, each, order } = turnsOf(brew.plan.liquor, brew.plan.cups?.count);
  const [X, TOP] = [58, 30];
  return (
    <div className="w-full">
      <svg
        className="w-full max-w-[440px]"
        viewBox={`0 0 ${cups * X + 90} 104`}
        role="img"
        aria-label={`Pour ${volumeText(each, units.volume)} into ${order.join(', ')}`}
      >
        {Array.from({ length: cups }, (_, i) => (
          <g key={i} transform={`translate(${10 + i * X} ${TOP})`}>
            <path d="M0 0L6 40H34L40 0" fill="none" stroke="var(--ink)" strokeWidth="1.6" />
            <path d="M3 20H37" stroke="var(--ink)" strokeDasharray="3 3" />
            <text
              x="20"
              y="58"
              fontSize="15"
              fontWeight="700"
              textAnchor="middle"
              fill="var(--ink)"
            >
              {i + 1}
            </text>
            <text x="20" y="15" fontSize="12" textAnchor="middle" fill="var(--ink-2)">
              {cups * 2 - i}.
            </text>
            <text x="20" y="34" fontSize="12" textAnchor="middle" fill="var(--ink-2)">
              {i + 1}.
            </text>
          </g>
        ))}
        <path
          d={`M12 20H${cups * X - 18}m-7 -4l7 4l-7 4`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        <path
          d={`M${cups * X - 18} 96H12m7 -4l-7 4l7 4`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        <text x={cups * X + 6} y="54" fontSize="14" fill="var(--ink)">
          {volumeText(each, units.volume)}
        </text>
        <text x={cups * X + 6} y="72" fontSize="13" fill="var(--ink-2)">
          each time
        </text>
      </svg>
      <p className="small">
        Twice {volumeText(each, units.volume)} into each cup: to its mark,{' '}
        {volumeText(millilitres(2 * each), units.volume)}. {withoutTurns(brew, cups)}
      </p>
    </div>
  );
}

/** What the turns are for: cups poured one after another are not alike. */
function withoutTurns(brew: BarBrew, cups: number): string {
  const strengths = strengthsInARow(brewMade(brew, brew.plan.recipe.window.best), cups);
  const [first, last] = [strengths[0] ?? 0, strengths.at(-1) ?? 0];
  return (
    `Poured one after another, cup 1 would be ${numberText(first)} of 10 strong ` +
    `and cup ${cups} ${numberText(last)}.`
  );
}
