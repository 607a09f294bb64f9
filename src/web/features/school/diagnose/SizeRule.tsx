import { type Bracket, houseCupOf, type SizedLever, sizesOfLever, turnWords } from '#core/training';
import { minutesText, signedText } from '#core/units';
import { Rule } from '../../../ui/Rule';
import type { CupAsked } from '../drill.worker';

const STEPS: Readonly<Record<SizedLever, { readonly step: number; readonly ticks: number }>> = {
  leaf: { step: 5, ticks: 6 },
  heat: { step: 1, ticks: 6 },
  time: { step: 5, ticks: 6 },
  water: { step: 5, ticks: 5 },
};
/** Round distances between ticks, so that there are about so many. */
const ROUND = [5, 10, 20, 30, 60, 120, 180, 240];
const tickOf = (range: number, ticks: number): number =>
  ROUND.find((t) => range / t <= ticks) ?? 240;

const UNITS: Readonly<Record<SizedLever, string>> = { leaf: '%', heat: '°C', time: '', water: '%' };
const signedTime = (s: number): string => {
  if (s === 0) return '0';
  return `${s < 0 ? '−' : '+'}${minutesText(Math.abs(s))}`;
};
const textOf = (lever: SizedLever) => (v: number) =>
  lever === 'time' ? signedTime(v) : signedText(v, 0);

const bracketWords = ({ lever, low, high, within }: Bracket): string =>
  `Right: ${turnWords(lever, low)} to ${turnWords(lever, high)}. ` +
  `Every taste is then within ${within === 'half' ? 'half a step' : 'one step'} of the house cup.`;

/** How much: against this cup. The bracket comes with the answer. */
export function SizeRule({
  question: { diagnosis, given },
  lever,
  size,
  isDone,
  onSize,
}: {
  question: Pick<CupAsked, 'diagnosis' | 'given'>;
  lever: SizedLever;
  size: number;
  isDone: boolean;
  onSize: (size: number) => void;
}) {
  const sizes = sizesOfLever(houseCupOf(given.cup), diagnosis.made, lever);
  const [low, high] = [Math.min(0, sizes[0] ?? 0), Math.max(0, sizes.at(-1) ?? 0)];
  const { step, ticks } = STEPS[lever];
  const bracket = diagnosis.brackets.find((b) => b.lever === lever);
  const shown = isDone && bracket ? bracket : null;
  return (
    <div className="size-row">
      <Rule
        name="How much"
        value={size}
        range={[low, high]}
        step={step}
        tick={tickOf(high - low, ticks)}
        text={textOf(lever)}
        figure={textOf(lever)(size)}
        unit={UNITS[lever]}
        house={null}
        {...(shown && { window: [shown.low, shown.high] })}
        zero
        onValue={isDone ? () => undefined : onSize}
      />
      {isDone && (
        <p className="small">
          {shown ? bracketWords(shown) : 'No size of this lever brings the cup to the house cup.'}
        </p>
      )}
    </div>
  );
}
