import type { BodyOf } from '#contracts/endpoint';
import { ROUTES } from '#contracts/routes';
import type { addDrillAnswer, DrillAnswer } from '#contracts/training';
import type { WaitingWrite, WriteKind } from '../../platform/outbox/writes';
import { trainingApi } from './api';

/** An answer, with what this page makes of it until the server has worked it out. */
export type AnswerWrite = WaitingWrite & {
  readonly kind: 'drillAnswer';
  readonly body: BodyOf<typeof addDrillAnswer>;
  readonly answer: DrillAnswer;
};
const drillAnswer: WriteKind<AnswerWrite> = {
  call: ({ body }) => ({ url: ROUTES.addDrillAnswer.path, method: 'POST', body }),
  subjects: ({ id }) => [id],
  accept: (_w, answer, dispatch) => {
    const kept = answer as DrillAnswer;
    dispatch(
      trainingApi.util.updateQueryData('training', undefined, (practice) => {
        practice.answers = [...practice.answers.filter((a) => a.id !== kept.id), kept];
      }),
    );
  },
  stale: () => [],
  refused: ['Training'],
  maker: (w) => w.maker ?? null,
};
export const trainingWrites = { drillAnswer };
export const isTrainingWrite = (w: WaitingWrite): w is AnswerWrite => w.kind in trainingWrites;
