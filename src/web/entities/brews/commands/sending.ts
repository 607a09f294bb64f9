import { wholeSecond } from '#core/brews';
import { type EpochMs, epochMs } from '#core/units';
import type { BrewEventBody } from '#contracts/brewEvents';
import type { Brew } from '#contracts/brews';
import type { Who } from '#contracts/primitives';
import type { Site } from '#contracts/sites';
import { now } from '../../../platform/clock';
import { newId } from '../../../platform/ids';
import type { NewWrite } from '../../../platform/outbox/outbox';
import type { ToastLink } from '../../../platform/toasts';
import { allOf, type BarBrew } from '../barBrews';
import type { BrewUndo } from '../undo';
import type { BrewWrite } from '../writes';

/** `Omit` that keeps each member of a union apart. */
type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
/** One thing that happened to a brew, before it has an id and an instant. */
export type Happening = Without<BrewEventBody, 'id' | 'at'> & { readonly at?: number };
export type Judgement = Without<Extract<Happening, { kind: 'judge' }>, 'kind'>;
export type SecondTaste = Without<Extract<Happening, { kind: 'tasteAgain' }>, 'kind'>;
export type ColourReading = Without<Extract<Happening, { kind: 'colour' }>, 'kind'>;

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

export const nameOf = (brew: BarBrew): string =>
  brew.partners.length ? `${brew.tea.name}, ${allOf([brew]).length} vessels,` : brew.tea.name;
/** A brew without those that go together with it. */
export const alone = (brew: Brew): BarBrew => ({ ...brew, unsaved: false, partners: [] });

/** How an event of a brew is written: the one way for all commands. */
export function createSending({ write, say, me }: CommandDeps) {
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

  return { send, sendToAll };
}
export type Sending = ReturnType<typeof createSending>;
