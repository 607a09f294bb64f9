import type { GuestAct, GuestSheet } from '#contracts/guests';

// A guest's phone: the pass it was given, and what it wrote and has not sent yet. Pure.

/** One thing a guest wrote, until the server has it. */
export type GuestWrite = { readonly id: string; readonly at: number; readonly act: GuestAct };

/** The sheet with what waits on this phone: nothing that was kept looks lost. */
export const withUnsent = (sheet: GuestSheet, unsent: readonly GuestWrite[]): GuestSheet =>
  unsent.reduce<GuestSheet>((s, { act, at }) => {
    if (s.handedIn !== null) return s;
    return act.kind === 'keep'
      ? { ...s, sheets: { ...s.sheets, [act.code]: act.sheet } }
      : { ...s, order: act.order, choice: act.choice, handedIn: at };
  }, sheet);

/** Where a guest is. */
export type GuestStage = 'tasting' | 'submitted' | 'revealed' | 'stopped';
export function guestStage({ stage, handedIn }: GuestSheet): GuestStage {
  if (stage === 'stopped' || stage === 'revealed') return stage;
  return handedIn === null ? 'tasting' : 'submitted';
}

/** What happens to a write after its answer: sent again later, or given up because the server will never take it. */
export const isGivenUp = (failure: { readonly kind: string; readonly code?: string }): boolean =>
  failure.kind === 'answer' && failure.code !== 'guest.over' && failure.code !== 'server.busy';
