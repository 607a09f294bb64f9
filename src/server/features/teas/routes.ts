import {
  addLot,
  addTea,
  addVersion,
  changeLot,
  changeTea,
  dropPhoto,
  getBook,
  getPhoto,
  getTea,
  moveVersion,
  setPhoto,
  setSiteRecipe,
  setSwatches,
  settleNote,
  setVocabulary,
} from '#contracts/teas';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { createLotService } from './lots';
import { createTeaPhotoService } from './photo';
import { createTeaService } from './service';
import { createSiteRecipeService } from './siteRecipes';
import { createVersionService } from './versions';

export function teaRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const teas = createTeaService(deps);
  const versions = createVersionService(deps);
  const lots = createLotService(deps);
  const siteRecipes = createSiteRecipeService(deps);
  const photos = createTeaPhotoService(deps);
  on.signed(getBook, ({ who }) => teas.all(who));
  on.signed(getTea, ({ params, who }) => teas.page(params.id, who));
  on.signed(addTea, ({ body, who }) => teas.add(body, who));
  on.signed(changeTea, ({ params, body, who }) => teas.change(params.id, body, who));
  on.signed(addVersion, ({ params, body, who }) => versions.add(params.id, body, who));
  on.signed(setSiteRecipe, ({ params, body, who }) => siteRecipes.set(params.id, body, who));
  on.signed(setSwatches, ({ params, body, who }) =>
    teas.setSwatches(params.id, body.swatches, who),
  );
  on.signed(setPhoto, ({ params, query, body, who }) => photos.set(params.id, query.id, body, who));
  on.signed(dropPhoto, ({ params, who }) => photos.drop(params.id, who));
  on.file(getPhoto, async ({ params }) => ({
    type: 'image/jpeg',
    name: 'leaf.jpg',
    body: await photos.bytes(params.id),
  }));
  on.signed(moveVersion, ({ params, body, who }) => versions.move(params.id, body, who));
  on.signed(addLot, ({ params, body, who }) => lots.add(params.id, body, who));
  on.signed(changeLot, ({ params, body, who }) => lots.change(params.id, body, who));
  on.signed(setVocabulary, async ({ body, who }) => ({
    words: await teas.setVocabulary(body.words, who),
  }));
  on.signed(settleNote, async ({ params, who }) => {
    await teas.settleNote(params.id, who);
    return {};
  });
}
