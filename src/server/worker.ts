// What runs on the threads of `work/pool`: every task by its name.
import { ADVICE_TASKS } from './features/advice/tasks';
import { BATCH_TASKS } from './features/batches/tasks';
import { EXCHANGE_TASKS } from './features/exchange/tasks';
import { FIT_TASKS } from './features/fits/tasks';
import { PRINT_TASKS } from './features/prints/tasks';
import { TASTING_TASKS } from './features/tastings/tasks';
import { TRAINING_TASKS } from './features/training/tasks';
import type { Sent, Task } from './work/task';

const TASKS = new Map<string, Task<never[], unknown>>(
  [ADVICE_TASKS, BATCH_TASKS, EXCHANGE_TASKS, FIT_TASKS, PRINT_TASKS, TASTING_TASKS, TRAINING_TASKS]
    .flatMap((of) => Object.values(of) as unknown as Task<never[], unknown>[])
    .map((t) => [t.name, t]),
);

// eslint-disable-next-line no-restricted-syntax -- a thread is its file's default export
export default function run({ name, args }: Sent): unknown {
  const task = TASKS.get(name);
  if (!task) throw new Error(`no task is called ${name}`);
  return task.run(...(args as never[]));
}
