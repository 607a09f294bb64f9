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
    const why = mistake === null ? '' : words.mistake(mistake);
    if (why !== '') return why;
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

/** A figure that is pulled along a rule, or typed where it can be. */
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
  // A figure that is pulled is not what was typed before.
  const [pulls, setPulls] = useState(0);
  const { rule } = words;
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
          setPulls((n) => n + 1);
          onValue(v);
        }}
      />
      {!isDone && words.perTyped !== null && (
        <TypedFigure key={pulls} words={words} perTyped={words.perTyped} onValue={onValue} />
      )}
    </div>
  );
}
function TypedFigure({
  words,
  perTyped,
  onValue,
}: {
  words: FigureWords;
  perTyped: number;
  onValue: (value: number) => void;
}) {
  const [typed, setTyped] = useState('');
  const { rule } = words;
  const readOf = (text: string) =>
    parseWithin(text, words.name, words.unit, rule.least / perTyped, rule.most / perTyped);
  const read = readOf(typed);
  const isBad = typed !== '' && read.kind === 'bad';
  return (
    <label className="flex flex-wrap items-center gap-2 mt-3">
      Or type it
      <input
        className="box w-[110px]"
        inputMode="decimal"
        aria-invalid={isBad}
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          const now = readOf(e.target.value);
          if (now.kind === 'ok' && now.value > 0)
            onValue(Math.round((now.value * perTyped) / rule.step) * rule.step);
        }}
      />
      {words.unit}
      {isBad && (
        <span className="fault" role="alert">
          {read.why}
        </span>
      )}
    </label>
  );
}
