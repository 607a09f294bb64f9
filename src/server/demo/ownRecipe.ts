import { celsius, seconds } from '#core/units';
import * as t from '../db/schema';
import { DAY, type Making, type Shop } from './making';

const TEA = 'Vennick Gold';
/** One tea is brewed otherwise where water boils at 94 °C: a version of its own, and why. */
export async function addOwnRecipe({ db, now, makeId }: Making, shop: Shop): Promise<void> {
  const hut = shop.sites.find((s) => s.name === 'Ridge hut');
  const lead = shop.cast[0]?.id;
  const house = shop.teas.find((tea) => tea.name === TEA)?.house;
  if (!hut || !lead || !house) return;
  const at = new Date(now - 21 * DAY);
  const id = makeId(at.getTime());
  const { recipe, teaId, method } = house;
  const number = house.number + 1;
  await db.insert(t.versions).values({
    ...{ id, teaId, method, number, state: 'draft' },
    recipe: {
      ...recipe,
      temperature: celsius(88),
      window: { earliest: seconds(210), best: seconds(260), latest: seconds(310) },
    },
    reason: 'Longer and cooler, for the hut',
    ...{ authorId: lead, at },
  });
  await db.insert(t.siteRecipes).values({
    ...{ siteId: hut.id, teaId, method, versionId: id, why: 'altitude' },
    words: 'Water boils at 94 °C there, and 90 °C on the leaf is out of reach.',
    ...{ personId: lead, at },
  });
}
