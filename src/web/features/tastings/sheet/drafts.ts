import type { Sheet } from '#core/tastings';

export const draftKey = (id: string, taster: string) => `limnos.sheet.${id}.${taster}`;

/** What is on the sheet and not kept yet stays on this device. */
export function draftsOf(key: string): Record<string, Sheet> {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '{}') as Record<string, Sheet>;
  } catch {
    return {};
  }
}
