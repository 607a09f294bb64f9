import type { GuestSheet } from '#contracts/guests';
import { guestStage, type GuestWrite, isGivenUp, withUnsent } from './model';

const SHEET: GuestSheet = {
  ...{ tastingId: 't', seat: { id: 's', name: 'Mara' }, until: 0, tea: { name: 'Tolvane Amber' } },
  ...{ compares: null, kind: 'ladder', way: 'seconds', asks: 'strength', stage: 'tasting' },
  ...{ codes: ['101', '202'], out: [], sheets: {}, order: null, choice: null, handedIn: null },
  ...{ words: [], allergens: '' },
};
const kept = (code: string, strength: -1 | 1): GuestWrite => ({
  ...{ id: `${code}${strength}`, at: 5 },
  act: { kind: 'keep', code, sheet: { marks: { strength }, words: [] } },
});
const submitted: GuestWrite = {
  ...{ id: 'in', at: 9 },
  act: { kind: 'handIn', order: ['202', '101'], choice: null },
};

test('what was written and not sent stands on the sheet, the last of a cup', () => {
  const { sheets } = withUnsent(SHEET, [kept('101', -1), kept('202', 1), kept('101', 1)]);
  expect([sheets['101']?.marks, sheets['202']?.marks]).toEqual([{ strength: 1 }, { strength: 1 }]);
  expect(withUnsent(SHEET, [])).toEqual(SHEET);
});
test('submitted here it is submitted, and nothing is written after', () => {
  const sheet = withUnsent(SHEET, [submitted, kept('101', 1)]);
  expect([sheet.handedIn, sheet.order, sheet.sheets]).toEqual([9, ['202', '101'], {}]);
});
test('where a guest is', () => {
  expect(guestStage(SHEET)).toBe('tasting');
  expect(guestStage({ ...SHEET, handedIn: 9 })).toBe('submitted');
  expect(guestStage({ ...SHEET, handedIn: 9, stage: 'revealed' })).toBe('revealed');
  expect(guestStage({ ...SHEET, stage: 'stopped' })).toBe('stopped');
});
test('only what the server will never take is given up', () => {
  expect(isGivenUp({ kind: 'away' })).toBe(false);
  expect(isGivenUp({ kind: 'answer', code: 'guest.over' })).toBe(false);
  expect(isGivenUp({ kind: 'answer', code: 'server.busy' })).toBe(false);
  expect(isGivenUp({ kind: 'answer', code: 'table.refused' })).toBe(true);
});
