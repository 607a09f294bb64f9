import QRCode from 'qrcode';
import { getShop, getShopCode } from '#contracts/shop';
import { notFound } from '../../http/errors';
import type { routes } from '../../http/route';
import type { LiveHub } from '../live';
import type { Shop } from './address';

export { shopAt, type Shop } from './address';
export { helpServer } from './helpPage';
export { secureServer } from './secureServer';

/** @param shop how the house is reached from its network; null where it is not */
export function shopRoutes(
  on: ReturnType<typeof routes>,
  shop: () => Shop | null,
  live: Pick<LiveHub, 'devices'>,
) {
  on.signed(getShop, async () => {
    const at = shop();
    return {
      address: at?.address ?? null,
      help: at?.help ?? null,
      fingerprint: at?.fingerprint || null,
      devices: live.devices(),
    };
  });
  on.file(getShopCode, async () => {
    const at = shop();
    if (!at) throw notFound('An address in the shop’s network');
    return {
      type: 'image/svg+xml',
      name: 'address.svg',
      body: Buffer.from(await QRCode.toString(at.help, { type: 'svg', margin: 2 })),
    };
  });
}
