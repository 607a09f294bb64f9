import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import type { addGuestEvent, GuestSheet, joinAsGuest } from '#contracts/guests';
import { ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

const shown = (pass: string) => ({ authorization: `Bearer ${pass}` });
/** A guest's own sheet: by the pass that the code gave, without an account. */
export const guestApi = api.injectEndpoints({
  endpoints: (build) => ({
    joinAsGuest: build.mutation<ResponseOf<typeof joinAsGuest>, BodyOf<typeof joinAsGuest>>({
      query: (body) => ({ url: ROUTES.joinAsGuest.path, method: 'POST', body }),
    }),
    guestSheet: build.query<GuestSheet, string>({
      query: (pass) => ({ url: ROUTES.getGuestSheet.path, headers: shown(pass) }),
    }),
    addGuestEvent: build.mutation<GuestSheet, { pass: string; body: BodyOf<typeof addGuestEvent> }>(
      {
        query: ({ pass, body }) => ({
          ...{ url: ROUTES.addGuestEvent.path, method: 'POST', body },
          headers: shown(pass),
        }),
        async onQueryStarted({ pass }, { dispatch, queryFulfilled }) {
          const kept = await queryFulfilled.catch(() => null);
          if (kept) dispatch(guestApi.util.updateQueryData('guestSheet', pass, () => kept.data));
        },
      },
    ),
  }),
});

export const { useJoinAsGuestMutation, useGuestSheetQuery, useAddGuestEventMutation } = guestApi;
