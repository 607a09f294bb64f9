import type { Step } from '#core/brews';
import { minutesText, secondsBetween } from '#core/units';
import type { Brew } from '#contracts/brews';
import { AppError } from '../../http/errors';

// What is said to whoever tries what a brew cannot take.

type Why = Extract<Step, { kind: 'refused' }>['why'];
const REFUSALS: Record<Why, string> = {
  alreadyOn: 'The water is on already.',
  alreadyPulled: 'The steep is over already.',
  notSteeping: 'The water is not on yet.',
  leafIsOut: 'The leaf is out already.',
  leafIsIn: 'The leaf is in the water already.',
  notPulled: 'It is still steeping: end the steep first.',
  alreadyJudged: 'It is judged already.',
  ended: 'This brew was given up.',
  beforeWater: 'The pull lies before the water.',
};
/** A refusal of one brew: `why` for programs, `words` for people. */
export const refused = (brew: Brew, why: string, words: string) =>
  new AppError('brew.refused', 409, `${brew.tea.name}: ${words}`, { details: { why } });

/** The refusal of the state machine, in words; of a steep that is over, with who ended it. */
export function refusal(why: Why, brew: Brew): AppError {
  const by = brew.pulledBy?.name ?? brew.pulledDevice;
  if (
    why === 'alreadyPulled' &&
    (brew.state.kind === 'pulled' || brew.state.kind === 'judged') &&
    by
  ) {
    const s = secondsBetween(brew.state.waterOn, brew.state.pulled);
    return new AppError(
      'brew.alreadyPulled',
      409,
      `${by} ended the steep of ${brew.tea.name} at ${minutesText(s)}, before you.`,
      { details: { by, seconds: s } },
    );
  }
  return refused(brew, why, REFUSALS[why]);
}
