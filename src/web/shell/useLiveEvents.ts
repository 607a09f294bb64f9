import { useEffect } from 'react';
import { brewsApi } from '../entities/brews/api';
import { brewSaved, ordersSaved } from '../entities/brews/barCache';
import { useSession } from '../entities/people/session';
import { api } from '../platform/api';
import { openLive } from '../platform/live';
import { useAppDispatch } from '../platform/store';

/** All that events tell of, and training, which none tells of. */
const ALL = ['Bar', 'Log', 'Book', 'Shelf', 'House', 'Table', 'Cold', 'Training'] as const;
/** The bar as it was read or is being read: reads nothing anew. */
const readBar = () => brewsApi.endpoints.bar.initiate(undefined, { subscribe: false });

/** Hears what others do at this site for as long as somebody is signed in here. */
export function useLiveEvents(): void {
  const dispatch = useAppDispatch();
  const siteId = useSession().site.id;
  useEffect(() => {
    const reread = (...tags: Parameters<typeof api.util.invalidateTags>[0]) =>
      dispatch(api.util.invalidateTags(tags));
    return openLive(dispatch, {
      opened: async (seq) => {
        const { data } = await dispatch(readBar());
        // What happened between the first readings and now was told to nobody here.
        if (data?.seq !== seq) reread(...ALL);
      },
      brew: ({ brew }) => {
        dispatch(brewSaved(brew));
        reread('Log');
      },
      queue: ({ orders }) => {
        dispatch(ordersSaved(orders));
      },
      table: () => reread('Table'),
      batch: () => reread('Cold'),
      records: () => reread('Book', 'Shelf', 'House'),
      reread: () => reread(...ALL),
    });
    // The stream is one site's: whoever signs in at another hears that one.
  }, [dispatch, siteId]);
}
