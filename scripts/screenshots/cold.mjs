import { PHONE, TABLET } from './studio.mjs';

/** Cold as it is before the first batch, drawn once. */
async function emptyCold({ page, go, pictureOf }) {
  const without = (path, change) =>
    page.route(path, async (route) => {
      const answer = await route.fetch();
      await route.fulfill({ response: answer, json: change(await answer.json()) });
    });
  await without('**/api/batches', (cold) => ({ ...cold, batches: [], readings: [], gaps: [] }));
  await without('**/api/cold/plan', ({ plan }) => ({
    plan: { ...plan, batches: [], demand: [] },
    poured: [],
  }));
  await go('/cold');
  const picture = await pictureOf();
  await page.unrouteAll({ behavior: 'wait' });
  return picture;
}

/** Four days, one day, a glass of an extract, nothing yet; a tablet, a phone, a label; the plan and the fridge. */
export async function coldScene(studio) {
  const { page, settle, go, records, pictureOf, tile, printed } = studio;
  const keep = (picture) => tile('cold', picture, { of: 7, columns: 4 });
  const plan = (picture) => tile('cold-plan', picture, { of: 2 });
  await go('/cold');
  await keep(await pictureOf());
  await page.keyboard.press('v');
  await settle(800);
  await keep(await pictureOf());
  await page.keyboard.press('v');
  const { batches } = await records('/api/batches');
  const extract = batches.find((b) => b.plan.method === 'extract' && b.events.length > 0);
  await go(`/cold/${extract.id}`);
  await keep(await pictureOf());
  await keep(await emptyCold(studio));
  await go('/cold');
  await keep(await pictureOf(TABLET));
  await keep(await pictureOf(PHONE));
  await keep(await printed(`/api/batches/${extract.id}/label.pdf?zone=Europe/London`, 220));
  await go('/cold/plan', 2500);
  await plan(await pictureOf());
  await go('/cold/fridge');
  await plan(await pictureOf());
}
