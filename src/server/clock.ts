/** A jump of the machine's clock that is smaller than this is told to nobody, ms. */
const JUMP_MS = 2000;

/**
 * The clock of the server: the machine's own, and never back. Where the machine's clock is put back, time goes on
 * steadily until the machine's clock has come as far, or the server is started again: steeps that run keep their times.
 *
 * @param wall - the machine's clock, ms since 1970
 * @param steady - milliseconds that only ever grow by what has passed
 * @param onBack - hears once of each time the clock was put back, and by how much, ms
 */
export function steadyClock(
  wall: () => number,
  steady: () => number,
  onBack: (ms: number) => void,
): () => number {
  let last = { time: wall(), steady: steady() };
  let isBack = false;
  return () => {
    const [machine, passed] = [wall(), steady()];
    const goneOn = last.time + Math.max(0, passed - last.steady);
    const behind = goneOn - machine;
    if (behind > JUMP_MS && !isBack) onBack(behind);
    isBack = behind > JUMP_MS;
    last = { time: isBack ? goneOn : Math.max(last.time, machine), steady: passed };
    return last.time;
  };
}
