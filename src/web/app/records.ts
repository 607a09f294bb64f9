import type { addTea, addVersion, changeTea, getBook, TeaPage } from '#contracts/book';
import type {
  getBrew,
  getPulls,
  getTrends,
  listBrews,
  Bar,
  LogQuery,
  Trends,
} from '#contracts/brews';
import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import type {
  addSite,
  beginHouse,
  changeSite,
  setMyUnits,
  signIn,
  House,
  Session,
  Site,
} from '#contracts/house';
import type { addPerson, changePerson, listNames, Person } from '#contracts/people';
import type { addVessel, changeVessel, Vessel } from '#contracts/shelf';
import type { TastingView } from '#contracts/tastings';
import type { z } from 'zod';
import { api } from './api';

type Write<E> = { id: string; body: BodyOf<E> };

/** The house's records, as every place reads them. */
export const recordsApi = api.injectEndpoints({
  endpoints: (build) => ({
    house: build.query<House, void>({
      query: () => ({ url: ROUTES.getHouse.path }),
      providesTags: ['House'],
    }),
    beginHouse: build.mutation<Session, BodyOf<typeof beginHouse>>({
      query: (body) => ({ url: ROUTES.beginHouse.path, method: 'POST', body }),
      invalidatesTags: ['House'],
    }),
    names: build.query<ResponseOf<typeof listNames>, string>({
      query: (siteId) => ({ url: pathOf(ROUTES.listNames, { siteId }) }),
      providesTags: ['People'],
    }),
    signIn: build.mutation<Session, BodyOf<typeof signIn>>({
      query: (body) => ({ url: ROUTES.signIn.path, method: 'POST', body }),
      invalidatesTags: ['House', 'Bar', 'People'],
    }),
    signOut: build.mutation<unknown, void>({
      query: () => ({ url: ROUTES.signOut.path, method: 'DELETE' }),
      invalidatesTags: ['House'],
    }),
    setMyUnits: build.mutation<unknown, BodyOf<typeof setMyUnits>>({
      query: (body) => ({ url: ROUTES.setMyUnits.path, method: 'PATCH', body }),
      invalidatesTags: ['House'],
    }),
    people: build.query<{ people: Person[] }, void>({
      query: () => ({ url: ROUTES.listPeople.path }),
      providesTags: ['People'],
    }),
    addPerson: build.mutation<Person, BodyOf<typeof addPerson>>({
      query: (body) => ({ url: ROUTES.addPerson.path, method: 'POST', body }),
      invalidatesTags: ['People'],
    }),
    changePerson: build.mutation<Person, Write<typeof changePerson>>({
      query: ({ id, body }) => ({
        url: pathOf(ROUTES.changePerson, { id }),
        method: 'PATCH',
        body,
      }),
      invalidatesTags: ['People', 'History'],
    }),
    addSite: build.mutation<Site, BodyOf<typeof addSite>>({
      query: (body) => ({ url: ROUTES.addSite.path, method: 'POST', body }),
      invalidatesTags: ['House', 'People'],
    }),
    changeSite: build.mutation<Site, Write<typeof changeSite>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.changeSite, { id }), method: 'PATCH', body }),
      invalidatesTags: ['House', 'History'],
    }),
    book: build.query<ResponseOf<typeof getBook>, void>({
      query: () => ({ url: ROUTES.getBook.path }),
      providesTags: ['Book'],
    }),
    tea: build.query<TeaPage, string>({
      query: (id) => ({ url: pathOf(ROUTES.getTea, { id }) }),
      providesTags: ['Book'],
    }),
    addTea: build.mutation<ResponseOf<typeof addTea>, BodyOf<typeof addTea>>({
      query: (body) => ({ url: ROUTES.addTea.path, method: 'POST', body }),
      invalidatesTags: ['Book'],
    }),
    changeTea: build.mutation<ResponseOf<typeof changeTea>, Write<typeof changeTea>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.changeTea, { id }), method: 'PATCH', body }),
      invalidatesTags: ['Book', 'History'],
    }),
    addVersion: build.mutation<ResponseOf<typeof addVersion>, Write<typeof addVersion>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.addVersion, { id }), method: 'POST', body }),
      invalidatesTags: ['Book'],
    }),
    settleNote: build.mutation<unknown, string>({
      query: (id) => ({ url: pathOf(ROUTES.settleNote, { id }), method: 'POST', body: {} }),
      invalidatesTags: ['Book'],
    }),
    vessels: build.query<{ vessels: Vessel[] }, void>({
      query: () => ({ url: ROUTES.listVessels.path }),
      providesTags: ['Shelf'],
    }),
    addVessel: build.mutation<Vessel, BodyOf<typeof addVessel>>({
      query: (body) => ({ url: ROUTES.addVessel.path, method: 'POST', body }),
      invalidatesTags: ['Shelf'],
    }),
    changeVessel: build.mutation<Vessel, Write<typeof changeVessel>>({
      query: ({ id, body }) => ({
        url: pathOf(ROUTES.changeVessel, { id }),
        method: 'PATCH',
        body,
      }),
      invalidatesTags: ['Shelf', 'History'],
    }),
    bar: build.query<Bar, void>({
      query: () => ({ url: ROUTES.getBar.path }),
      providesTags: ['Bar'],
    }),
    brew: build.query<ResponseOf<typeof getBrew>, string>({
      query: (id) => ({ url: pathOf(ROUTES.getBrew, { id }) }),
      providesTags: ['Log'],
    }),
    pulls: build.query<ResponseOf<typeof getPulls>, string>({
      query: (id) => ({ url: pathOf(ROUTES.getPulls, { id }) }),
      providesTags: ['Log'],
    }),
    trends: build.query<Trends, z.input<(typeof getTrends)['query']>>({
      query: (q) => ({
        url: ROUTES.getTrends.path,
        params: Object.fromEntries(Object.entries(q).map(([k, v]) => [k, String(v)])),
      }),
    }),
    tasting: build.query<TastingView, string>({
      query: (id) => ({ url: pathOf(ROUTES.getTasting, { id }) }),
      providesTags: ['Table'],
    }),
    log: build.query<ResponseOf<typeof listBrews>, LogQuery>({
      query: (q) => ({
        url: ROUTES.listBrews.path,
        params: Object.fromEntries(
          Object.entries(q)
            .filter(([, v]) => v !== undefined)
            .map(([k, v]) => [k, String(v)]),
        ),
      }),
      providesTags: ['Log'],
    }),
  }),
});

export const {
  useHouseQuery,
  useBeginHouseMutation,
  useNamesQuery,
  useSignInMutation,
  useSignOutMutation,
  useSetMyUnitsMutation,
  usePeopleQuery,
  useAddPersonMutation,
  useChangePersonMutation,
  useAddSiteMutation,
  useChangeSiteMutation,
  useBookQuery,
  useTeaQuery,
  useAddTeaMutation,
  useChangeTeaMutation,
  useAddVersionMutation,
  useSettleNoteMutation,
  useVesselsQuery,
  useAddVesselMutation,
  useChangeVesselMutation,
  useBarQuery,
  useBrewQuery,
  usePullsQuery,
  useLogQuery,
  useTrendsQuery,
  useTastingQuery,
} = recordsApi;
