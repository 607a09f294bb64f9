import { addTea, addVersion, changeTea, getBook, getTea, settleNote, type TeaPage } from '#contracts/book';
import { getBar, getBrew, getPulls, listBrews, type Bar, type LogQuery } from '#contracts/brews';
import { pathOf, type BodyOf, type ResponseOf } from '#contracts/endpoint';
import { addSite, beginHouse, changeSite, getHouse, setMyUnits, signIn, signOut, type House, type Session, type Site } from '#contracts/house';
import { addPerson, changePerson, listNames, listPeople, type Person } from '#contracts/people';
import { addVessel, changeVessel, listVessels, type Vessel } from '#contracts/shelf';
import { api } from './api';

type Write<E> = { id: string; body: BodyOf<E> };

/** The house's records, as every place reads them. */
export const recordsApi = api.injectEndpoints({
  endpoints: (build) => ({
    house: build.query<House, void>({ query: () => ({ url: getHouse.path }), providesTags: ['House'] }),
    beginHouse: build.mutation<Session, BodyOf<typeof beginHouse>>({ query: (body) => ({ url: beginHouse.path, method: 'POST', body }), invalidatesTags: ['House'] }),
    names: build.query<ResponseOf<typeof listNames>, string>({ query: (siteId) => ({ url: pathOf(listNames, { siteId }) }), providesTags: ['People'] }),
    signIn: build.mutation<Session, BodyOf<typeof signIn>>({ query: (body) => ({ url: signIn.path, method: 'POST', body }), invalidatesTags: ['House', 'Bar', 'People'] }),
    signOut: build.mutation<unknown, void>({ query: () => ({ url: signOut.path, method: 'DELETE' }), invalidatesTags: ['House'] }),
    setMyUnits: build.mutation<unknown, BodyOf<typeof setMyUnits>>({ query: (body) => ({ url: setMyUnits.path, method: 'PATCH', body }), invalidatesTags: ['House'] }),
    people: build.query<{ people: Person[] }, void>({ query: () => ({ url: listPeople.path }), providesTags: ['People'] }),
    addPerson: build.mutation<Person, BodyOf<typeof addPerson>>({ query: (body) => ({ url: addPerson.path, method: 'POST', body }), invalidatesTags: ['People'] }),
    changePerson: build.mutation<Person, Write<typeof changePerson>>({ query: ({ id, body }) => ({ url: pathOf(changePerson, { id }), method: 'PATCH', body }), invalidatesTags: ['People', 'History'] }),
    addSite: build.mutation<Site, BodyOf<typeof addSite>>({ query: (body) => ({ url: addSite.path, method: 'POST', body }), invalidatesTags: ['House', 'People'] }),
    changeSite: build.mutation<Site, Write<typeof changeSite>>({ query: ({ id, body }) => ({ url: pathOf(changeSite, { id }), method: 'PATCH', body }), invalidatesTags: ['House', 'History'] }),
    book: build.query<ResponseOf<typeof getBook>, void>({ query: () => ({ url: getBook.path }), providesTags: ['Book'] }),
    tea: build.query<TeaPage, string>({ query: (id) => ({ url: pathOf(getTea, { id }) }), providesTags: ['Book'] }),
    addTea: build.mutation<ResponseOf<typeof addTea>, BodyOf<typeof addTea>>({ query: (body) => ({ url: addTea.path, method: 'POST', body }), invalidatesTags: ['Book'] }),
    changeTea: build.mutation<ResponseOf<typeof changeTea>, Write<typeof changeTea>>({ query: ({ id, body }) => ({ url: pathOf(changeTea, { id }), method: 'PATCH', body }), invalidatesTags: ['Book', 'History'] }),
    addVersion: build.mutation<ResponseOf<typeof addVersion>, Write<typeof addVersion>>({ query: ({ id, body }) => ({ url: pathOf(addVersion, { id }), method: 'POST', body }), invalidatesTags: ['Book'] }),
    settleNote: build.mutation<unknown, string>({ query: (id) => ({ url: pathOf(settleNote, { id }), method: 'POST', body: {} }), invalidatesTags: ['Book'] }),
    vessels: build.query<{ vessels: Vessel[] }, void>({ query: () => ({ url: listVessels.path }), providesTags: ['Shelf'] }),
    addVessel: build.mutation<Vessel, BodyOf<typeof addVessel>>({ query: (body) => ({ url: addVessel.path, method: 'POST', body }), invalidatesTags: ['Shelf'] }),
    changeVessel: build.mutation<Vessel, Write<typeof changeVessel>>({ query: ({ id, body }) => ({ url: pathOf(changeVessel, { id }), method: 'PATCH', body }), invalidatesTags: ['Shelf', 'History'] }),
    bar: build.query<Bar, void>({ query: () => ({ url: getBar.path }), providesTags: ['Bar'] }),
    brew: build.query<ResponseOf<typeof getBrew>, string>({ query: (id) => ({ url: pathOf(getBrew, { id }) }), providesTags: ['Log'] }),
    pulls: build.query<ResponseOf<typeof getPulls>, string>({ query: (id) => ({ url: pathOf(getPulls, { id }) }), providesTags: ['Log'] }),
    log: build.query<ResponseOf<typeof listBrews>, LogQuery>({ query: (q) => ({ url: listBrews.path, params: Object.fromEntries(Object.entries(q).filter(([, v]) => v !== undefined)) as Record<string, string> }), providesTags: ['Log'] }),
  }),
});

export const {
  useHouseQuery, useBeginHouseMutation, useNamesQuery, useSignInMutation, useSignOutMutation, useSetMyUnitsMutation, usePeopleQuery, useAddPersonMutation, useChangePersonMutation,
  useAddSiteMutation, useChangeSiteMutation, useBookQuery, useTeaQuery, useAddTeaMutation, useChangeTeaMutation, useAddVersionMutation,
  useSettleNoteMutation,
  useVesselsQuery, useAddVesselMutation, useChangeVesselMutation, useBarQuery, useBrewQuery, usePullsQuery, useLogQuery,
} = recordsApi;
