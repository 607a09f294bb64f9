import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import type { addPerson, changePerson, listNames, Person } from '#contracts/people';
import { pathOf, ROUTES } from '#contracts/routes';
import type {
  addSite,
  beginHouse,
  changeSite,
  House,
  Session,
  setMyUnits,
  signIn,
  Site,
} from '#contracts/sites';
import { api, type Tag, TAGS } from '../../platform/api';

/** The same for whoever is at a site: a tablet that was only locked has heard all of it. */
export const OF_THE_SITE: readonly Tag[] = ['Book', 'Shelf', 'Cold'];

type Write<E> = { id: string; body: BodyOf<E> };
/** Who is here and where: the house, its sites, people and the session. */
export const peopleApi = api.injectEndpoints({
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
      invalidatesTags: TAGS.filter((tag) => !OF_THE_SITE.includes(tag)),
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
      // Its vessels and kettles may be copies of another site's.
      invalidatesTags: ['House', 'People', 'Shelf'],
    }),
    changeFilter: build.mutation<Site, { siteId: string; changed: string }>({
      query: ({ siteId, changed }) => ({
        url: pathOf(ROUTES.changeFilter, { id: siteId }),
        method: 'POST',
        body: { changed },
      }),
      invalidatesTags: ['House', 'History'],
    }),
    changeSite: build.mutation<Site, Write<typeof changeSite>>({
      query: ({ id, body }) => ({ url: pathOf(ROUTES.changeSite, { id }), method: 'PATCH', body }),
      invalidatesTags: ['House', 'History'],
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
  useChangeFilterMutation,
  useChangeSiteMutation,
} = peopleApi;
