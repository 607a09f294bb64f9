import { type FormEvent, useEffect, useRef, useState } from 'react';
import { CLOCK_STEPS, stepsOf, stepStates, type StepWithState, stepWords } from '#core/brews';
import {
  celsius,
  type EpochMs,
  grams,
  minutesText,
  numberText,
  parseTemperature,
  readingText,
  secondsBetween,
} from '#core/units';
import { type BarBrew } from '../../entities/brews/barBrews';
import type { BrewCommands } from '../../entities/brews/commands';
import { useUnits } from '../../entities/people/session';
import { useScaleHere } from '../../platform/scale/scale';
import { ScalePanel } from '../../platform/scale/ScalePanel';
import { clockText } from '../../ui/days';
import { ServeTurns } from './ServeTurns';

/** Water has begun to go on when the scale has risen by so much, g. */
const POURING = 8;
const STANDING = { done: 'done', skipped: 'left out', now: 'now', ahead: '' } as const;

/** Every step of a brew with how it stands: confirmed, left out, weighed; and what a thermometer in it says. */
export function Steps({
  brew,
  commands,
  onWeighed,
  onPour,
}: {
  brew: BarBrew;
  commands: BrewCommands;
  onWeighed: () => void;
  onPour: () => void;
}) {
  const units = useUnits();
  const [weighing, setWeighing] = useState(false);
  const stood = stepStates(stepsOf(brew.plan), brew.state, brew.marks);
  const on = 'waterOn' in brew.state ? brew.state.waterOn : null;
  const took = (weight: number) => {
    const g = grams(weight);
    commands.step(brew, 'weigh', 'done', `${numberText(g)} g weighed`, { grams: g });
    setWeighing(false);
    onWeighed();
  };
  return (
    <div className="steps">
      <ol>
        {stood.map((s) => {
          const words = stepWords(s, brew.plan, units);
          const at = whenText(s, on);
          return (
            <li
              key={s.key}
              className={s.state}
              aria-current={s.state === 'now' ? 'step' : undefined}
            >
              <span>
                <b>{words.act}</b>
                <span className="small">
                  {[
                    s.due !== null && s.due > 0 ? minutesText(s.due) : '',
                    STANDING[s.state],
                    s.record?.grams ? `${numberText(s.record.grams)} g` : '',
                    at,
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </span>
              </span>
              {!CLOCK_STEPS.has(s.kind) && s.record === null && (
                <span className="flex gap-2">
                  {s.kind === 'weigh' && (
                    <button
                      type="button"
                      className="btn slim"
                      onClick={() => setWeighing((w) => !w)}
                    >
                      On the scale
                    </button>
                  )}
                  <button
                    type="button"
                    className="btn slim"
                    onClick={() => commands.step(brew, s.key, 'done', words.done)}
                  >
                    {words.done}
                  </button>
                  <button
                    type="button"
                    className="btn quiet slim"
                    onClick={() => commands.step(brew, s.key, 'skipped', words.done)}
                  >
                    Leave out
                  </button>
                </span>
              )}
              {s.kind === 'pour' && brew.state.kind === 'warming' && (
                <Pouring brew={brew} onPour={onPour} />
              )}
              {s.kind === 'serve' && brew.plan.recipe.handling.order === 'turns' && (
                <ServeTurns brew={brew} />
              )}
              {s.kind === 'weigh' && weighing && (
                <div className="w-full">
                  <ScalePanel target={brew.plan.leaf} onTake={took} takeWords="That is it" />
                </div>
              )}
            </li>
          );
        })}
      </ol>
      <Reading brew={brew} commands={commands} />
    </div>
  );
}

/** When a step was done: after the water, or by the clock. */
function whenText(s: StepWithState, on: EpochMs | null) {
  if (s.at === null) return '';
  if (on !== null && s.at >= on) return `+${minutesText(secondsBetween(on, s.at as EpochMs))}`;
  return clockText(s.at);
}

/** Pours on the scale: the clock starts by itself as the weight rises, and the rule says when it is enough. */
function Pouring({ brew, onPour }: { brew: BarBrew; onPour: () => void }) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <span className="flex gap-2">
        <button type="button" className="btn slim" onClick={() => setOpen(true)}>
          Start as you pour
        </button>
      </span>
    );
  return (
    <div className="w-full">
      <ScalePanel target={brew.plan.water} small={false}>
        <Rising onRise={onPour} />
      </ScalePanel>
    </div>
  );
}
function Rising({ onRise }: { onRise: () => void }) {
  const { weight } = useScaleHere();
  const from = useRef<number | null>(null);
  const risen = useRef(false);
  useEffect(() => {
    if (weight === null || risen.current) return;
    from.current = Math.min(from.current ?? weight, weight);
    if (weight - from.current < POURING) return;
    risen.current = true;
    onRise();
  }, [weight, onRise]);
  return (
    <p className="small">
      The clock starts as the water goes on. Stand the vessel on the scale first, leaf in it.
    </p>
  );
}

function Reading({ brew, commands }: { brew: BarBrew; commands: BrewCommands }) {
  const units = useUnits();
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const t = parseTemperature(/[\d°]\s*$/.test(typed) ? `${typed}${units.temperature}` : typed);
    if (t.kind === 'bad') return setFault(t.why);
    if (t.value < -5 || t.value > 105) return setFault('No tea is as hot or as cold as that.');
    commands.reading(brew, celsius(Math.round(t.value * 10) / 10));
    setTyped('');
    setFault('');
  };
  return (
    <form onSubmit={submit} className="field-row mt-4">
      <label htmlFor="reading">Thermometer in it</label>
      <div className="with-unit">
        <input
          id="reading"
          className="box"
          value={typed}
          aria-invalid={fault !== ''}
          aria-describedby={fault ? 'reading-fault' : undefined}
          onChange={(e) => setTyped(e.target.value)}
          placeholder={`78 °${units.temperature}`}
        />
        <button type="submit" className="btn slim">
          Keep it
        </button>
      </div>
      {fault && (
        <p id="reading-fault" className="fault" role="alert">
          {fault}
        </p>
      )}
      {brew.readings.length > 0 && (
        <p className="small">
          {brew.readings
            .map((r) => `${readingText(r.celsius, units.temperature)} at ${clockText(r.at)}`)
            .join(', ')}
        </p>
      )}
    </form>
  );
}
