import type { TastingAct, TastingEvent } from './events';
import { type Exercise, EXERCISES } from './exercise';
import { foldTasting } from './fold';
import { missing } from './moments';

export type Refusal =
  | 'over'
  | 'notStarted'
  | 'alreadyStarted'
  | 'noSuchCup'
  | 'noSuchTaster'
  | 'noSuchCode'
  | 'notYours'
  | 'anothersSheet'
  | 'alreadyHandedIn'
  | 'notPoured'
  | 'notPulled'
  | 'alreadyPulled'
  | 'sheetsMissing'
  | 'orderIncomplete'
  | 'choiceMissing'
  | 'nothingHandedIn'
  | 'cannotUndo';

/** A sheet that its taster wrote: whoever runs the table types in sheets of paper, and no others. */
const wroteOwn = (events: readonly TastingEvent[], taster: string, code: string): boolean =>
  events.some(
    ({ by, act }) =>
      act.kind === 'keep' && act.taster === taster && act.code === code && by.id === taster,
  );

/** Why something may not be done at a table; null when it may. `runs`: the one who set it up, or a lead. */
export function validateAct(
  e: Exercise,
  events: readonly TastingEvent[],
  act: TastingAct,
  who: { readonly id: string; readonly runs: boolean },
): Refusal | null {
  const t = foldTasting(e, events);
  const sheet = act.kind === 'keep' || act.kind === 'handIn';
  if (!sheet && !who.runs) return 'notYours';
  if (t.stage === 'revealed' || t.stage === 'stopped')
    return sheet && (t.tasters.find((x) => x.id === act.taster)?.handedIn ?? null) !== null
      ? 'alreadyHandedIn'
      : 'over';
  switch (act.kind) {
    case 'start':
      return t.started === null ? null : 'alreadyStarted';
    case 'pour':
    case 'pull': {
      const c = t.cups[act.cup];
      if (!c) return 'noSuchCup';
      if (t.started === null) return 'notStarted';
      if (act.kind === 'pull') {
        if (c.poured === null) return 'notPoured';
        if (c.pulled === null) return null;
        return 'alreadyPulled';
      }
      return null;
    }
    case 'measure': {
      const c = t.cups[act.cup];
      if (!c) return 'noSuchCup';
      if (c.pulled === null) return 'notPulled';
      return null;
    }
    case 'weigh':
    case 'exclude':
      return t.cups[act.cup] ? null : 'noSuchCup';
    case 'swap':
      return t.cupOf[act.a] === undefined || t.cupOf[act.b] === undefined || act.a === act.b
        ? 'noSuchCode'
        : null;
    case 'leave': {
      const x = t.tasters.find((p) => p.id === act.taster);
      if (!x) return 'noSuchTaster';
      if (x.handedIn !== null) return 'alreadyHandedIn';
      return null;
    }
    case 'keep':
    case 'handIn': {
      const x = t.tasters.find((p) => p.id === act.taster);
      if (!x) return 'noSuchTaster';
      if (x.id !== who.id && !who.runs) return 'notYours';
      if (x.handedIn !== null) return 'alreadyHandedIn';
      const served = e.servings[x.id] ?? [];
      if (act.kind === 'keep') {
        if (!served.includes(act.code)) return 'noSuchCode';
        return x.id !== who.id && wroteOwn(events, x.id, act.code) ? 'anothersSheet' : null;
      }
      if (EXERCISES[e.kind].asks === 'choice')
        return act.choice !== null && served.includes(act.choice) ? null : 'choiceMissing';
      if (!EXERCISES[e.kind].orders) return null;
      const wanted = served.filter((c) => t.cups[t.cupOf[c] ?? -1]?.excluded === null);
      return act.order !== null &&
        new Set(act.order).size === act.order.length &&
        wanted.every((c) => act.order?.includes(c))
        ? null
        : 'orderIncomplete';
    }
    case 'reveal': {
      if (missing(t).length > 0) return 'sheetsMissing';
      if (t.tasters.some((x) => x.handedIn !== null)) return null;
      return 'nothingHandedIn';
    }
    case 'stop':
      return null;
    case 'undo': {
      const of = events.find((x) => x.id === act.of);
      return of &&
        of.act.kind !== 'handIn' &&
        of.act.kind !== 'keep' &&
        of.act.kind !== 'reveal' &&
        of.act.kind !== 'undo'
        ? null
        : 'cannotUndo';
    }
  }
}
