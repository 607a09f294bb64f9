import { sampleDrillFacts } from '#core/testing';
import { cupsOfShift, type ShiftAct, shiftAt, type ShiftGiven } from '#core/training';
import { handsWords, handWords, mishapNow, momentWords, vesselStatus } from './words';

const cupOf = (vessel: string, tea: string) => {
  const cup = sampleDrillFacts().shift.find((c) => c.vessel === vessel && c.tea === tea);
  if (!cup) throw new Error(`${tea} in ${vessel}`);
  return cup;
};
const [AMBER, HOLLOW] = [cupOf('Grey pot', 'Tolvane Amber'), cupOf('White pot', 'Sennet Hollow')];
const given = (mishap: ShiftGiven['mishap']): ShiftGiven => ({
  level: 1,
  site: { ambientC: 20, boilingC: 99.96, pourLoss: 0.06 },
  teas: [AMBER, HOLLOW].map(({ tea, style, fitted }) => ({ tea, style, fitted })),
  cups: [
    { ...AMBER, tea: 0 },
    { ...HOLLOW, tea: 1 },
  ],
  orders: [
    { at: 5, cup: 0 },
    { at: 60, cup: 1 },
  ],
  mishap,
});
const AWAY = given({ kind: 'calledAway', at: 150 });
const POURED: ShiftAct[] = [{ at: 10, hand: 'pour', order: 0 }];
const standAt = (g: ShiftGiven, now: number, acts: readonly ShiftAct[] = POURED) => {
  const stand = shiftAt(
    g,
    acts.filter((a) => a.at <= now),
    now,
  );
  if (!stand) throw new Error('that cannot be');
  return stand;
};

test('the hands say what they do and for how long', () => {
  const said = (now: number) => handsWords(standAt(AWAY, now), POURED[0], now);
  expect([12.4, 30, 149, 155].map(said)).toEqual([
    'You pour: 0:18 left.',
    'Your hands are free.',
    'Your hands are free.',
    'You are called away: 0:15 left.',
  ]);
});
test('a moment is told whole to who does not see the shelves', () => {
  const cups = cupsOfShift(AWAY);
  expect(momentWords(standAt(AWAY, 5, []), cups, 5)).toBe(
    '0:05. Grey pot: ordered, will steep 3:30, guest waits 0:00.',
  );
  expect(momentWords(standAt(AWAY, 200), cups, 200)).toBe(
    '3:20. Grey pot: in its window, best in 0:20, lift the basket soon. ' +
      'White pot: ordered, will steep 2:00, guest waits 2:20.',
  );
});
test.each([
  [{ kind: 'spilled', at: 150 }, 160, 'The pot was spilled. Brew Tolvane Amber again.'],
  [{ kind: 'kettleEmpty', at: 150 }, 160, 'The kettle is empty. You have hot water again in 0:50.'],
  [{ kind: 'kettleEmpty', at: 150 }, 211, ''],
  [{ kind: 'lidOff', at: 150 }, 160, 'A lid is off. Put the lid on.'],
  [{ kind: 'lidOff', at: 150 }, 181, ''],
  [{ kind: 'calledAway', at: 150 }, 160, 'A guest asks you a question.'],
  [{ kind: 'wrongTea', at: 60, order: 1, named: 0 }, 70, ''],
  [
    { kind: 'wrongTea', at: 60, order: 1, named: 0 },
    85,
    'Order 2 had a wrong name. The guest wants Sennet Hollow.',
  ],
] as const)('%o is said at %i s', (mishap, now, said) => {
  const g = given(mishap);
  expect(mishapNow(g, standAt(g, now), cupsOfShift(g), now)).toBe(said);
});
test('nothing is said before it happens', () => {
  const g = given({ kind: 'spilled', at: 150 });
  expect(mishapNow(g, standAt(g, 149), cupsOfShift(g), 149)).toBe('');
});
test('a button speaks for its vessel: early, then done; a lid comes first', () => {
  const order = standAt(AWAY, 20).orders[0] ?? null;
  const at = (now: number) => vesselStatus(AMBER, order, now);
  expect(handWords('pull', at(100))).toBe('Lift early');
  expect(handWords('pull', at(200))).toBe('Lifted');
  expect(handWords('lid', at(200))).toBe('Lid on');
  expect(handWords('pour', vesselStatus(AMBER, standAt(AWAY, 6, []).orders[0] ?? null, 6))).toBe(
    'Water on',
  );
  expect(handWords(null, vesselStatus(AMBER, null, 6))).toBe('Free');
});
