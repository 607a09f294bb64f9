import type { BrewEventBody } from '#contracts/brewEvents';
import type { addOrder, Brew, changeOrder, Order, StartBrew } from '#contracts/brews';
import type { BodyOf } from '#contracts/endpoint';
import type { Who } from '#contracts/primitives';
import { pathOf, ROUTES } from '#contracts/routes';
import { readAgain } from '../../platform/api';
import type { Send } from '../../platform/dispatch';
import type { Maker, WaitingWrite, WriteKind } from '../../platform/outbox/writes';
import { brewsApi } from './api';
import { brewSaved, ordersSaved } from './barCache';

type StartWrite = WaitingWrite & {
  readonly kind: 'start';
  readonly body: StartBrew;
  readonly brew: Brew;
};
type EventWrite = WaitingWrite & {
  readonly kind: 'event';
  readonly brewId: string;
  readonly body: BrewEventBody;
  readonly by: Who;
  /** The brew as it was before what is taken back. */
  readonly restores?: Brew;
};
type OrderWrite = WaitingWrite & {
  readonly kind: 'order';
  readonly body: BodyOf<typeof addOrder>;
  readonly order: Order;
};
type OrderChangeWrite = WaitingWrite & {
  readonly kind: 'orderChange';
  readonly orderId: string;
  readonly body: BodyOf<typeof changeOrder>;
  readonly order: Order;
};
/** What is written about brews and the queue before them. */
export type BrewWrite = StartWrite | EventWrite | OrderWrite | OrderChangeWrite;

const by = ({ id, name }: Who): Maker => ({ personId: id, name, device: null });
const readBarAgain = (dispatch: Send) =>
  readAgain(dispatch(brewsApi.util.getRunningQueryThunk('bar', undefined)));
const acceptBrew = (_w: BrewWrite, answer: unknown, dispatch: Send) => {
  readBarAgain(dispatch);
  dispatch(brewSaved(answer as Brew));
};
const acceptOrders = (_w: BrewWrite, answer: unknown, dispatch: Send) => {
  readBarAgain(dispatch);
  dispatch(ordersSaved((answer as { orders: Order[] }).orders));
};
/** While the live stream is open the bar hears what else happened; without it the bar is read again. */
const reading = {
  stale: (live: boolean) => (live ? (['Log'] as const) : (['Bar', 'Log'] as const)),
  refused: ['Bar', 'Log'] as const,
};

const start: WriteKind<StartWrite> = {
  ...reading,
  call: ({ body }) => ({ url: ROUTES.startBrew.path, method: 'POST', body }),
  subjects: ({ body }) => [
    body.id,
    ...(body.after ? [body.after] : []),
    ...(body.orderId ? [body.orderId] : []),
  ],
  accept: acceptBrew,
  maker: (w) => w.maker ?? by(w.brew.startedBy),
};
const event: WriteKind<EventWrite> = {
  ...reading,
  call: ({ brewId, body }) => ({
    url: pathOf(ROUTES.addBrewEvent, { id: brewId }),
    method: 'POST',
    body,
  }),
  subjects: ({ brewId, body }) => [brewId, ...(body.kind === 'pair' ? [body.with] : [])],
  accept: acceptBrew,
  maker: (w) => w.maker ?? by(w.by),
};
const order: WriteKind<OrderWrite> = {
  ...reading,
  call: ({ body }) => ({ url: ROUTES.addOrder.path, method: 'POST', body }),
  subjects: ({ id }) => [id],
  accept: acceptOrders,
  maker: (w) => w.maker ?? by(w.order.by),
};
const orderChange: WriteKind<OrderChangeWrite> = {
  ...reading,
  call: ({ orderId, body }) => ({
    url: pathOf(ROUTES.changeOrder, { id: orderId }),
    method: 'PATCH',
    body,
  }),
  subjects: ({ orderId }) => [orderId],
  accept: acceptOrders,
  maker: (w) => w.maker ?? by(w.order.by),
};
export const brewWrites = { start, event, order, orderChange };
export const isBrewWrite = (w: WaitingWrite): w is BrewWrite => w.kind in brewWrites;
