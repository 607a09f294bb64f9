/** One plain line to whoever started this. */
export const say = (line) =>
  (process.env.LIMNOS_SAY === 'stderr' ? process.stderr : process.stdout).write(`${line}\n`);
/**
 * One plain line, then the end.
 * @param {string} line
 * @returns {never}
 */
export function giveUp(line) {
  process.stderr.write(`${line}\n`);
  return process.exit(1);
}
