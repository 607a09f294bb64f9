import { AppError } from '../../http/errors';

/** So many secrets are verified at once in all: each takes 19 MiB and a core for a while. */
const AT_ONCE = 2;
/** So many wait behind them; more is no shop, and is sent away. */
const MOST_WAITING = 40;

/** Lets verifications through one at a time for each person, and few in all. */
export function verificationGate() {
  const busy = new Set<string>();
  const waiting: { readonly key: string; readonly go: () => void }[] = [];
  const next = () => {
    if (busy.size >= AT_ONCE) return;
    const i = waiting.findIndex((w) => !busy.has(w.key));
    const one = i < 0 ? undefined : waiting.splice(i, 1)[0];
    if (!one) return;
    busy.add(one.key);
    one.go();
  };
  return async function through<T>(key: string, verify: () => Promise<T>): Promise<T> {
    if (waiting.length >= MOST_WAITING) {
      throw new AppError(
        'signin.wait',
        429,
        'Too many tries at once. Wait a moment, then try again.',
        { details: { wait: 5 } },
      );
    }
    await new Promise<void>((go) => {
      waiting.push({ key, go });
      next();
    });
    try {
      return await verify();
    } finally {
      busy.delete(key);
      next();
    }
  };
}
