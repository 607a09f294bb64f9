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
  setSwatches,
  settleNote,
  setVocabulary,
} from '#contracts/teas';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { teaPhotos } from './photo';
import { book as bookOf } from './service';

export function bookRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const [book, photos] = [bookOf(deps), teaPhotos(deps)];
  on.signed(getBook, () => book.all());
  on.signed(getTea, ({ params }) => book.page(params.id));
  on.signed(addTea, ({ body, who }) => book.add(body, who));
  on.signed(changeTea, ({ params, body, who }) => book.change(params.id, body, who));
  on.signed(addVersion, ({ params, body, who }) => book.addVersion(params.id, body, who));
  on.signed(setSwatches, ({ params, body, who }) =>
    book.setSwatches(params.id, body.swatches, who),
  );
  on.signed(setPhoto, ({ params, query, body, who }) => photos.set(params.id, query.id, body, who));
  on.signed(dropPhoto, ({ params, who }) => photos.drop(params.id, who));
  on.file(getPhoto, async ({ params }) => ({
    type: 'image/jpeg',
    name: 'leaf.jpg',
    body: await photos.bytes(params.id),
  }));
  on.signed(moveVersion, ({ params, body, who }) => book.move(params.id, body, who));
  on.signed(addLot, ({ params, body, who }) => book.addLot(params.id, body, who));
  on.signed(changeLot, ({ params, body, who }) => book.changeLot(params.id, body, who));
  on.signed(setVocabulary, async ({ body, who }) => ({
    words: await book.setVocabulary(body.words, who),
  }));
  on.signed(settleNote, async ({ params, who }) => {
    await book.settle(params.id, who);
    return {};
  });
}
