import { useState } from 'react';
import { type Band, type Figure, type FigureWords, mistakeOf } from '#core/training';
import { parseWithin } from '#core/units';
import { Rule } from '../../../ui/Rule';
import { Choice } from '../Choice';

/** Figures to choose from, by touch or by their number; after the answer each says what it was. */
export function FigureChoices({
  figure,
  words,
  choices,
  value,
  isDone,
  onValue,
}: {
  figure: Figure;
  words: FigureWords;
  choices: readonly number[];
  value: number | null;
  isDone: boolean;
  onValue: (value: number) => void;
}) {
  const verdictOf = (choice: number) => {
    if (!isDone) return '';
    if (choice === figure.shown) return 'right';
    const mistake = mistakeOf(figure, choice);
    if (mistake) return words.mistake(mistake);
    return choice === value ? 'not this' : '';
  };
  return (
    <div className="grid gap-2 mt-3 justify-items-start" role="group" aria-label={words.question}>
      {choices.map((choice, i) => (
        <Choice
          key={choice}
          words={`${words.text(choice)} ${words.unit}`}
          isChosen={choice === value}
          verdict={verdictOf(choice)}
          disabled={isDone}
          digit={i + 1}
          onPick={() => onValue(choice)}
        />
      ))}
    </div>
  );
}
/** No figure will do: an answer too. */
export function CannotButton({
  words,
  isChosen,
  verdict,
  isDone,
  onChoose,
}: {
  words: string;
  isChosen: boolean;
  verdict: string;
  isDone: boolean;
  onChoose: () => void;
}) {
  return (
    <div className="mt-3">
      <Choice {...{ words, isChosen, verdict }} disabled={isDone} digit={0} onPick={onChoose} />
    </div>
  );
}

/** Where nothing is set yet the mark stands here, a third of the way. */
const startOf = ({ least, most, step, start }: FigureWords['rule']): number =>
  start ?? least + step * Math.round((most - least) / 3 / step);

/** A figure that is pulled along a rule or typed. */
export function FigureRule({
  words,
  value,
  right,
  isDone,
  onValue,
}: {
  words: FigureWords;
  value: number | null;
  /** What counts as right, once it was answered. */
  right: Band | null;
  isDone: boolean;
  onValue: (value: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const { rule, perTyped } = words;
  const [least, most] = [rule.least / perTyped, rule.most / perTyped];
  const read = parseWithin(typed ?? '', words.name, words.unit, least, most);
  return (
    <div className="size-row mt-3">
      <Rule
        name={words.name}
        value={value ?? startOf(rule)}
        range={[rule.least, rule.most]}
        step={rule.step}
        tick={rule.tick}
        text={words.text}
        figure={value === null ? '' : words.text(value)}
        unit={words.unit}
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
              const now = parseWithin(e.target.value, words.name, words.unit, least, most);
              if (now.kind === 'ok' && now.value > 0)
                onValue(Math.round((now.value * perTyped) / rule.step) * rule.step);
            }}
          />
          {words.unit}
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
