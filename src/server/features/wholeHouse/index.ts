import { exportHouse } from '#contracts/exchange';
import { poolOf } from '../../db/pool';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { houseOut } from './out';

export { houseIn, lookIn } from './in';
export { houseOut } from './out';

export function wholeHouseRoutes(on: ReturnType<typeof routes>, { db, now }: Deps) {
  on.stream(exportHouse, async ({ res }) => {
    const out = await houseOut(poolOf(db), now());
    const day = new Date(now()).toISOString().slice(0, 10);
    res
      .type('application/zip')
      .setHeader('content-disposition', `attachment; filename="limnos-house-${day}.zip"`);
    await new Promise<void>((done) => {
      res.once('close', () => {
        out.destroy();
        done();
      });
      // A file that breaks off is no whole ZIP: whoever opens it hears of it.
      out.once('error', () => res.destroy());
      out.pipe(res);
    });
  });
}
