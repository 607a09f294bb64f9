// A thread for `work.test.ts`: it answers, fails, or never ends.
export default function run({ name, args }) {
  if (name === 'spin') for (;;);
  if (name === 'fail') throw new Error('as asked');
  return args;
}
