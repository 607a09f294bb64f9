// A study as the browser's worker runs it: tells how far it is, ends with the result.
import { parentPort } from 'node:worker_threads';
import { seeded } from '#core/numeric';
import { characterOf } from '#core/styles';
import { toleranceStudy, USUAL } from '#core/tolerance';
import { celsius, grams, millilitres, seconds } from '#core/units';

parentPort?.on('message', () => {
  const run = toleranceStudy(
    {
      character: characterOf('black-whole'),
      leaf: grams(3),
      water: millilitres(250),
      temperature: celsius(90),
      time: seconds(240),
      infuser: 'deep',
    },
    { leaf: USUAL.spoon, temperature: USUAL.kettle, time: USUAL.attention },
    { random: seeded(9) },
  );
  for (;;) {
    const step = run.next();
    if (step.done) break;
    parentPort?.postMessage({ share: step.value });
  }
  parentPort?.postMessage({ done: true });
});
