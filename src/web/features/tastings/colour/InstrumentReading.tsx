import { useState } from 'react';
import {
  deltaE00,
  hexOf,
  type Lab,
  labOf,
  strengthFromColour,
  strengthVerdict,
} from '#core/colour';
import type { ColourStrength } from '#core/fitting';
import { numberText } from '#core/units';
import type { Tea } from '#contracts/teas';
import { strengthWords } from '../../../entities/brews/strength';
import { houseLiquorOf } from '../../../entities/teas/liquor';
import { predictionBasis } from '../../../entities/teas/predictionBasis';
import { ON_TARGET } from './PhotoChecks';
import { Range } from './ReadingAnswer';

/** A colour reader's own figures instead of a picture. */
export function Instrument({
  tea,
  depth,
  onKeep,
  keeps,
}: {
  tea: Tea;
  depth: number;
  keeps: string;
  onKeep: ((r: ColourStrength) => void) | null;
}) {
  const [typed, setTyped] = useState(['', '', '']);
  const lab = typed.map((t) => Number(t.replace(',', '.'))) as unknown as Lab;
  const given =
    typed.every((t) => t.trim() !== '') &&
    lab.every(Number.isFinite) &&
    lab[0] >= 0 &&
    lab[0] <= 100;
  const recipe = tea.house?.recipe;
  const target = recipe ? houseLiquorOf(tea, recipe) : null;
  const model = target ? labOf(target, depth) : null;
  const r = given && target ? strengthFromColour(target, lab, depth) : null;
  return (
    <>
      <h2>From an instrument</h2>
      <p className="small">Lab under D65, 2°, of the liquor at the depth above.</p>
      <div className="flex gap-2 mt-2">
        {['L*', 'a*', 'b*'].map((name, i) => (
          <label key={name} className="grid gap-1">
            <span className="text-[15px] font-semibold">{name}</span>
            <input
              className="box w-[96px]"
              inputMode="decimal"
              value={typed[i]}
              aria-label={name}
              onChange={(e) => setTyped((t) => t.map((v, j) => (j === i ? e.target.value : v)))}
            />
          </label>
        ))}
      </div>
      {r && model && (
        <InstrumentAnswer reading={r} lab={lab} model={model} keeps={keeps} onKeep={onKeep} />
      )}
      {model && (
        <p className="small mt-3">
          The house cup of {tea.name} is expected at {model.map((v) => numberText(v)).join(', ')} (
          {predictionBasis(tea).toLowerCase()}, not measured).
        </p>
      )}
    </>
  );
}

/** What three measured figures say of the cup beside the house cup's. */
function InstrumentAnswer({
  reading: r,
  lab,
  model,
  keeps,
  onKeep,
}: {
  reading: NonNullable<ReturnType<typeof strengthFromColour>>;
  lab: Lab;
  model: Lab;
  keeps: string;
  onKeep: ((r: ColourStrength) => void) | null;
}) {
  const verdict = strengthVerdict(r);
  if (verdict === 'refuse')
    return (
      <p className="mt-3 text-[18px] font-semibold">
        Not this tea’s colour: {numberText(r.residual)} off every strength of this tea.
      </p>
    );
  if (verdict === 'uninformative')
    return (
      <p className="mt-3 text-[18px] font-semibold">
        Colour says nothing here: {lab[0] < 45 ? 'take a shallower layer' : 'take a deeper layer'}.
      </p>
    );
  const low = r.value * Math.exp(-r.error);
  const high = r.value * Math.exp(r.error);
  return (
    <>
      <p className="answer mt-3">{verdict === 'onTarget' ? ON_TARGET : strengthWords(r.value)}</p>
      <Range strength={r.value} low={low} high={high} />
      <div className="swatches">
        <span style={{ background: hexOf(model) }} />
        <span style={{ background: hexOf(lab) }} />
      </div>
      <p className="swatch-names">
        <span>house cup</span>
        <span>measured, {numberText(deltaE00(lab, model))} apart</span>
      </p>
      <p className="small">Says how strong, not why.</p>
      {onKeep && (
        <button
          type="button"
          className="btn go mt-3"
          onClick={() => onKeep({ strength: r.value, low, high })}
        >
          {keeps}
        </button>
      )}
    </>
  );
}
