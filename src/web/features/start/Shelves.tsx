import type { Recipe } from '#core/recipes';
import { type Grams, grams, type Millilitres, ML_PER, volumeText } from '#core/units';
import type { Tea } from '#contracts/teas';
import type { BrewedVessel } from '#contracts/vesselFacts';
import type { Vessel } from '#contracts/vessels';
import { liquorOfBatch } from '../../entities/batches/liquor';
import { type ColdBatch, leftIn } from '../../entities/batches/standing';
import { type BarBrew, phaseOf } from '../../entities/brews/barBrews';
import { liquorOf } from '../../entities/brews/liquor';
import { brewStatus } from '../../entities/brews/status';
import { useBarLayout } from '../../entities/brews/useBarLayout';
import { useUnits } from '../../entities/people/session';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { now } from '../../platform/clock';
import type { Choice } from './choice';

const SCALE = 0.82;
const PHONE_SCALE = 0.46;
const PER_SHELF = 5;
const PER_PHONE_SHELF = 3;
const LARGE = 900;

const cupsWord = (v: BrewedVessel) => {
  const n = Math.max(1, Math.round(v.mark / ML_PER.teacup));
  return `${n} ${n === 1 ? 'cup' : 'cups'}`;
};

/** The site's vessels on shelves, at one scale: the chosen one with its predicted liquor, those in use with theirs. */
export function VesselShelves({
  choice,
  recipe,
  water,
  leaf,
}: {
  choice: Choice;
  recipe: Recipe | null;
  water: Millilitres;
  leaf: Grams | null;
}) {
  const units = useUnits();
  const { vessels, vessel: chosen, inUse, tea } = choice;
  const phone = useBarLayout(1).kind === 'phone';
  const perShelf = phone ? PER_PHONE_SHELF : PER_SHELF;
  const typed = chosen && chosen.id === null ? [chosen] : [];
  const scale = scaleFor(phone, vessels, typed.length);
  const shown: readonly BrewedVessel[] = [...typed, ...vessels];
  const rows = [
    shown.filter((v) => v.kind === 'pot'),
    shown.filter((v) => v.kind !== 'pot'),
  ].flatMap((list) =>
    Array.from({ length: Math.ceil(list.length / perShelf) }, (_, i) =>
      list.slice(i * perShelf, (i + 1) * perShelf),
    ),
  );
  return (
    <>
      <h2 className="mt-2">
        Vessel<small>one scale; the tick on the wall is the fill mark</small>
        <svg
          width={Math.round(100 * scale) + 2}
          height="12"
          aria-hidden="true"
          className="!inline-block ml-6"
        >
          <path
            d={`M1 2v8M1 6h${100 * scale}M${1 + 100 * scale} 2v8M${1 + 50 * scale} 4v4`}
            stroke="var(--ink)"
            strokeWidth="1.5"
            fill="none"
          />
        </svg>
        <small>10 cm</small>
      </h2>
      {rows.map((row) => {
        const grid = {
          gridTemplateColumns: phone
            ? `repeat(${perShelf}, minmax(0, 1fr))`
            : row
                .map((v) => (v.kind === 'tasting' ? 'minmax(0, 1.2fr)' : 'minmax(0, 1fr)'))
                .join(' '),
        };
        return (
          <div key={row[0]?.id ?? 'typed'}>
            <div className="board" style={grid}>
              {row.map((v) => (
                <Standing
                  key={v.id ?? 'typed'}
                  v={v}
                  scale={scale}
                  on={v.id === chosen?.id}
                  brew={v.id === null ? undefined : inUse.brewIn.get(v.id)}
                  batch={v.id === null ? undefined : inUse.batchIn.get(v.id)}
                  tea={tea}
                  recipe={recipe}
                  leaf={leaf}
                  water={water}
                  onPick={() => v.id !== null && choice.pickVessel(v.id)}
                />
              ))}
            </div>
            <div className="tags" style={grid}>
              {row.map((v) => {
                const brew = v.id === null ? undefined : inUse.brewIn.get(v.id);
                const isCold = v.id !== null && inUse.batchIn.has(v.id);
                const on = v.id === chosen?.id;
                return (
                  <button
                    type="button"
                    className={`tag ${on ? 'on' : ''}`}
                    key={v.id ?? 'typed'}
                    onClick={() => v.id !== null && choice.pickVessel(v.id)}
                    aria-pressed={on}
                  >
                    <b>{v.name}</b>
                    {volumeText(v.mark, units.volume)}, {cupsWord(v)}
                    <br />
                    {v.id === null ? <strong>not on the shelf</strong> : stateOf(brew, isCold, on)}
                  </button>
                );
              })}
            </div>
          </div>
        );
      })}
    </>
  );
}

/** How large vessels are drawn, so that they fit their shelves. */
function scaleFor(phone: boolean, vessels: readonly Vessel[], more: number) {
  if (phone) return PHONE_SCALE;
  if (vessels.length + more > 2 * PER_SHELF || vessels.some((v) => v.brim > LARGE * 1.2))
    return 0.66;
  return SCALE;
}

/** Whether a vessel is in use, chosen or free. */
function stateOf(brew: BarBrew | undefined, isCold: boolean, on: boolean) {
  if (brew) return <span className="use">in use, {howFar(brew)}</span>;
  if (isCold) return <span className="use">in use, cold</span>;
  if (on) return <strong>chosen</strong>;
  return <span className="use">free</span>;
}
function howFar(brew: BarBrew): string {
  const s = brewStatus(brew, phaseOf(brew, now()), { volume: 'ml', temperature: 'C' });
  if (s.name === 'late') return 'late';
  if (s.name === 'warming') return 'warming';
  return s.figure;
}

type StandingProps = {
  v: BrewedVessel;
  scale: number;
  on: boolean;
  brew: BarBrew | undefined;
  batch: ColdBatch | undefined;
  tea: Tea | null;
  recipe: Recipe | null;
  leaf: Grams | null;
  water: Millilitres;
  onPick: () => void;
};
function Standing({ v, scale, on, brew, batch, tea, recipe, leaf, water, onPick }: StandingProps) {
  const isInUse = brew !== undefined || batch !== undefined;
  const coldLiquor = batch ? liquorOfBatch(batch) : null;
  const inIt = brew ? liquorOf(brew, now()) : coldLiquor;
  const liquor = on && tea && recipe ? houseLiquorOf(tea, recipe) : inIt;
  const there = batch ? leftIn(batch) : brew?.plan.water;
  const fill = on ? water : there;
  return (
    <button
      type="button"
      aria-label={`${v.name}${isInUse ? ', in use' : ''}`}
      disabled={isInUse && !on}
      onClick={onPick}
    >
      <VesselDrawing
        vessel={v}
        scale={scale}
        label=""
        fill={liquor && fill && fill <= v.brim ? fill : undefined}
        liquor={liquor}
        leaf={on && leaf ? leaf : ((brew ?? batch)?.plan.leaf ?? grams(0))}
        level={on}
        lid={brew !== undefined && v.lid}
      />
    </button>
  );
}
