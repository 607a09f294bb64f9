// Keeps something running: what ends is started again, at once at first, then with growing pauses.
import { howItEnded } from './ending.mjs';
import { wait } from './mariadb.mjs';
import { say } from './say.mjs';

const PAUSES = { first: 200, most: 3000 };
/** What ran so long is well: the next pause is the first again. */
const STEADY_MS = 20_000;

/**
 * Starts it and keeps it up. `begin` starts it once: it resolves to a running thing with `ended` (a promise of its exit code
 * or signal) and `stop`, or throws when it cannot be started. The first start may throw; later ones are tried again.
 */
export async function keepUp(name, begin) {
  let stop = null;
  const stopped = new Promise((r) => {
    stop = r;
  });
  let stopping = false;
  let running = await begin();
  async function watch() {
    let since = Date.now();
    for (let pause = PAUSES.first; ; pause = Math.min(PAUSES.most, pause * 2)) {
      const how = await Promise.race([running?.ended, stopped]);
      if (running && !stopping) {
        say(`${name} ${howItEnded(how)}. Limnos starts it again.`);
        if (Date.now() - since > STEADY_MS) pause = PAUSES.first;
      }
      await Promise.race([wait(pause), stopped]);
      if (stopping) return running?.stop();
      since = Date.now();
      running = await begin().catch((error) => {
        say(`${name} does not start: ${error.message.split('\n')[0]}`);
        return null;
      });
      if (running) say(`${name} runs again.`);
    }
  }
  const watching = watch();
  return {
    now: () => running,
    stop() {
      stopping = true;
      stop();
      return watching;
    },
  };
}
