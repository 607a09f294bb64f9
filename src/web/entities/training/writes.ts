import type { BodyOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import type { addDrillAnswer, addSpoonWeighing, DrillAnswer } from '#contracts/training';
import { readAgain } from '../../platform/api';
import type { Send } from '../../platform/dispatch';
import type { WaitingWrite, WriteKind } from '../../platform/outbox/writes';
import { trainingApi } from './api';

/** An answer, with what this page makes of it until the server has worked it out. */
export type AnswerWrite = WaitingWrite & {
  readonly kind: 'drillAnswer';
  readonly body: BodyOf<typeof addDrillAnswer>;
  readonly answer: DrillAnswer;
};
/** “I say it is wrong”, of an answer that may itself still wait. */
export type DisputeWrite = WaitingWrite & {
  readonly kind: 'answerDispute';
  readonly answerId: string;
};
/** Spoons that were weighed one by one. */
export type SpoonsWrite = WaitingWrite & {
  readonly kind: 'spoonWeighing';
  readonly body: BodyOf<typeof addSpoonWeighing>;
};
const kept = (_w: WaitingWrite, answer: unknown, dispatch: Send) => {
  const saved = answer as DrillAnswer;
  // What is being read at this moment may have been asked before the answer was kept: it would take it away again.
  readAgain(dispatch(trainingApi.util.getRunningQueryThunk('training', undefined)));
  dispatch(
    trainingApi.util.updateQueryData('training', undefined, (practice) => {
      practice.answers = [...practice.answers.filter((a) => a.id !== saved.id), saved];
    }),
  );
};
const own = {
  accept: kept,
  stale: () => [],
  refused: ['Training'] as const,
  maker: (w: WaitingWrite) => w.maker ?? null,
};
const drillAnswer: WriteKind<AnswerWrite> = {
  ...own,
  call: ({ body }) => ({ url: ROUTES.addDrillAnswer.path, method: 'POST', body }),
  subjects: ({ id }) => [id],
};
const answerDispute: WriteKind<DisputeWrite> = {
  ...own,
  call: ({ answerId }) => ({
    url: pathOf(ROUTES.disputeAnswer, { id: answerId }),
    method: 'POST',
    body: {},
  }),
  subjects: ({ answerId }) => [answerId],
};
/** Its own record is read again: what was seen is worked out by the server. */
const spoonWeighing: WriteKind<SpoonsWrite> = {
  ...own,
  accept: () => undefined,
  stale: () => ['Training'],
  call: ({ body }) => ({ url: ROUTES.addSpoonWeighing.path, method: 'POST', body }),
  subjects: ({ id }) => [id],
};
export const trainingWrites = { drillAnswer, answerDispute, spoonWeighing };
export const isAnswerWrite = (w: WaitingWrite): w is AnswerWrite => w.kind === 'drillAnswer';
