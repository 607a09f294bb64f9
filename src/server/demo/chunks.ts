const CHUNK = 150;

export async function inChunks<T>(rows: readonly T[], write: (part: T[]) => Promise<unknown>) {
  for (let i = 0; i < rows.length; i += CHUNK) await write(rows.slice(i, i + CHUNK));
}
