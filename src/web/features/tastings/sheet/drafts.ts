import type { Sheet } from '#core/tastings';

export const draftKey = (id: string, taster: string) => `limnos.sheet.${id}.${taster}`;

/** By code: what was marked and is not kept yet. */
export type Drafts = Readonly<Record<string, Sheet>>;
/** What is on the sheet and not kept yet stays on this device. */
export function draftsOf(key: string): Drafts {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '{}') as Record<string, Sheet>;
  } catch {
    return {};
  }
}
export function keepDrafts(key: string, drafts: Drafts): void {
  const text = JSON.stringify(drafts);
  if (text !== (localStorage.getItem(key) ?? '{}')) localStorage.setItem(key, text);
}
export const forgetDrafts = (key: string): void => localStorage.removeItem(key);
