import type { ResponseOf } from '#contracts/endpoint';
import { ROUTES } from '#contracts/routes';
import type { getShop } from '#contracts/shop';
import { api } from '../../platform/api';

/** How the house is reached in its own network. */
export const shopApi = api.injectEndpoints({
  endpoints: (build) => ({
    shop: build.query<ResponseOf<typeof getShop>, void>({
      query: () => ({ url: ROUTES.getShop.path }),
    }),
  }),
});

export const { useShopQuery } = shopApi;
