/** One plain line to whoever started this. */
export const say = (line) => process.stdout.write(`${line}\n`);
/** One plain line, then the end. */
export function giveUp(line) {
  process.stderr.write(`${line}\n`);
  process.exit(1);
}
