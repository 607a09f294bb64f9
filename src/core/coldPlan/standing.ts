import type { Minute, PlanProblem, Pour, PouredStanding, Span, Standing } from './problem';

export type StandingPoured = {
  readonly poured: readonly PouredStanding[];
  /** Ml of it that will be thrown out. */
  readonly thrown: number;
  /** Glasses of each line that batches are planned for, service by service. */
  readonly rest: readonly (readonly number[])[];
  /** How long each holds its vessel and its place. */
  readonly held: readonly (Standing & Span)[];
};

/** When a batch is over: with its last service, or once it is ready if it serves nobody. */
export function endOfBatch(
  p: PlanProblem,
  b: { readonly line: string; readonly lift: Minute; readonly pours: readonly Pour[] },
): Minute {
  const last = b.pours.at(-1);
  const chill = p.lines.find((l) => l.id === b.line)?.chill ?? 0;
  return last ? (p.services[last.service]?.to ?? 0) : b.lift + chill;
}

/** The plan's end: what is left then counts as thrown out. */
export const endOf = (p: PlanProblem): Minute =>
  Math.max(0, ...p.services.map((s) => s.to), ...p.hands.map((h) => h.at));

const inOrder = (a: Standing, b: Standing): number =>
  a.discardAt - b.discardAt || a.readyAt - b.readyAt || (a.id < b.id ? -1 : 1);

/** What stands there is poured first, at each service it is ready for and keeps through; what that leaves is planned. */
export function pourStanding(p: PlanProblem): StandingPoured {
  const rest = p.lines.map((l) => [...l.demand]);
  const ends = endOf(p);
  const left = new Map(p.standing.map((s) => [s.id, s.glasses]));
  const pours = new Map<string, Pour[]>(p.standing.map((s) => [s.id, []]));
  p.lines.forEach((line, k) => {
    const wanted = rest[k] ?? [];
    const own = p.standing.filter((s) => s.line === line.id).sort(inOrder);
    p.services.forEach((service, j) => {
      for (const s of own) {
        const ready = s.readyAt <= service.from && service.to <= s.discardAt;
        const glasses = ready ? Math.min(left.get(s.id) ?? 0, wanted[j] ?? 0) : 0;
        if (glasses === 0) continue;
        left.set(s.id, (left.get(s.id) ?? 0) - glasses);
        wanted[j] = (wanted[j] ?? 0) - glasses;
        pours.get(s.id)?.push({ service: j, glasses });
      }
    });
  });
  const servingOf = new Map(p.lines.map((l) => [l.id, l.serving]));
  const leftOf = (s: Standing) => left.get(s.id) ?? 0;
  return {
    poured: p.standing.map((s) => ({
      id: s.id,
      pours: pours.get(s.id) ?? [],
      thrown: leftOf(s),
    })),
    thrown: p.standing.reduce((sum, s) => sum + leftOf(s) * (servingOf.get(s.line) ?? 0), 0),
    rest,
    held: p.standing.map((s) => {
      const last = pours.get(s.id)?.at(-1);
      const emptied = leftOf(s) === 0 && last !== undefined;
      const to = emptied ? p.services[last.service]?.to : undefined;
      return { ...s, from: 0, to: to ?? Math.min(s.discardAt, ends) };
    }),
  };
}
