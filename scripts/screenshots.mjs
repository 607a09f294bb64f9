// npm run screenshots [-- name ...]: one picture per main view, from a demo of its own, into docs/screenshots/.
// Look at every one before committing it.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { needBuild, needPackages, ROOT } from './lib/prepare.mjs';
import { barScene } from './screenshots/bar.mjs';
import { bookScene } from './screenshots/book.mjs';
import { coldScene } from './screenshots/cold.mjs';
import { fitScene } from './screenshots/fit.mjs';
import { houseScene } from './screenshots/house.mjs';
import { schoolScene } from './screenshots/school.mjs';
import { openShop } from './screenshots/shop.mjs';
import { startScene } from './screenshots/start.mjs';
import { openStudio } from './screenshots/studio.mjs';
import { tableScene } from './screenshots/table.mjs';

/** One after the other, in one shop: what one leaves behind is there in the next. */
const SCENES = [
  startScene,
  coldScene,
  schoolScene,
  barScene,
  bookScene,
  houseScene,
  tableScene,
  fitScene,
];

needPackages({ pdftoppm: 'poppler-utils' });
needBuild();
const out = join(ROOT, 'docs/screenshots');
mkdirSync(out, { recursive: true });
const shop = await openShop();
const studio = await openStudio({ address: shop.address, out, only: process.argv.slice(2) });
try {
  await studio.go('/', 700);
  await studio.signedInAs('Ilsa V.', 'grey pot first');
  await studio.go('/', 700);
  for (const scene of SCENES) await scene(studio);
} finally {
  await studio.close();
  await shop.close();
}
