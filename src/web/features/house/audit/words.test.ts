import type { AuditEntry } from '#contracts/audit';
import { filtersOf, NOTHING_TYPED, reasonText, whatText } from './words';

const entry = (over: Partial<AuditEntry>): AuditEntry => ({
  ...{ id: 'a', at: 0, kind: 'signIn', by: null, siteId: null },
  ...{ address: '', what: '', code: null, change: null },
  ...over,
});
test.each<[string, Partial<AuditEntry>]>([
  ['signed in', {}],
  ['took a file', { kind: 'export' }],
  ['was refused: wrong PIN or passphrase', { kind: 'refused', code: 'signin.wrong' }],
  // A reason of a later version is shown as it is.
  ['was refused: new.reason', { kind: 'refused', code: 'new.reason' }],
  ['changed a vessel', { kind: 'change', change: { thing: 'vessel', id: 'v', lines: [] } }],
  ['changed the house', { kind: 'change', change: { thing: 'house', id: 'house', lines: [] } }],
])('%s', (words, over) => expect(whatText(entry(over))).toBe(words));

test('what is not typed is not asked for', () => {
  expect(filtersOf(NOTHING_TYPED)).toEqual({});
  expect(filtersOf({ kind: 'export', personId: 'p', words: ' book ' })).toEqual({
    kind: 'export',
    personId: 'p',
    words: 'book',
  });
  expect(filtersOf({ ...NOTHING_TYPED, words: '   ' })).toEqual({});
  expect(reasonText('session.forbidden')).toBe('not for this role');
});
