import { fromMl, grams, millilitres, numberText, volumeText } from '#core/units';
import { leastToCover, type SolvedVessel } from '#core/vessels';
import type { Vessel } from '#contracts/vessels';
import { useUnits } from '../../../entities/people/session';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';
import { ticksTo } from '../../../ui/ticks';
import { USUAL_DOSE, USUAL_SWELL } from './LeafAgainstBasket';

/** The section at a large scale; the ml scale stands at the solved heights, so it is uneven. */
export function Section({ vessel }: { vessel: Vessel }) {
  const units = useUnits();
  const step = stepMl(vessel);
  return (
    <div className="border-b-[3px] border-ink mt-3 pl-2 overflow-hidden">
      <VesselDrawing
        vessel={vessel}
        scale={Math.min(2.4, 215 / Math.cbrt(vessel.brim * 0.55) / 2.6)}
        label={`${vessel.name} in section, ${Math.round(vessel.mark)} ml to its mark`}
        fill={vessel.mark}
        water
        level
        bowl={false}
        lid={false}
        extra={({ solved, scale }) => (
          <MlScale solved={solved} scale={scale} vessel={vessel} step={step} unit={units.volume} />
        )}
      />
    </div>
  );
}

/** Marks so many ml apart, so that they can be read. */
function stepMl(vessel: Vessel) {
  if (vessel.brim > 1500) return 250;
  if (vessel.brim > 300) return 50;
  return 20;
}

function MlScale({
  solved,
  scale,
  vessel,
  step,
  unit,
}: {
  solved: SolvedVessel;
  scale: number;
  vessel: Vessel;
  step: number;
  unit: 'ml' | 'usFlOz' | 'imperialFlOz';
}) {
  const x = solved.radius * (vessel.kind === 'pot' ? 1.62 : 1.25) * scale;
  const y = (ml: number) => -solved.levelOf(millilitres(ml)) * scale;
  const ticks = ticksTo(vessel.brim, step);
  const covers = leastToCover(vessel, grams((vessel.mark * USUAL_DOSE) / 100), USUAL_SWELL);
  const words: [number, string, string][] = [
    [vessel.brim, volumeText(vessel.brim, unit), 'to the brim'],
    [vessel.mark, volumeText(vessel.mark, unit), 'to the mark'],
    [
      covers,
      volumeText(covers, unit),
      vessel.covers === null ? 'covers a usual leaf' : 'covers the leaf',
    ] as [number, string, string],
    ...(vessel.dead > 0
      ? [[vessel.dead, volumeText(vessel.dead, unit), 'stays in it'] as [number, string, string]]
      : []),
  ];
  const apart = Math.max(0, 22 - (y(vessel.mark) - y(vessel.brim)));
  const shift = (i: number) => {
    if (i === 0) return -apart / 2;
    if (i === 1) return apart / 2;
    return 0;
  };
  const named = ticks.filter(
    (ml, i) =>
      i % 2 === 0 && ticks.slice(0, i).every((o) => o % (2 * step) !== 0 || y(o) - y(ml) > 13),
  );
  return (
    <g>
      <path d={`M${x} 0V${y(vessel.brim)}`} stroke="var(--ink)" strokeWidth="1.5" />
      {ticks.map((ml) => (
        <path
          key={ml}
          d={`M${x} ${y(ml)}h${ml % (2 * step) === 0 ? 9 : 5}`}
          stroke="var(--ink)"
          strokeWidth="1.2"
        />
      ))}
      {named.map((ml) => (
        <text key={ml} x={x + 14} y={y(ml) + 4} fontSize="13" fill="var(--ink-2)">
          {unit === 'ml' ? ml : numberText(fromMl(millilitres(ml), unit))}
        </text>
      ))}
      {words.map(([ml, figure, word], i) => (
        <g key={word}>
          <path
            d={`M${solved.radiusAt(solved.levelOf(millilitres(ml))) * scale} ${y(ml)}H${x}`}
            stroke="var(--line-2)"
            strokeDasharray="2 5"
          />
          <path d={`M${x + 46} ${y(ml)}L${x + 68} ${y(ml) + shift(i)}`} stroke="var(--line-2)" />
          <text x={x + 74} y={y(ml) + 6 + shift(i)} fontSize="16" fill="var(--ink)">
            <tspan fontSize="19" fontWeight="700">
              {figure}
            </tspan>{' '}
            {word}
          </text>
        </g>
      ))}
    </g>
  );
}
