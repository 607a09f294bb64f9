import { useState } from 'react';
import {
  knownGoodStart,
  type Method,
  METHODS,
  type Recipe,
  type StartingPoint,
  startingRecipe,
  styleStarts,
} from '#core/recipes';
import type { StyleId } from '#core/styles';
import type { Season } from '#core/teas';
import { parseWithin } from '#core/units';
import type { Tea } from '#contracts/teas';
import { useBookQuery } from '../../entities/teas/api';

type Props = {
  style: StyleId;
  method: Method;
  /** When its leaf was plucked; null: nobody said. */
  season: Season | null;
  /** What the packet says, as a recipe. */ packet: StartingPoint | null;
  now: Recipe | null;
  except?: string;
  taken: string;
  onTake: (r: Recipe) => void;
};

/**
 * Where a recipe begins: the packet, the style (both schools where there are two), another tea, another vessel's
 * known-good.
 */
export function StartFrom({ style, method, season, packet, now, except, taken, onTake }: Props) {
  const { data } = useBookQuery();
  const [known, setKnown] = useState({ leaf: '', water: '' });
  const [wrong, setWrong] = useState('');
  const points = [...(packet ? [packet] : []), ...styleStarts(style, method, season)];
  const others = (data?.teas ?? []).filter(
    (t) => t.id !== except && !t.retired && t.recipes.some((r) => r.method === method && r.house),
  );
  const fromTea = (t: Tea | undefined) => {
    const recipe = t?.recipes.find((r) => r.method === method)?.house?.recipe;
    if (t && recipe) onTake({ ...recipe, origin: t.name });
  };
  const fromVessel = () => {
    const [leaf, water] = [
      parseWithin(known.leaf, 'Leaf', 'g', 0.1, 2000),
      parseWithin(known.water, 'Water', 'ml', 20, 20_000),
    ];
    if (leaf.kind === 'bad') return setWrong(leaf.why);
    if (water.kind === 'bad') return setWrong(water.why);
    setWrong('');
    onTake(
      knownGoodStart(now ?? startingRecipe(style, method), leaf.value, water.value, '').recipe,
    );
  };
  return (
    <fieldset className="start-from">
      <legend className="text-[15px] font-semibold">Begin from</legend>
      <div className="flex flex-wrap gap-2">
        {points.map((p) => (
          <button
            type="button"
            key={p.name}
            className="btn slim"
            aria-pressed={taken === p.recipe.origin}
            onClick={() => onTake(p.recipe)}
          >
            {p.name}
          </button>
        ))}
      </div>
      <div className="flex flex-wrap gap-2 items-center mt-2">
        {others.length > 0 && (
          <select
            className="box max-w-[260px]"
            aria-label="Another tea’s recipe"
            value=""
            onChange={(e) => fromTea(others.find((t) => t.id === e.target.value))}
          >
            <option value="">another tea</option>
            {others.map((t) => (
              <option key={t.id} value={t.id}>
                {t.name}, {METHODS[method].label}
              </option>
            ))}
          </select>
        )}
        <span className="small">or a vessel that is right:</span>
        <input
          className="box w-[80px]"
          aria-label="Known-good leaf in grams"
          placeholder="6 g"
          value={known.leaf}
          onChange={(e) => setKnown({ ...known, leaf: e.target.value })}
        />
        <span className="small">g in</span>
        <input
          className="box w-[90px]"
          aria-label="Known-good water in ml"
          placeholder="450 ml"
          value={known.water}
          onChange={(e) => setKnown({ ...known, water: e.target.value })}
        />
        <span className="small">ml</span>
        <button type="button" className="btn slim" onClick={fromVessel}>
          Use this vessel
        </button>
      </div>
      {wrong && (
        <p className="fault" role="alert">
          {wrong}
        </p>
      )}
      {taken && (
        <p className="small">
          From {taken}. {points.find((p) => p.recipe.origin === taken)?.why}
        </p>
      )}
    </fieldset>
  );
}
