import { PEOPLE, test } from '../fixtures/shop';

test('who did what: a wrong PIN and a change are found by kind, person and words', async ({
  house,
}) => {
  await house.page.goto('/');
  await house.pick(PEOPLE.brewer.name);
  await house.enterSecret('0000');
  await house.expectSaid('Not this PIN. Try again.');
  await house.signIn(PEOPLE.lead);
  await house.page.goto('/house/limits');
  await house.type(/^Wet leaf/, '1.5');
  await house.press('Save the limits');
  await house.follow('Who did what');
  await house.expectSaid('was refused: wrong PIN or passphrase');
  await house.choose('What', 'changed', { exact: true });
  await house.expectUnsaid('was refused: wrong PIN or passphrase');
  await house.expectSaid('changed a site');
  await house.choose('What', 'everything', { exact: true });
  await house.choose('Who', PEOPLE.brewer.name, { exact: true });
  await house.expectSaid('was refused: wrong PIN or passphrase');
  await house.expectUnsaid('changed a site');
  await house.type('Words', 'no such words');
  await house.expectSaid('Nothing like this happened here.');
});
