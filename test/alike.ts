/**
 * For tests of the commands: the same shape and names, numbers to `by` relative.
 * @throws what differs, by its path.
 */
export function alike(got: unknown, want: unknown, by: number, path: string): void {
  const differ = (): never => {
    throw new Error(`${path}: ${JSON.stringify(got)}, not ${JSON.stringify(want)}`);
  };
  if (Array.isArray(want)) {
    if (!Array.isArray(got) || got.length !== want.length) differ();
    want.forEach((w, i) => alike((got as unknown[])[i], w, by, `${path}[${i}]`));
  } else if (typeof want === 'object' && want !== null) {
    if (typeof got !== 'object' || got === null) differ();
    const names = (o: object) => Object.keys(o).sort().join();
    if (names(got as object) !== names(want)) differ();
    for (const [k, w] of Object.entries(want))
      alike((got as Record<string, unknown>)[k], w, by, `${path}.${k}`);
  } else if (typeof want === 'number') {
    const near = by * Math.max(1e-3, Math.abs(want)) + 1e-6;
    if (!(Math.abs((got as number) - want) <= near)) differ();
  } else if (got !== want) differ();
}
