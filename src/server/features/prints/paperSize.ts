/** A4 upright, mm. */
export const WIDTH = 210;
export const HEIGHT = 297;
export const MARGIN = 14;
export const RIGHT = WIDTH - MARGIN;
/** What a document says of itself; nobody is named as its author. */
export const info = (title: string) => ({ title, author: '' });
