import { boilingAt } from '#core/heat';
import { celsius, degrees, metres, temperatureText } from '#core/units';
import type { Site } from '#contracts/sites';
import { useUnits } from '../../entities/people/session';
import { LevelMark } from '../../ui/LevelMark';

const WIDTH = 780;
const LEFT = 20;
const RIGHT = 70;
const LINE = 74;
/** Names of sites hang at this many heights, so that neighbours do not cover each other, px. */
const ROWS = [16, 38];
/** Room that a name takes, px. */
const NAME = 190;
const STEP = 2;

const boilingOf = (site: Site): number => site.measuredBoiling ?? boilingAt(metres(site.altitudeM));

/** One rule of heat for the whole house: each site stands where its water boils, this one with a filled mark. */
export function BoilingRule({ sites, here }: { sites: readonly Site[]; here: string }) {
  const { temperature } = useUnits();
  const placed = sites
    .map((site) => ({ site, heat: boilingOf(site) }))
    .sort((a, b) => a.heat - b.heat);
  const lowest = Math.min(90, Math.floor((placed[0]?.heat ?? 100) - 1));
  const highest = Math.max(101, Math.ceil(placed.at(-1)?.heat ?? 100));
  const x = (heat: number) =>
    LEFT + ((heat - lowest) / (highest - lowest)) * (WIDTH - LEFT - RIGHT);
  const ticks = Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i);
  const words = placed.map(
    ({ site, heat }) => `${site.name} ${temperatureText(celsius(heat), temperature)}`,
  );
  return (
    <svg
      className="boiling-rule"
      viewBox={`0 0 ${WIDTH} 112`}
      role="img"
      aria-label={`Water boils: ${words.join(', ')}`}
    >
      {placed.map(({ site, heat }, i) => {
        const at = x(heat);
        const row = ROWS[i % ROWS.length] ?? 16;
        const isLate = at > WIDTH - NAME;
        return (
          <g key={site.id}>
            <path d={`M${at} ${row + 5}V${LINE - 12}`} stroke="var(--line-2)" />
            <LevelMark x={at} y={LINE - 1} size={14} className={site.id === here ? '' : 'open'} />
            <text
              x={isLate ? at + 8 : at - 8}
              y={row}
              fontSize="15"
              fontWeight={site.id === here ? 700 : 400}
              textAnchor={isLate ? 'end' : 'start'}
              fill="var(--ink)"
            >
              {site.name}
            </text>
          </g>
        );
      })}
      <path d={`M${LEFT} ${LINE}H${WIDTH - RIGHT}`} stroke="var(--ink)" strokeWidth="2" />
      {ticks.map((t) => (
        <g key={t}>
          <path d={`M${x(t)} ${LINE}v${t % STEP === 0 ? 9 : 5}`} stroke="var(--ink)" />
          {t % STEP === 0 && (
            <text x={x(t)} y={LINE + 27} fontSize="14" textAnchor="middle" fill="var(--ink-2)">
              {degrees(celsius(t), temperature)}
            </text>
          )}
        </g>
      ))}
      <text x={WIDTH - RIGHT + 12} y={LINE + 5} fontSize="14" fill="var(--ink-2)">
        °{temperature}
      </text>
    </svg>
  );
}
