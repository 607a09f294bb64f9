import { v7 } from 'uuid';
import { now } from './clock.mjs';

/** One brew with all there is to tell: steps, a weighing, a thermometer, a late lift. @returns its id */
async function toldBrew({ teaCalled, vesselCalled, post }) {
  const id = v7();
  const on = now() - 420_000;
  const [tea, pot] = [await teaCalled('Sennet Hollow'), await vesselCalled('Grey pot')];
  const happened = (at, body) =>
    post(`/api/brews/${id}/events`, { id: v7(), at: on + at * 1000, ...body });
  await post('/api/brews', {
    id,
    siteId: pot.siteId,
    teaId: tea.id,
    versionId: tea.house.id,
    vesselId: pot.id,
    water: 800,
    warmed: true,
    warming: true,
    place: 8,
    at: on - 95_000,
  });
  await happened(-70, { kind: 'step', key: 'warm', outcome: 'done' });
  await happened(-42, { kind: 'step', key: 'weigh', outcome: 'done', grams: 10.9 });
  await happened(0, { kind: 'waterOn' });
  for (const [at, celsius] of [
    [10, 84.5],
    [70, 83],
    [140, 81.5],
    [220, 76],
  ])
    await happened(at, { kind: 'reading', celsius });
  await happened(171, { kind: 'pull' });
  await happened(178, { kind: 'step', key: 'drain', outcome: 'skipped' });
  await happened(300, { kind: 'close' });
  return id;
}

/** A tea, what if, the shelf, the log and its trends, a brew. */
export async function bookScene(studio) {
  const { page, settle, role, place, go, pictureOf, shot, tile } = studio;
  const log = (picture) => tile('log', picture, { of: 2 });
  await place('Book');
  await role('link', /Tolvane Amber/).click();
  await settle();
  await shot('book');
  await page.keyboard.press('i');
  await settle(1200);
  for (const name of ['Heat', 'Time']) {
    await role('slider', name).focus();
    for (let i = 0; i < (name === 'Heat' ? 6 : 18); i++) await page.keyboard.press('ArrowRight');
  }
  await settle();
  await shot('what-if');
  await page.keyboard.press('Escape');
  await settle();
  await place('Shelf');
  await shot('shelf');
  await place('Log');
  await log(await pictureOf());
  await go('/log/trends');
  await log(await pictureOf());
  await go(`/log/${await toldBrew(studio)}`, 700);
  await shot('brew');
}
