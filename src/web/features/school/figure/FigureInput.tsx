import { useState } from 'react';
import type { Band } from '#core/training';
import { parseWithin } from '#core/units';
import { Rule } from '../../../ui/Rule';
import type { FigureSheet } from './sheet';

/** Figures to choose from, by touch or by their number; after the answer each says what it was. */
export function FigureChoices({
  sheet,
  choices,
  value,
  right,
  onValue,
}: {
  sheet: FigureSheet;
  choices: readonly number[];
  value: number | null;
  /** The right one, once it was answered. */
  right: number | null;
  onValue: (value: number) => void;
}) {
  const verdictOf = (choice: number) => {
    if (right === null) return '';
    if (choice === right) return 'right';
    return sheet.mistake(choice) ?? (choice === value ? 'not this' : '');
  };
  return (
    <div className="grid gap-2 mt-3 justify-items-start" role="group" aria-label={sheet.question}>
      {choices.map((choice, i) => (
        <button
          key={choice}
          type="button"
          className={`btn choice ${choice === value ? 'chosen' : ''}`}
          aria-pressed={choice === value}
          disabled={right !== null}
          onClick={() => onValue(choice)}
        >
          {sheet.text(choice)} {sheet.unit} <kbd>{i + 1}</kbd>
          {verdictOf(choice) && <small>{verdictOf(choice)}</small>}
        </button>
      ))}
    </div>
  );
}

/** A figure that is pulled along a rule or typed. */
export function FigureRule({
  sheet,
  value,
  right,
  onValue,
}: {
  sheet: FigureSheet;
  value: number | null;
  /** What counts as right, once it was answered. */
  right: Band | null;
  onValue: (value: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const most = sheet.most / sheet.perTyped;
  const read = parseWithin(typed ?? '', sheet.unit, '', 0, most);
  const isDone = right !== null;
  return (
    <div className="size-row mt-3">
      <Rule
        name={sheet.name}
        value={value ?? 0}
        range={[0, sheet.most]}
        step={sheet.step}
        tick={sheet.tick}
        text={sheet.text}
        figure={value === null ? '' : sheet.text(value)}
        unit={sheet.unit}
        house={null}
        {...(right && { window: right })}
        zero
        onValue={(v) => {
          if (isDone) return;
          setTyped(null);
          onValue(v);
        }}
      />
      {!isDone && (
        <label className="flex flex-wrap items-center gap-2 mt-3">
          Or type it
          <input
            className="box w-[110px]"
            inputMode="decimal"
            aria-invalid={typed !== null && typed !== '' && read.kind === 'bad'}
            value={typed ?? ''}
            onChange={(e) => {
              setTyped(e.target.value);
              const now = parseWithin(e.target.value, sheet.unit, '', 0, most);
              if (now.kind === 'ok' && now.value > 0)
                onValue(Math.round((now.value * sheet.perTyped) / sheet.step) * sheet.step);
            }}
          />
          {sheet.unit}
          {typed !== null && typed !== '' && read.kind === 'bad' && (
            <span className="fault" role="alert">
              {read.why}
            </span>
          )}
        </label>
      )}
    </div>
  );
}
