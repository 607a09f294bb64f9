import { addLot, addTea, addVersion, changeLot, changeTea, getBook, getTea, moveVersion, settleNote, setVocabulary } from '#contracts/book';
import type { routes } from '../../http/route';
import type { Book } from './service';

export function bookRoutes(on: ReturnType<typeof routes>, book: Book) {
  on.signed(getBook, () => book.all());
  on.signed(getTea, ({ params }) => book.page(params.id));
  on.signed(addTea, ({ body, who }) => book.add(body, who));
  on.signed(changeTea, ({ params, body, who }) => book.change(params.id, body, who));
  on.signed(addVersion, ({ params, body, who }) => book.addVersion(params.id, body, who));
  on.signed(moveVersion, ({ params, body, who }) => book.move(params.id, body, who));
  on.signed(addLot, ({ params, body, who }) => book.addLot(params.id, body, who));
  on.signed(changeLot, ({ params, body, who }) => book.changeLot(params.id, body, who));
  on.signed(setVocabulary, async ({ body, who }) => ({ words: await book.setVocabulary(body.words, who) }));
  on.signed(settleNote, async ({ params, who }) => {
    await book.settle(params.id, who);
    return {};
  });
}
