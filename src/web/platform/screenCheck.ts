/** How this device's screen did when somebody last looked; kept on the device. */
export type ScreenCheck = {
  readonly at: number;
  readonly right: number;
  readonly greys: boolean;
  readonly passed: boolean;
};
const KEY = 'limnos.screen';

export function screenCheck(): ScreenCheck | null {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? 'null') as ScreenCheck | null;
  } catch {
    return null;
  }
}
export const keepScreenCheck = (c: ScreenCheck): void =>
  localStorage.setItem(KEY, JSON.stringify(c));
