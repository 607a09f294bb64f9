import type { Calendar, renewCalendar } from '#contracts/calendar';
import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import { ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

/** The calendar address of the site. */
export const calendarApi = api.injectEndpoints({
  endpoints: (build) => ({
    calendar: build.query<Calendar, void>({
      query: () => ({ url: ROUTES.getCalendar.path }),
      providesTags: ['House'],
    }),
    renewCalendar: build.mutation<ResponseOf<typeof renewCalendar>, BodyOf<typeof renewCalendar>>({
      query: (body) => ({ url: ROUTES.renewCalendar.path, method: 'POST', body }),
      invalidatesTags: ['House'],
    }),
  }),
});
export const { useCalendarQuery, useRenewCalendarMutation } = calendarApi;
