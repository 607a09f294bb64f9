import type { Who } from '#contracts/primitives';
import { pathOf, ROUTES } from '#contracts/routes';
import type { TastingEventBody, TastingView } from '#contracts/tastings';
import { readAgain } from '../../platform/api';
import type { WaitingWrite, WriteKind } from '../../platform/outbox/writes';
import { tastingsApi } from './api';

/** What somebody did at a tasting. */
export type TastingWrite = WaitingWrite & {
  readonly kind: 'table';
  readonly tastingId: string;
  readonly body: TastingEventBody;
  readonly by: Who;
};

// 'table' is what devices have kept it as since the first version.
const table: WriteKind<TastingWrite> = {
  call: ({ tastingId, body }) => ({
    url: pathOf(ROUTES.addTastingEvent, { id: tastingId }),
    method: 'POST',
    body,
  }),
  subjects: ({ tastingId }) => [tastingId],
  accept({ tastingId }, answer, dispatch) {
    readAgain(dispatch(tastingsApi.util.getRunningQueryThunk('tasting', tastingId)));
    dispatch(tastingsApi.util.updateQueryData('tasting', tastingId, () => answer as TastingView));
  },
  stale: () => [],
  refused: ['Table'],
  maker: (w) => w.maker ?? { personId: w.by.id, name: w.by.name, device: null },
};
export const tastingWrites = { table };
export const isTastingWrite = (w: WaitingWrite): w is TastingWrite => w.kind in tastingWrites;
