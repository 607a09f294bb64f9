import type { AuditEntry, AuditFilters, AuditKind } from '#contracts/audit';

export const KINDS: Readonly<Record<AuditKind, string>> = {
  signIn: 'signed in',
  signOut: 'signed out',
  locked: 'locked the tablet',
  paired: 'a device was paired',
  refused: 'was refused',
  export: 'took a file',
  change: 'changed',
};
const REASONS: Readonly<Record<string, string>> = {
  'signin.wrong': 'wrong PIN or passphrase',
  'signin.wait': 'too many wrong tries',
  'device.code': 'wrong pairing code',
  'device.revoked': 'a device that was taken out',
  'session.forbidden': 'not for this role',
  'session.locked': 'the tablet was locked',
  'session.other': 'another person’s record',
  'session.origin': 'a page from elsewhere',
  'guest.code': 'wrong guest code',
  'probe.key': 'a probe’s key that has ended',
  'key.none': 'no key',
};
export const reasonText = (code: string): string => REASONS[code] ?? code;
/** What an entry says beside who and when. */
export function whatText(e: AuditEntry): string {
  if (e.change)
    return `${KINDS.change} ${e.change.thing === 'house' ? 'the house' : `a ${e.change.thing}`}`;
  if (e.kind === 'refused') return `${KINDS.refused}: ${reasonText(e.code ?? '')}`;
  return KINDS[e.kind];
}

export type Typed = {
  readonly kind: AuditKind | '';
  readonly personId: string;
  readonly words: string;
};
export const NOTHING_TYPED: Typed = { kind: '', personId: '', words: '' };
export const filtersOf = ({ kind, personId, words }: Typed): AuditFilters => ({
  ...(kind === '' ? {} : { kind }),
  ...(personId === '' ? {} : { personId }),
  ...(words.trim() === '' ? {} : { words: words.trim() }),
});
