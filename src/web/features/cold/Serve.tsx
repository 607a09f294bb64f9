import { useState } from 'react';
import {
  drawnCup,
  type GlassAsked,
  glassesLeft,
  type GlassMark,
  glassOf,
  mendGlass,
  pourable,
  strengthMeant,
  strengthOfGlass,
} from '#core/cold';
import { SERVING_STYLES, type ServingGlass, type ServingStyle } from '#core/recipes';
import { characterOf } from '#core/styles';
import {
  celsius,
  type Millilitres,
  millilitres,
  secondsBetween,
  temperatureText,
  volumeText,
} from '#core/units';
import type { ColdBatch } from '../../entities/batches/standing';
import { useUnits } from '../../entities/people/session';
import { oneTap } from '../../ui/keys';

/** What the extract is let down with, °C. */
const WATER_AT: Readonly<Record<ServingStyle, number>> = {
  hot: 95,
  room: 20,
  sparkling: 5,
  chilled: 5,
};
/** A glass is filled so far under its brim: from memory. */
const ROOM_IN_GLASS = 40;
const MARKS: readonly (readonly [GlassMark, string])[] = [
  [-1, 'a bit weak'],
  [0, 'right'],
  [1, 'a bit strong'],
];

/** An extract in the glass: so much of it, then so much water; what a drinker says of it moves the next. */
export function Serve({
  batch,
  onPour,
}: {
  batch: ColdBatch;
  onPour: (ml: Millilitres) => boolean;
}) {
  const { glasses } = batch.plan;
  const [style, setStyle] = useState<ServingStyle | null>(null);
  const glass = glasses.find((g) => g.style === style) ?? glasses[0];
  if (!glass) return null;
  return (
    <div className="form">
      <h2>
        Serve<small>pour the extract first, then the water into the middle</small>
      </h2>
      <div className="flex flex-wrap gap-2" role="group" aria-label="How it is served">
        {glasses.map((g) => (
          <button
            type="button"
            key={g.style}
            className="btn slim"
            aria-pressed={g.style === glass.style}
            onClick={() => setStyle(g.style)}
          >
            {SERVING_STYLES[g.style]}
          </button>
        ))}
      </div>
      <OneGlass key={glass.style} batch={batch} recipe={glass} onPour={onPour} />
    </div>
  );
}

/** Strength of the extract as the model has it for the hours it lay. */
function extractStrength({ plan, tea, now: { state } }: ColdBatch): number {
  const lay =
    state.kind === 'drawn' ? secondsBetween(state.leafIn, state.lifted) : plan.window.best;
  return drawnCup({ ...plan, character: characterOf(tea.style) }, lay).cup.taste.strength;
}

function OneGlass({
  batch,
  recipe,
  onPour,
}: {
  batch: ColdBatch;
  recipe: ServingGlass;
  onPour: (ml: Millilitres) => boolean;
}) {
  const units = useUnits();
  const [shift, setShift] = useState(0);
  const [mark, setMark] = useState<GlassMark>(0);
  const extract = extractStrength(batch);
  const asked: GlassAsked = {
    extractStrength: extract,
    glass: millilitres(recipe.extract + recipe.water),
    target: strengthMeant(strengthOfGlass(extract, recipe.extract, recipe.water), shift),
    extractAt: celsius(batch.plan.air),
    waterAt: celsius(WATER_AT[recipe.style]),
  };
  const now = glassOf(asked);
  const volume = (ml: Millilitres) => volumeText(pourable(ml), units.volume);
  if (!now)
    return <p className="font-semibold">The extract is weaker than this glass should be.</p>;
  const meant = strengthMeant(asked.target, mark);
  const mend =
    mark === 0 ? null : mendGlass(asked, meant, millilitres(asked.glass + ROOM_IN_GLASS));
  const nextSo = () => {
    setShift(shift + mark);
    setMark(0);
  };
  const poured = () => {
    if (!onPour(pourable(now.extract))) return;
    setShift(0);
    setMark(0);
  };
  return (
    <>
      <p className="text-[19px]">
        <b>{volume(now.extract)}</b> of extract and <b>{volume(now.water)}</b> of water at{' '}
        {temperatureText(asked.waterAt, units.temperature)} make a glass at{' '}
        {temperatureText(now.temperature, units.temperature)}.{' '}
        <span className="small">
          The extract is enough for {glassesLeft(batch.now.ledger.left, now.extract)} glasses.
        </span>
      </p>
      {recipe.style === 'hot' && (
        <p className="small">
          Hot water scalds and can crack a cold glass. Use a heat-proof glass and warm the glass
          first.
        </p>
      )}
      <div className="flex flex-wrap gap-2" role="group" aria-label="How the guest found it">
        {MARKS.map(([m, words]) => (
          <button
            type="button"
            key={m}
            className="btn slim"
            aria-pressed={m === mark}
            onClick={() => setMark(m)}
          >
            {words}
          </button>
        ))}
      </div>
      {mend && (
        <p>
          This glass: {mend.pourOff > 0 && <>pour off {volume(mend.pourOff)}, then </>}
          add <b>{volume(mend.extract > 0 ? mend.extract : mend.water)}</b> of{' '}
          {mend.extract > 0 ? 'extract' : 'water'}.{' '}
          <button type="button" className="btn slim quiet" onClick={nextSo}>
            Change the next glass
          </button>
        </p>
      )}
      {mark !== 0 && !mend && <p className="font-semibold">The extract is too weak for that.</p>}
      <button type="button" className="btn go" onClick={oneTap(poured)}>
        Glass poured
      </button>
    </>
  );
}
