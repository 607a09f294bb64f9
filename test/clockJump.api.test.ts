// The server is started again with a clock that is behind, or ahead, while brews steep: nobody is stuck.
import { type Begun, begunHouse, brewBody, newId } from './house';

let h: Begun;
beforeEach(async () => {
  h = await begunHouse();
});
afterEach(() => h.close());
const HOUR = 3_600_000;

test.each([
  ['an hour back', -HOUR],
  ['an hour forward', HOUR],
])('%s: a brew is pulled and cleared, the next one starts in its pot', async (_what, by) => {
  const { brewer } = h.callers;
  const brew = brewBody(h);
  await brewer.post('/api/brews', brew).expect(200);
  h.time.ahead += by;
  for (const kind of ['pull', 'close']) {
    const event = { id: newId(), at: h.now(), kind };
    await brewer.post(`/api/brews/${brew.id}/events`, event).expect(200);
  }
  const { brews } = (await brewer.get('/api/bar').expect(200)).body;
  expect(brews).toEqual([]);
  await brewer.post('/api/brews', brewBody(h)).expect(200);
});
test('a tablet whose own clock is behind is refused as before: the server knows better', async () => {
  const { brewer } = h.callers;
  const brew = brewBody(h);
  await brewer.post('/api/brews', brew).expect(200);
  const pull = { id: newId(), at: h.now() - HOUR, kind: 'pull' };
  const refused = await brewer.post(`/api/brews/${brew.id}/events`, pull).expect(409);
  expect(refused.body.details.why).toBe('tooEarly');
});
