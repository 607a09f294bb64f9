import { type ReactNode, useState } from 'react';
import { grams, numberText } from '#core/units';
import { type Pouring, pourUntil } from '#core/weighing';
import { useKeys } from '../../ui/keys';
import { LevelMark } from '../../ui/LevelMark';
import { BAUDS, hasSerial, scale, type ScaleNow, useScaleHere } from './scale';

type Props = {
  /** Takes the weight as it stands, in grams. */
  onTake?: (g: number) => void;
  takeWords?: string;
  /** Pour until so much: a rule fills to its mark. */
  target?: number;
  /** Spoons of leaf, not vessels, are weighed. */
  small?: boolean;
  /** Stands under the weight. */
  children?: ReactNode;
};

/** The scale: its weight large, tare, and "take it" once it stands still; without one, choose it. */
export function ScalePanel({
  onTake,
  takeWords = 'Take this weight',
  target,
  small = (target ?? Infinity) <= 60,
  children,
}: Props) {
  const now = useScaleHere();
  const [baud, setBaud] = useState<number>(BAUDS[0]);
  const take = () => {
    if (now.steady && now.weight !== null && now.weight > 0) onTake?.(now.weight);
  };
  useKeys(
    onTake && now.kind !== 'none'
      ? [
          { key: ' ', does: takeWords, run: take },
          { key: 't', does: 'Tare the scale', run: () => scale.tare() },
        ]
      : [],
  );
  if (now.kind === 'none') {
    return (
      <div className="scale-panel">
        <p>No scale here yet. {now.fault && <span className="fault">{now.fault}</span>}</p>
        <div className="flex flex-wrap gap-2 items-center">
          {hasSerial() && (
            <>
              <button type="button" className="btn slim" onClick={() => void scale.useSerial(baud)}>
                Choose the scale
              </button>
              <label className="small">
                at{' '}
                <select
                  className="box slim"
                  aria-label="Speed of the port"
                  value={baud}
                  onChange={(e) => setBaud(Number(e.target.value))}
                >
                  {BAUDS.map((b) => (
                    <option key={b} value={b}>
                      {b}
                    </option>
                  ))}
                </select>{' '}
                baud
              </label>
            </>
          )}
          <button type="button" className="btn slim" onClick={() => scale.useMadeUp()}>
            Practise with a simulated scale
          </button>
        </div>
        {!hasSerial() && (
          <p className="small">
            This browser cannot read a scale on a serial port; weights can be typed.
          </p>
        )}
      </div>
    );
  }
  const pouring =
    target === undefined || now.weight === null ? null : pourUntil(grams(target), now.weight);
  return (
    <div className="scale-panel">
      <p className={`weight ${now.steady ? '' : 'moving'}`} aria-live="off">
        <b data-testid="weight">{now.weight === null ? '–' : numberText(now.weight, 1)}</b> g{' '}
        <span className="small">{steadyWords(now)}</span>
      </p>
      {target !== undefined && pouring && (
        <PourRule target={target} weight={now.weight ?? 0} words={pouringWords(pouring)} />
      )}
      {children}
      {now.kind === 'made-up' && <MadeUpLeaf small={small} />}
      <div className="flex flex-wrap gap-2 mt-2">
        {onTake && (
          <button
            type="button"
            className={`btn go ${now.steady ? '' : 'dashed'}`}
            disabled={!now.steady || !((now.weight ?? 0) > 0)}
            onClick={take}
          >
            {takeWords} <kbd>Space</kbd>
          </button>
        )}
        <button type="button" className="btn" onClick={() => scale.tare()}>
          Tare <kbd>T</kbd>
        </button>
        <button type="button" className="btn quiet" onClick={() => scale.leave()}>
          Leave the scale
        </button>
      </div>
    </div>
  );
}

/** What the scale is doing. */
function steadyWords(now: ScaleNow) {
  if (now.weight === null) return now.fault || 'waiting for the scale';
  if (now.steady) return 'steady';
  return 'moving';
}

/** How far the pour is. */
function pouringWords(pouring: Pouring) {
  if (pouring.say === 'there') return 'There.';
  if (pouring.say === 'over') return `${numberText(-pouring.left)} g over`;
  return `${numberText(pouring.left)} g more${pouring.say === 'slowly' ? ', slowly' : ''}`;
}

/** Filling to the mark: over it is hatched. */
function PourRule({ target, weight, words }: { target: number; weight: number; words: string }) {
  const width = 380;
  const x = (g: number) => Math.max(0, Math.min(width, (g / (target * 1.25)) * width));
  return (
    <figure>
      <svg
        width={width}
        height="46"
        viewBox={`0 0 ${width} 46`}
        style={{ maxWidth: '100%', height: 'auto' }}
        role="img"
        aria-label={`${numberText(weight)} of ${numberText(target)} g`}
      >
        <rect x="0" y="18" width={x(Math.min(weight, target))} height="16" fill="var(--accent)" />
        {weight > target && (
          <rect
            x={x(target)}
            y="18"
            width={x(weight) - x(target)}
            height="16"
            fill="url(#hatch)"
            stroke="var(--warn)"
          />
        )}
        <path d={`M0 34H${width}`} stroke="var(--ink)" strokeWidth="2" />
        <LevelMark x={x(target)} y={17} size={14} />
      </svg>
      <figcaption className="text-[22px] font-semibold" aria-live="polite">
        {words}
      </figcaption>
    </figure>
  );
}

/** Hands of the made-up scale: more, less, or what is wanted. */
function MadeUpLeaf({ small }: { small: boolean }) {
  const add = (by: number) => scale.load(scale.loaded + by);
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- the field beside it keeps the focus
    <div
      className="flex flex-wrap gap-2 items-center mt-1"
      role="group"
      aria-label="Put on the simulated scale"
      onMouseDown={(e) => e.preventDefault()}
    >
      <span className="small">Put on it:</span>
      {(small ? [0.5, 2, 5] : [10, 100, 400]).map((g) => (
        <button type="button" key={g} className="btn slim" onClick={() => add(g)}>
          {g} g
        </button>
      ))}
      <button type="button" className="btn slim" onClick={() => scale.load(0)}>
        Empty it
      </button>
    </div>
  );
}
