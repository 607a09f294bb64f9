import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { homedir, tmpdir } from 'node:os';
import { join } from 'node:path';
// @ts-expect-error -- plain JavaScript of the start command
import { folders, isReal, moveOut } from '../scripts/lib/folders.mjs';

let base: string;
beforeEach(() => {
  base = mkdtempSync(join(tmpdir(), 'limnos-folders-'));
});
afterEach(() => rmSync(base, { recursive: true, force: true }));
const at = () => ({ real: join(base, 'share/limnos'), demo: join(base, 'program/.data') });
const put = (folder: string, name: string, text: string) => {
  mkdirSync(join(folder, name, '..'), { recursive: true });
  writeFileSync(join(folder, name), text);
};
/** A house as it lay with the demo: one database folder for both. */
function oldHouse() {
  const { demo } = at();
  put(demo, 'real-house', 'A real house');
  put(demo, '.made', 'then');
  put(demo, 'mariadb/limnos_house/teas.ibd', 'its teas');
  put(demo, 'owner.json', '{"pid":0}');
}

test('a real house lies in its owner’s data folder, the demo in the program’s; LIMNOS_DATA holds both', () => {
  expect(folders({}).real).toBe(join(homedir(), '.local/share/limnos'));
  expect(folders({}).demo).toMatch(/\.data$/);
  expect(folders({ XDG_DATA_HOME: '/x' }).real).toBe('/x/limnos');
  expect(folders({ LIMNOS_DATA: '/srv/tea' })).toEqual({ real: '/srv/tea', demo: '/srv/tea/demo' });
});
test('a house that lay in the program’s folder is moved out, whole and once', () => {
  oldHouse();
  const { real, demo } = at();
  moveOut(at());
  expect(isReal(real)).toBe(true);
  expect(readFileSync(join(real, 'mariadb/limnos_house/teas.ibd'), 'utf8')).toBe('its teas');
  for (const gone of ['real-house', 'mariadb', '.made'])
    expect(existsSync(join(demo, gone))).toBe(false);
  expect(existsSync(join(real, 'owner.json'))).toBe(false);
  put(real, 'mariadb/limnos_house/teas.ibd', 'newer teas');
  moveOut(at());
  expect(readFileSync(join(real, 'mariadb/limnos_house/teas.ibd'), 'utf8')).toBe('newer teas');
});
test('a move that was broken off is done again from what is still whole', () => {
  oldHouse();
  const { real } = at();
  put(`${real}.half`, 'mariadb/limnos_house/teas.ibd', 'half of');
  moveOut(at());
  expect(readFileSync(join(real, 'mariadb/limnos_house/teas.ibd'), 'utf8')).toBe('its teas');
  expect(existsSync(`${real}.half`)).toBe(false);
});
test('without a real house there is nothing to move', () => {
  const { real, demo } = at();
  put(demo, 'mariadb/limnos_demo/teas.ibd', 'made-up teas');
  moveOut(at());
  expect([existsSync(real), existsSync(join(demo, 'mariadb'))]).toEqual([false, true]);
});
