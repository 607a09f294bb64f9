import { type Role, ROLES } from '#contracts/people';
import type { Signed } from './route';
import { mayRead, mustWorkAt, siteRead } from './sites';

const who = (role: Role, over: Partial<Signed> = {}): Signed => ({
  personId: 'p',
  name: 'Dov R.',
  role,
  siteId: 'harbour',
  siteIds: ['harbour', 'hut'],
  tokenHash: 'x',
  lockedAs: null,
  ...over,
});
const may = (ask: () => void): boolean => {
  try {
    ask();
    return true;
  } catch (error) {
    expect(error).toMatchObject({ status: 403, code: 'session.forbidden' });
    return false;
  }
};

test.each(ROLES)('a %s acts at the sites they work at, and nowhere else', (role) => {
  expect(['harbour', 'hut', 'mill'].map((at) => may(() => mustWorkAt(who(role), at)))).toEqual([
    true,
    true,
    false,
  ]);
});
test('a locked tablet acts at the site it stands at', () => {
  const tablet = who('brewer', { lockedAs: 'left tablet' });
  expect(['harbour', 'hut'].map((at) => may(() => mustWorkAt(tablet, at)))).toEqual([true, false]);
});
test('a lead reads of every site, everybody else of their own', () =>
  expect(ROLES.map((role) => [role, may(() => mayRead(who(role), 'mill'))])).toEqual(
    ROLES.map((role) => [role, role === 'lead']),
  ));
test('a list without a site is of all for a lead, of the site at hand for everybody else', () => {
  expect(siteRead(who('lead'), undefined)).toBeUndefined();
  expect(siteRead(who('trainee'), undefined)).toBe('harbour');
  expect(siteRead(who('trainee'), 'hut')).toBe('hut');
  expect(may(() => siteRead(who('trainee'), 'mill'))).toBe(false);
});
