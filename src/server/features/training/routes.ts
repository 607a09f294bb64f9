import {
  addDrillAnswer,
  addSignEvent,
  addSpoonWeighing,
  disputeAnswer,
  exportTraining,
  getTraining,
  getTrainingBoard,
  makeBrewer,
  printTraining,
  removeTraining,
  setSchool,
  settleDispute,
} from '#contracts/training';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { trainingCsv } from './record';
import { createTrainingService } from './service';
import { TRAINING_TASKS } from './tasks';

export function trainingRoutes(on: ReturnType<typeof routes>, deps: Deps) {
  const training = createTrainingService(deps);
  on.signed(getTraining, ({ who }) => training.own(who));
  on.signed(getTrainingBoard, ({ who }) => training.board(who));
  on.file(exportTraining, async ({ params, who }) => {
    const practice = await training.record(params.personId, who);
    return {
      type: 'text/csv; charset=utf-8',
      name: `${practice.person.name} training.csv`,
      body: Buffer.from(trainingCsv(practice)),
      save: true,
    };
  });
  on.file(printTraining, async ({ params, who }) => {
    const [practice, school, today] = await training.paper(params.personId, who);
    return {
      type: 'application/pdf',
      name: `${practice.person.name} training.pdf`,
      body: await deps.work.run(TRAINING_TASKS.paper, practice, school, deps.now(), today),
    };
  });
  on.signed(addDrillAnswer, ({ body, who }) => training.answer(body, who));
  on.signed(addSpoonWeighing, ({ body, who }) => training.weighSpoons(body, who));
  on.signed(disputeAnswer, ({ params, who }) => training.dispute(params.id, who));
  on.signed(settleDispute, ({ params, body, who }) =>
    training.settle(params.id, body.isWrong, who),
  );
  on.signed(setSchool, ({ body, who }) => training.setSchool(body, who));
  on.signed(makeBrewer, ({ params, who }) => training.makeBrewer(params.personId, who));
  on.signed(removeTraining, ({ params, who }) => training.removeOf(params.personId, who));
  on.signed(addSignEvent, ({ body, who }) => training.sign(body, who));
}
