import { useMemo } from 'react';
import { useStore } from 'react-redux';
import { queueWrite } from '../../platform/outbox/outbox';
import { type RootState, useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { isLocked } from '../people/locked';
import { useSession } from '../people/session';
import { brewsApi } from './api';
import { barOf } from './barBrews';
import { type BrewCommands, createBrewCommands } from './commands';
import type { BrewWrite } from './writes';

/**
 * The commands for brews. The same object for as long as the same person is signed in: how things are (the bar, the
 * lock) is looked up when a command runs.
 */
export function useBrewCommands(): BrewCommands {
  const dispatch = useAppDispatch();
  const session = useSession();
  const store = useStore<RootState>();
  return useMemo(() => {
    const locked = () => isLocked(session, store.getState().settings);
    return createBrewCommands({
      write: (write) => dispatch(queueWrite<BrewWrite>(write)),
      say: (text, undo, link) => dispatch(toastShown({ text, undo, ...(link && { link }) })),
      me: () =>
        locked()
          ? { id: '', name: store.getState().settings.deviceName }
          : { id: session.personId, name: session.name },
      locked,
      bar: () => {
        const state = store.getState();
        const { data } = brewsApi.endpoints.bar.select()(state as never);
        return barOf(data?.brews ?? [], state.outbox.waiting);
      },
      site: session.site,
    });
  }, [dispatch, store, session]);
}
