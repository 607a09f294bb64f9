import { ALL_RIGHT, isRight, type Verdict, verdictWords } from '#core/corrections';
import { minutesText, numberText } from '#core/units';
import type { BrewEventBody } from '#contracts/brewEvents';
import type { Brew } from '#contracts/brews';
import type { ToastLink } from '../../../platform/toasts';
import { allOf, type BarBrew } from '../barBrews';
import { type BarItem, isDueNow } from '../barItems';
import { isExploring } from '../status';
import type { pullCommands } from './pulls';
import {
  alone,
  type ColourReading,
  type CommandDeps,
  type Judgement,
  nameOf,
  type SecondTaste,
  type Sending,
} from './sending';

/** After a cup that strayed: one drill that fits it, two questions long. */
function practiceFor(verdict: Verdict): ToastLink | undefined {
  if (isRight(verdict)) return undefined;
  const isColourAlone = isRight({ ...verdict, colour: ALL_RIGHT.colour });
  const drill = isColourAlone ? 'order' : 'diagnose';
  return { words: 'Practise this skill', to: `/school/${drill}?few=1` };
}

/** What happens to a brew on the bar, and to its cup. */
export const happenings = (
  { locked, bar }: CommandDeps,
  { send, sendToAll }: Sending,
  { pull, tasting }: ReturnType<typeof pullCommands>,
) => ({
  /** The one thing a brew wants next: water on, a stir at its moment, or the lift. Judging opens its own page. */
  next({ brew, step, status }: BarItem): void {
    // A locked tablet lifts and does nothing else: whatever else it sent would wait for a PIN, with every lift
    // behind it.
    if (locked()) return pull(brew, status.name === 'late');
    if (step && isDueNow({ brew, step }))
      return sendToAll(
        brew,
        { kind: 'step', key: step.step.key, outcome: 'done' },
        step.step.kind === 'stir'
          ? `${nameOf(brew)} stirred.`
          : `${nameOf(brew)}: ${step.act}, done.`,
      );
    if (brew.state.kind === 'warming')
      return sendToAll(brew, { kind: 'waterOn' }, `${nameOf(brew)}: water on.`);
    if (isExploring(brew)) return tasting.leafOut(brew);
    pull(brew, status.name === 'late');
  },
  /** A step done, or left out. */
  step(
    brew: BarBrew,
    key: string,
    outcome: 'done' | 'skipped',
    words: string,
    weighed?: Pick<Extract<BrewEventBody, { kind: 'step' }>, 'grams'>,
  ): void {
    sendToAll(
      brew,
      { kind: 'step', key, outcome, ...weighed },
      `${brew.tea.name}: ${words.toLowerCase()}${outcome === 'skipped' ? ', left out' : ''}.`,
    );
  },
  /** Judged as right in one touch. */
  right(brew: BarBrew, proposal: Judgement['proposal']): void {
    sendToAll(
      brew,
      { kind: 'judge', verdict: ALL_RIGHT, proposal, accepted: false, remark: '' },
      `${brew.tea.name}: right. Kept.`,
    );
  },
  judge(brew: BarBrew, what: Judgement, text: string): void {
    sendToAll(brew, { kind: 'judge', ...what }, text, practiceFor(what.verdict));
  },
  /** A judged cup, tasted once more. */
  tasteAgain(brew: Brew, what: SecondTaste): void {
    sendToAll(
      alone(brew),
      { kind: 'tasteAgain', ...what },
      `${brew.tea.name}, tasted again: ${verdictWords(what.verdict)}. Kept.`,
    );
  },
  close(brew: BarBrew): void {
    sendToAll(brew, { kind: 'close' }, `${brew.tea.name} is off the bar, not judged.`);
  },
  giveUp(brew: BarBrew, reason: string): void {
    sendToAll(
      brew,
      { kind: 'abandon', reason },
      `${brew.tea.name} given up: ${reason.toLowerCase()}.`,
    );
  },
  /** The leaf was lifted by mistake: it steeps on. */
  steepOn(brew: BarBrew): void {
    for (const b of allOf([brew])) send(b, { kind: 'undoPull' });
  },
  /** The leaf goes back for so many seconds: the bar's clock asks for it again. */
  leafBack(brew: BarBrew, more: number): void {
    sendToAll(
      brew,
      { kind: 'leafBack', seconds: more },
      `${nameOf(brew)}: leaf back for ${minutesText(more)}.`,
    );
  },
  /** Whoever is here says that they lifted what the locked tablet was touched for. */
  claim(brew: BarBrew): void {
    for (const b of allOf([brew]))
      if (b.pulledBy === null && b.pulledDevice !== null) send(b, { kind: 'claim' });
  },
  reading(brew: BarBrew, celsius: Extract<BrewEventBody, { kind: 'reading' }>['celsius']): void {
    sendToAll(
      { ...brew, partners: [] },
      { kind: 'reading', celsius },
      `${brew.tea.name}: reading kept.`,
    );
  },
  colour(brew: Brew, what: ColourReading): void {
    sendToAll(alone(brew), { kind: 'colour', ...what }, `${brew.tea.name}: colour kept.`);
  },
  solids(brew: Brew, gramsPerLitre: number): void {
    sendToAll(
      alone(brew),
      { kind: 'solids', gramsPerLitre },
      `${brew.tea.name}: ${numberText(gramsPerLitre / 10, 2)} % kept.`,
    );
  },
  /** The other pots of the same brew that it can go together with. */
  alike: (brew: BarBrew): readonly BarBrew[] =>
    bar().filter(
      (other) =>
        other.id !== brew.id &&
        other.tea.id === brew.tea.id &&
        other.versionId === brew.versionId &&
        other.state.kind === brew.state.kind,
    ),
  /** Two pots of the same tea from here on go together. */
  pair(brew: BarBrew, lead: BarBrew): void {
    sendToAll(
      { ...brew, partners: [] },
      { kind: 'pair', with: lead.id },
      `${brew.plan.vessel.name} goes with ${lead.plan.vessel.name}: pulled and judged together.`,
    );
  },
});
