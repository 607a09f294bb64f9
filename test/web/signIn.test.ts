/** @jest-environment ./test/web/environment.mjs */
import { brewLogApi } from '../../src/web/entities/brews/logApi';
import { peopleApi } from '../../src/web/entities/people/api';
import { vesselsApi } from '../../src/web/entities/vessels/api';
import { store } from '../../src/web/platform/store';
import { setUp } from '../../src/web/shell/setUp';
import { closeAll, requests, serve, sessionOf, SITE_ID } from './page';

// What a device has read before somebody signs in.

beforeAll(setUp);
afterEach(closeAll);

const OTHER_SITE = { ...sessionOf('brewer').site, id: '0197c000-0000-7000-8000-0000000000b1' };
const timesAsked = (path: string): number =>
  requests().filter((request) => request.split('?')[0] === path).length;
/** One is at the site and has read its shelf and its log; then somebody signs in. */
async function afterSignIn(answer: object): Promise<void> {
  serve({
    '/api/house': { body: { session: sessionOf('lead') } },
    '/api/vessels': { body: { vessels: [] } },
    '/api/corrections': { body: { teas: [] } },
    '/api/session': { body: answer },
  });
  await store.dispatch(peopleApi.endpoints.house.initiate());
  await store.dispatch(vesselsApi.endpoints.vessels.initiate());
  await store.dispatch(brewLogApi.endpoints.corrections.initiate(SITE_ID));
  const who = { personId: 'somebody', siteId: SITE_ID, secret: '1234' };
  await store.dispatch(peopleApi.endpoints.signIn.initiate(who));
  await new Promise((done) => setTimeout(done, 20));
}

test('at the same site: what belongs to a person is read again, the site’s shelf is not', async () => {
  await afterSignIn(sessionOf('trainee', { name: 'Pela M.' }));
  expect(timesAsked('/api/corrections')).toBe(2);
  expect(timesAsked('/api/vessels')).toBe(1);
});

test('at another site everything is read again', async () => {
  await afterSignIn(sessionOf('brewer', { site: OTHER_SITE }));
  expect(timesAsked('/api/corrections')).toBe(2);
  expect(timesAsked('/api/vessels')).toBe(2);
});
