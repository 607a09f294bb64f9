/** The drawing of a steep's course, px; known before the drawing itself has been fetched. */
export const COURSE_WIDTH = 820;
export const COURSE_HEIGHT = 258;
