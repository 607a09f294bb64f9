import { v7 } from 'uuid';

/** An id made where the record is made. */
export const newId = (): string => v7();
