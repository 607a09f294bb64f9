/** @jest-environment ./test/web/environment.mjs */
import { fireEvent, screen, within } from '@testing-library/react';
import { labelTime, USUAL_HOUSE_LIMITS } from '#core/cold';
import { epochMs } from '#core/units';
import type { Batch } from '#contracts/batches';
import { batchWrites } from '../../src/web/entities/batches/writes';
import { BatchPage } from '../../src/web/features/cold/BatchPage';
import { DueLine } from '../../src/web/features/cold/DueLine';
import { FridgePage } from '../../src/web/features/cold/fridge/Page';
import { ColdPage } from '../../src/web/features/cold/Page';
import { registerWrites } from '../../src/web/platform/outbox/writes';
import { batchOf, BEST, done, lifted } from '../../src/web/testing/batches';
import { type Answer, closeAll, open, requests, serve, sessionOf } from './page';

// The fridge log, labels that are out of date, and what is used first.

afterEach(closeAll);
beforeAll(() => {
  registerWrites(batchWrites);
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

const HOUR = 3_600_000;
let n = 0;
const reading = (hoursAgo: number, celsius: number, source = 'typed') => ({
  id: `0197c000-0000-7000-8000-0000000010${String(n++).padStart(2, '0')}`,
  at: Math.round(Date.now() - hoursAgo * HOUR),
  celsius,
  source,
  by: source === 'typed' ? 'Dov R.' : 'Back of the fridge',
});
const probe = (over: object = {}) => ({
  id: '0197c000-0000-7000-8000-000000000050',
  siteId: sessionOf('lead').site.id,
  name: 'Back of the fridge',
  added: Date.now() - 50 * HOUR,
  addedBy: 'Ilsa V.',
  ended: null,
  heard: Date.now() - 60_000,
  doubt: null,
  ...over,
});
/** A drawn batch whose leaf went in so many hours ago, with what was done since. */
function drawn(name: string, hours: number, more: Batch['events'] = []): Batch {
  const leafIn = epochMs(Math.round(Date.now() - hours * HOUR));
  const shift = leafIn - batchOf('x').leafIn;
  const events = [lifted(BEST), ...more].map((e) => ({ ...e, at: epochMs(e.at + shift) }));
  return batchOf(name, { leafIn, events });
}
const house = (
  { readings = [], gaps = [], batches = [] }: Record<string, unknown[]>,
  probes: unknown[] = [],
): Record<string, Answer> => ({
  '/api/batches': { body: { now: Date.now(), batches, readings, gaps } },
  '/api/vessels': { body: { vessels: [] } },
  '/api/book': { body: { teas: [], vocabulary: [] } },
  '/api/probes': { body: { probes } },
  '/api/cold/plan': {
    body: {
      plan: { rev: 0, demand: [], batches: [], places: null, changed: null },
      poured: [],
    },
  },
});
const GAP = { readings: [reading(20, 4), reading(2, 4.2)] };

describe('the fridge log', () => {
  test('with no reading it says what to do', async () => {
    serve(house({}));
    await open(<FridgePage />);
    expect(await screen.findByText(/No reading yet\. Type what the thermometer/)).toBeTruthy();
  });
  test('a stretch without a reading is asked about; a lead answers, and what lacks is said beside it', async () => {
    serve({
      ...house(GAP),
      '/api/fridge-gaps': {
        status: 422,
        body: {
          code: 'input.invalid',
          message: 'Look at the fields.',
          fields: { reason: 'Say what you know.' },
        },
      },
    });
    await open(<FridgePage />);
    expect(
      await screen.findByText(/^No reading from .* to .*: what was the reason\?$/),
    ).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Answer' }));
    expect(await screen.findByText('Say what you know.')).toBeTruthy();
    expect(requests()).toContain('/api/fridge-gaps');
  });
  test('who is no lead sees the question and no form', async () => {
    serve(house(GAP));
    await open(<FridgePage />, { role: 'brewer' });
    expect(await screen.findByText(/what was the reason\?$/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Answer' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Add probe' })).toBeNull();
  });
  test('an answered stretch is told with its reason, and asked no more', async () => {
    const [from, to] = GAP.readings.map((r) => r.at);
    const gap = { id: probe().id, from, to, reason: 'probe was off', at: to, by: 'Ilsa V.' };
    serve(house({ ...GAP, gaps: [gap] }));
    await open(<FridgePage />);
    expect(await screen.findByText(/: probe was off, says\s+Ilsa V\./)).toBeTruthy();
    expect(screen.queryByText(/what was the reason\?$/)).toBeNull();
  });
  test.each([
    ['silent', { heard: Date.now() - 3 * HOUR }, /silent since/],
    ['stuck', { doubt: 'stuck' }, /not believed: the same value for 12 hours/],
    ['absurd', { doubt: 'absurd' }, /not believed: no fridge has that temperature/],
    ['new', { heard: null }, /no reading yet/],
  ])('a probe that is %s says so', async (_, over, words) => {
    serve(house({ readings: [reading(1, 4)] }, [probe(over)]));
    await open(<FridgePage />);
    expect(await screen.findByText(words)).toBeTruthy();
  });
  test('a warm fridge is said with how many batches are in it', async () => {
    serve(house({ readings: [reading(0.1, 7.4)], batches: [drawn('a', 30), drawn('bb', 20)] }));
    await open(<FridgePage />);
    const alert = await screen.findByText(/The fridge is warmer than/);
    expect(alert.closest('[role="alert"], .note, div')?.textContent).toMatch(
      /2 batches are in the fridge/,
    );
  });
});

test('a limit that became shorter makes labels out of date: Cold names the vessels to print for', async () => {
  const batch = drawn('a', 10);
  const until = labelTime(epochMs(batch.leafIn + BEST * HOUR + 72 * HOUR));
  const labelled = drawn('a', 10, [done(BEST + 0.1, { kind: 'label', until })]);
  serve(house({ batches: [labelled, drawn('bb', 12)] }));
  await open(<ColdPage />);
  expect(await screen.findByText(/^2 batches/)).toBeTruthy();
  expect(screen.queryByText(/Labels out of date/)).toBeNull();
  closeAll();
  serve(house({ batches: [labelled, drawn('bb', 12)] }));
  const site = { ...sessionOf('lead').site, limits: { ...USUAL_HOUSE_LIMITS, keepHours: 48 } };
  await open(<ColdPage />, { session: { site } });
  const note = (await screen.findByText(/Labels out of date/)).parentElement;
  expect(note?.textContent).toMatch(/Labels out of date: print new labels\. Pitcher a\.$/);
});

describe('on the bar, what is used first', () => {
  const openList = async (batches: Batch[]) => {
    serve(house({ batches }));
    await open(<DueLine />, { at: '/' });
    fireEvent.click(await screen.findByRole('button', { name: 'Use first' }));
    const dialog = await screen.findByRole('dialog');
    return within(dialog);
  };
  test('the earliest to be thrown out first; what is not drawn, or past its time, is not there', async () => {
    const list = await openList([drawn('late', 10), drawn('early', 30), drawn('old', 90)]);
    expect(list.getAllByRole('listitem').map((i) => i.textContent)).toEqual([
      expect.stringMatching(/^Pitcher early, Kestry Pearl: 900/),
      expect.stringMatching(/^Pitcher late, Kestry Pearl: 900/),
    ]);
  });
  test('two batches in one pitcher are asked about first, and held', async () => {
    const vesselId = batchOf('x').vesselId;
    const list = await openList([
      { ...drawn('one', 30), vesselId },
      { ...drawn('two', 20), vesselId },
      drawn('free', 10),
    ]);
    expect(list.getAllByText(/two batches in one pitcher/)).toHaveLength(2);
    expect(list.getAllByRole('listitem')).toHaveLength(1);
  });
  test('away from the bar, and with nothing to pour, it is not offered', async () => {
    serve(house({ batches: [drawn('a', 10)] }));
    await open(<DueLine />, { at: '/book' });
    expect(screen.queryByRole('button', { name: 'Use first' })).toBeNull();
    closeAll();
    serve(house({}));
    await open(<DueLine />, { at: '/' });
    expect(screen.queryByRole('button', { name: 'Use first' })).toBeNull();
  });
});

test('warm, then cold: the hot minute counts down, then asks for the cold water, and only then for the lift', async () => {
  const hotFirst = { water: 300, temperature: 80, time: 60 } as never;
  const batch = batchOf('w');
  const begun = (secondsAgo: number) => ({
    ...batch,
    plan: { ...batch.plan, method: 'warmThenCold' as const, hotFirst },
    leafIn: epochMs(Math.round(Date.now() - secondsAgo * 1000)),
  });
  const see = async (secondsAgo: number) => {
    serve(house({ batches: [begun(secondsAgo)] }));
    await open(<BatchPage />, { at: `/cold/${batch.id}`, path: '/cold/:id' });
    return screen.findByRole('timer');
  };
  expect((await see(20)).textContent).toMatch(/^0:[34]\d$/);
  expect(screen.queryByRole('button', { name: /^Leaf out/ })).toBeNull();
  closeAll();
  expect((await see(90)).textContent).toBe('Pour the cold water now');
  fireEvent.click(screen.getByRole('button', { name: /^Cold water on/ }));
  expect(await screen.findByRole('button', { name: /^Leaf out/ })).toBeTruthy();
  expect(screen.queryByRole('timer')).toBeNull();
});
