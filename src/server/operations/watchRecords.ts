import { createConnection } from 'mysql2/promise';

const LOOK_MS = 1000;

/** Whether a connection can be opened and answers; a refusal is an answer. */
async function answers(url: string, within: number): Promise<boolean> {
  const u = new URL(url);
  let late: NodeJS.Timeout | undefined;
  const silent = new Promise<false>((r) => {
    late = setTimeout(() => r(false), within);
  });
  const opening = createConnection({
    host: u.hostname,
    port: Number(u.port || 3306),
    user: decodeURIComponent(u.username),
    password: decodeURIComponent(u.password),
    connectTimeout: within,
  });
  const asked = opening.then((c) => c.ping().finally(() => c.destroy()));
  try {
    return await Promise.race([
      asked.then(
        () => true,
        (error: { code?: string }) => error.code !== 'ETIMEDOUT',
      ),
      silent,
    ]);
  } finally {
    clearTimeout(late);
    void opening.then(
      (c) => c.destroy(),
      () => undefined,
    );
  }
}

/**
 * For a process that has others beside it. A database that was cut off says nothing, not even that it is gone, and
 * requests would hang on it for minutes: `onSilent` is called once it has said nothing for `within` ms. One that
 * refuses is left to the requests themselves. @returns what ends the watch
 */
export function watchRecords(url: string, within: number, onSilent: () => void): () => void {
  let over = false;
  async function look() {
    while (!over) {
      if (!(await answers(url, within))) {
        if (!over) onSilent();
        return;
      }
      await new Promise((r) => setTimeout(r, LOOK_MS).unref());
    }
  }
  void look();
  return () => {
    over = true;
  };
}
