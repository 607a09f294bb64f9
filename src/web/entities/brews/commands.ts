import {
  inWaterUntil,
  pullTiming,
  STARTED_BY_MISTAKE,
  type TasteMark,
  tasteMarkWords,
  wholeSecond,
} from '#core/brews';
import { ALL_RIGHT, isRight, type Mark, type Verdict, verdictWords } from '#core/corrections';
import { type CupsAsked, NO_WISH, type Window, type Wish } from '#core/recipes';
import {
  type EpochMs,
  epochMs,
  type Millilitres,
  minutesText,
  numberText,
  type Seconds,
  secondsBetween,
} from '#core/units';
import type { Brew, BrewEventBody, Order } from '#contracts/brews';
import type { Who } from '#contracts/primitives';
import type { Site } from '#contracts/sites';
import { now } from '../../platform/clock';
import { newId } from '../../platform/ids';
import type { NewWrite } from '../../platform/outbox/outbox';
import type { ToastLink } from '../../platform/toasts';
import { allOf, type BarBrew } from './barBrews';
import { type Moment, nextSteepWrite, type Start } from './begun';
import { colourSeenWords } from './colourSeen';
import { type BarItem, isDueNow, isExploring } from './status';
import type { BrewUndo } from './undo';
import type { BrewWrite } from './writes';

/** `Omit` that keeps each member of a union apart. */
type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
/** One thing that happened to a brew, before it has an id and an instant. */
type Happening = Without<BrewEventBody, 'id' | 'at'> & { readonly at?: number };
type Judgement = Without<Extract<Happening, { kind: 'judge' }>, 'kind'>;
type SecondTaste = Without<Extract<Happening, { kind: 'tasteAgain' }>, 'kind'>;
type ColourReading = Without<Extract<Happening, { kind: 'colour' }>, 'kind'>;

/** When the last step of a brew was done or left out. */
const lastMarked = ({ marks }: Brew): EpochMs =>
  epochMs(marks.reduce((last, { at }) => Math.max(last, at), 0));

/** What commands need of the device: where writes go, what is said, and how things are at this moment. */
export type CommandDeps = {
  /** Puts a write into the outbox. */
  readonly write: (write: NewWrite<BrewWrite>) => void;
  /** Says what was done; with `undo`, offers to take it back; with `link`, to go on from here. */
  readonly say: (text: string, undo: BrewUndo, link?: ToastLink) => void;
  /** Who does it: the person, or the tablet while it is locked. */
  readonly me: () => Who;
  readonly locked: () => boolean;
  /** The brews on the bar now, what waits to be saved included. */
  readonly bar: () => readonly BarBrew[];
  readonly site: Site;
};
/** Everything that can be done to brews and to the queue before them. */
export type BrewCommands = ReturnType<typeof createBrewCommands>;

/** Between two orders, or past either end. */
function rankBetween(before: Order | undefined, after: Order | undefined): number {
  if (before && after) return (before.rank + after.rank) / 2;
  if (before) return before.rank + 1;
  return after ? after.rank - 1 : 0;
}
/** "in its window", "late by 0:20": how a steep of so long lies against the window. */
function timingText(steeped: Seconds, window: Window): string {
  switch (pullTiming(steeped, window)) {
    case 'early':
      return `${minutesText(window.earliest - steeped)} before its window`;
    case 'late':
      return `late by ${minutesText(steeped - window.latest)}`;
    case 'inWindow':
      return 'in its window';
  }
}
const marked = (mark: TasteMark | undefined) => (mark === undefined ? {} : { mark });
const nameOf = (brew: BarBrew): string =>
  brew.partners.length ? `${brew.tea.name}, ${allOf([brew]).length} vessels,` : brew.tea.name;
/** A brew without those that go together with it. */
const alone = (brew: Brew): BarBrew => ({ ...brew, unsaved: false, partners: [] });

/** After a cup that strayed: one drill that fits it, two questions long. */
function practiceFor(verdict: Verdict): ToastLink | undefined {
  if (isRight(verdict)) return undefined;
  const isColourAlone = isRight({ ...verdict, colour: ALL_RIGHT.colour });
  const drill = isColourAlone ? 'order' : 'diagnose';
  return { words: 'Practise this skill', to: `/school/${drill}?few=1` };
}

/**
 * What can be done to a brew. Each is done on this device at once and saved on the server as soon as it answers.
 */
export function createBrewCommands(deps: CommandDeps) {
  const { write, say, me, locked, bar, site } = deps;

  /** Writes one event, and returns what takes it back. */
  const send = (brew: Brew, what: Happening): { eventId: string; before: Brew } => {
    const at =
      what.kind === 'waterOn' ? wholeSecond(now(), lastMarked(brew)) : epochMs(Math.round(now()));
    const body = { id: newId(), at, ...what } as BrewEventBody;
    write({ kind: 'event', id: body.id, brewId: brew.id, body, by: me() });
    return { eventId: body.id, before: brew };
  };
  /** The same event for a brew and for all that go together with it; said, with Undo. */
  const sendToAll = (brew: BarBrew, what: Happening, text: string, link?: ToastLink): void => {
    const of = allOf([brew]).map((b) => send(b, what));
    say(text, { kind: 'events', of }, link);
  };

  /** Ends a steep by its taste; with the leaf out already, at the moment it came out. */
  const endByTaste = (brew: BarBrew, mark?: TasteMark): void => {
    const steeped = inWaterUntil(brew.state, now());
    if (steeped === null) return;
    const found = mark === undefined ? '' : `: ${tasteMarkWords(mark)}`;
    sendToAll(
      brew,
      { kind: 'pull', ...marked(mark) },
      `${nameOf(brew)} ${brew.plan.pull.done.toLowerCase()} by taste at ${minutesText(Math.floor(steeped))}${found}.`,
    );
  };

  const tasting = {
    /** The leaf comes out to be tasted: its clock stands. */
    leafOut(brew: BarBrew): void {
      const steeped = inWaterUntil(brew.state, now()) ?? 0;
      sendToAll(
        brew,
        { kind: 'leafOut' },
        `${nameOf(brew)}: leaf out at ${minutesText(Math.floor(steeped))}. Taste.`,
      );
    },
    /** The leaf goes in again: its clock goes on from where it stood. */
    leafIn(brew: BarBrew, mark?: TasteMark): void {
      sendToAll(brew, { kind: 'leafIn', ...marked(mark) }, `${nameOf(brew)}: leaf in again.`);
    },
    /** Tasted with the leaf in, at the moment it was. */
    taste(brew: BarBrew, at: number, mark?: TasteMark): void {
      sendToAll(
        brew,
        { kind: 'taste', at: Math.round(at), ...marked(mark) },
        `${nameOf(brew)}: taste kept.`,
      );
    },
    endByTaste,
  };

  const cupByCup = {
    /** The first cup of a pot that keeps its leaf: the rest stays on it. */
    firstCup(brew: BarBrew, ml: Millilitres): void {
      sendToAll(
        brew,
        { kind: 'pull', cup: ml },
        `${nameOf(brew)}: one cup poured, ${Math.round(ml)} ml.`,
      );
    },
    /** One more cup of what stays on the leaf, or hot water on that leaf again. */
    pour(brew: BarBrew, what: 'cup' | 'refill', ml: Millilitres): void {
      const said = what === 'cup' ? 'one more cup' : 'filled up again';
      sendToAll(
        brew,
        { kind: 'pour', what, ml },
        `${nameOf(brew)}: ${said}, ${Math.round(ml)} ml.`,
      );
    },
    /** A glass was drunk to a fifth, and is filled up again. */
    fillGlass(brew: BarBrew, drunk: Millilitres): void {
      const emptied = send(brew, { kind: 'pour', what: 'cup', ml: drunk });
      const filled = send(brew, { kind: 'pour', what: 'refill', ml: drunk });
      say(`${nameOf(brew)}: filled up again, ${Math.round(drunk)} ml.`, {
        kind: 'events',
        of: [filled, emptied],
      });
    },
  };

  /** Lifts the leaf of a brew that steeps. */
  const pull = (brew: BarBrew, wasLate: boolean): void => {
    if (brew.plan.explore || brew.state.kind === 'tasting') return endByTaste(brew);
    if (brew.state.kind !== 'steeping') return;
    const steeped = secondsBetween(brew.state.waterOn, now());
    const timing = timingText(steeped, brew.plan.recipe.window);
    sendToAll(
      brew,
      { kind: 'pull' },
      `${nameOf(brew)} ${brew.plan.pull.done.toLowerCase()} at ${minutesText(steeped)}, ${timing}.${wasLate ? ' Taste it.' : ''}`,
    );
  };

  /** Lifts the leaf because of the colour that was seen. */
  const pullByEye = (brew: BarBrew, seen: Mark): void => {
    if (brew.state.kind !== 'steeping') return;
    const steeped = secondsBetween(brew.state.waterOn, now());
    sendToAll(
      brew,
      { kind: 'pull', seen },
      `${nameOf(brew)} ${brew.plan.pull.done.toLowerCase()} by eye at ${minutesText(steeped)}: ${colourSeenWords(seen)}.`,
    );
  };

  const starts = {
    /** The bar and whoever is here, now: what a start is written from. */
    moment: (): Moment => ({ taken: bar(), by: me(), at: wholeSecond(now()) }),
    /** Starts a brew that was written from its card. */
    start(made: Start): Brew {
      write(made);
      return made.brew;
    },
    /** Says that a brew was started, with Undo. */
    sayStarted(brew: Brew): void {
      const what = brew.state.kind === 'warming' ? 'is on the bar' : 'is steeping';
      say(`${brew.tea.name} ${what} in the ${brew.plan.vessel.name}.`, { kind: 'start', brew });
    },
    /** The next steep of the same leaf; false when the leaf is spent or the bar is full. */
    again(before: BarBrew): boolean {
      const made = nextSteepWrite(before, starts.moment());
      if (!made) return false;
      write(made);
      const { steep, recipe } = made.brew.plan;
      const source =
        steep?.by === 'recipe'
          ? 'as its recipe has it'
          : 'by the model, to the first cup’s strength';
      say(
        `${before.tea.name}, steep ${steep?.number ?? 2}: ${minutesText(recipe.window.best)}, ${source}.`,
        { kind: 'start', brew: made.brew },
      );
      return true;
    },
  };

  const events = {
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
  };

  const changeOrder = (order: Order, body: { rank?: number; state?: 'waiting' | 'dropped' }) =>
    write({ kind: 'orderChange', id: newId(), orderId: order.id, body, order });
  const order = {
    add(
      what: {
        tea: { id: string; name: string };
        vesselId: string | null;
        water: Millilitres | null;
        forWhom: string;
        wish?: Wish;
        cups?: CupsAsked | null;
      },
      queue: readonly Order[],
    ): void {
      const id = newId();
      const body = {
        id,
        siteId: site.id,
        teaId: what.tea.id,
        vesselId: what.vesselId,
        water: what.water,
        forWhom: what.forWhom,
        wish: what.wish ?? NO_WISH,
        cups: what.cups ?? null,
        rank: rankBetween(queue.at(-1), undefined),
        at: Math.round(now()),
      };
      const added: Order = { ...body, teaName: what.tea.name, by: me() };
      write({ kind: 'order', id, body, order: added });
      say(`${what.tea.name} is up next${what.forWhom ? `, ${what.forWhom}` : ''}.`, {
        kind: 'order',
        order: added,
        body: { state: 'dropped' },
      });
    },
    drop(dropped: Order): void {
      changeOrder(dropped, { state: 'dropped' });
      say(`${dropped.teaName} is off the queue.`, {
        kind: 'order',
        order: dropped,
        body: { state: 'waiting' },
      });
    },
    /** To a place in the queue, counted from 0 without the order itself. */
    move(moved: Order, to: number, queue: readonly Order[]): void {
      const rest = queue.filter((o) => o.id !== moved.id);
      changeOrder(moved, { rank: rankBetween(rest[to - 1], rest[to]) });
    },
  };

  /** Takes back what was said with Undo. */
  const undo = (what: BrewUndo): void => {
    switch (what.kind) {
      case 'start':
        send(what.brew, { kind: 'abandon', reason: STARTED_BY_MISTAKE });
        return;
      case 'order':
        changeOrder(what.order, what.body);
        return;
      case 'events':
        for (const { eventId, before } of what.of) {
          const at = Math.round(now());
          const body: BrewEventBody = { id: newId(), at, kind: 'undo', of: eventId };
          write({
            kind: 'event',
            id: body.id,
            brewId: before.id,
            body,
            by: me(),
            restores: before,
          });
        }
    }
  };

  return { ...starts, ...events, ...tasting, ...cupByCup, pullByEye, order, undo };
}
