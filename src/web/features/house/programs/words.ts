import type { ProgramRight } from '#contracts/programs';

export const RIGHTS: Readonly<Record<ProgramRight, string>> = {
  orders: 'put orders',
  bar: 'read the bar',
  book: 'read the book',
};
