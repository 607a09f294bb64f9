import { PHONE } from './studio.mjs';

/** A shift, step by step, for so many moments; every leaf is late, so that the debrief has something to say. */
async function runShift(page, moments) {
  for (let moment = 0; moment < moments; moment++) {
    const due = await page.evaluate(() =>
      [...document.querySelectorAll('[data-vessel]')].flatMap((vessel, i) => {
        const isDue = /late|pulled/.test(vessel.className);
        return isDue || /Ordered|Lid on/.test(vessel.textContent) ? [i + 1] : [];
      }),
    );
    for (const vessel of due) {
      await page.keyboard.press(String(vessel));
      await page.keyboard.press(' ');
    }
    await page.keyboard.press('Enter');
    if (await page.getByText('The orders, worst cup first').isVisible()) return;
  }
}

/**
 * Own skills, the lead's board, a cup asked and answered; a shift and its debrief, courses, a lesson with leaf; cups in
 * order, a figure on a phone, own skills on a phone, a trainer's sheet in print.
 */
export async function schoolScene(studio) {
  const { page, settle, role, go, records, signedInAs, pictureOf, tile, printed } = studio;
  const keep = (picture) => tile('school', picture, { of: 12, columns: 4 });
  await go('/school/board');
  const board = await pictureOf();
  await signedInAs('Dov R.', '2718');
  await go('/school');
  await keep(await pictureOf());
  await keep(board);
  await page.goto('/school/diagnose');
  await page.getByRole('img', { name: 'This cup' }).waitFor();
  await settle();
  await keep(await pictureOf());
  await page.keyboard.press('1');
  await page.getByRole('button', { name: 'leaf', exact: true }).click();
  await role('button', 'More how much').click();
  await role('button', /^Submit/).click();
  await settle();
  await keep(await pictureOf());
  await page.goto('/school/shift');
  await role('button', /^Begin,/).waitFor();
  await page.keyboard.press('s');
  await runShift(page, 16);
  await settle();
  await keep(await pictureOf());
  await runShift(page, 200);
  await settle();
  await keep(await pictureOf());
  for (const path of ['/school/courses', '/school/leaf/timeLadder']) {
    await go(path);
    await keep(await pictureOf());
  }
  await page.goto('/school/order');
  await role('button', 'Place 1, empty').waitFor();
  for (const [i, letter] of ['c', 'f', 'a'].entries()) {
    await page.keyboard.press(letter);
    await page.keyboard.press(String(i + 2));
  }
  await settle();
  await keep(await pictureOf());
  await page.goto('/school/scale');
  await role('button', /^Submit/).waitFor();
  await settle();
  await keep(await pictureOf(PHONE));
  await go('/school');
  await keep(await pictureOf(PHONE));
  await signedInAs('Ilsa V.', 'grey pot first');
  const { sites } = await records('/api/house');
  const { tastings } = await records(`/api/tastings?siteId=${sites[0].id}`);
  const lesson = tastings.find((t) => t.lesson);
  await keep(await printed(`/api/tastings/${lesson.id}/trainer-sheet.pdf`, 70));
}
