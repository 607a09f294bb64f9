import type {
  Merit,
  PlanLine,
  PlannedBatch,
  PlanProblem,
  PouredStanding,
  Span,
} from '#core/coldPlan';

/** A plan as its rules are read: what is poured from what. */
export type Laid = {
  readonly batches: readonly PlannedBatch[];
  readonly standing: readonly PouredStanding[];
};
export type Judged = { readonly faults: readonly string[]; readonly merit: Merit };

const sum = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0);
const meet = (a: Span, b: Span): boolean => a.from < b.to && b.from < a.to;

/**
 * The rules of a plan, read one by one without the planner: faults in words, and what the plan is worth. Slow and plain
 * on purpose.
 */
export function judgePlan(p: PlanProblem, { batches, standing }: Laid): Judged {
  const faults: string[] = [];
  const must = (holds: boolean, words: string) => {
    if (!holds) faults.push(words);
  };
  const lineOf = (id: string): PlanLine => p.lines.find((l) => l.id === id)!;
  const kindOf = (vessel: string) => p.vessels.find((v) => v.id === vessel)!.kind;
  const service = (j: number): Span => p.services[j]!;
  const handAt = (t: number) => p.hands.find((h) => h.at === t);
  const keepsTo = (b: PlannedBatch) => {
    const line = lineOf(b.line);
    return (line.keepFrom === 'lift' ? b.lift : b.start) + line.keep;
  };
  const ready = (b: PlannedBatch) => b.lift + lineOf(b.line).chill;
  const poured = (b: PlannedBatch) => sum(b.pours.map((x) => x.glasses));
  const ends = (b: PlannedBatch) => {
    const last = b.pours.at(-1);
    return last ? service(last.service).to : ready(b);
  };
  const name = (b: PlannedBatch) => `${b.line} ${b.vessel} ${b.start}`;

  for (const b of batches) {
    const line = lineOf(b.line);
    const fill = line.fills[kindOf(b.vessel)]?.find((f) => f.water === b.water);
    must(fill?.glasses === b.glasses, `${name(b)}: no such fill`);
    const pin = p.pins.find((x) => x.id === b.pin);
    if (pin)
      must(
        pin.vessel === b.vessel &&
          pin.start === b.start &&
          pin.lift === b.lift &&
          pin.water === b.water,
        `${name(b)}: moved from its pin`,
      );
    else {
      must(!!handAt(b.start) && !!handAt(b.lift), `${name(b)}: nobody is there`);
      const steep = b.lift - b.start;
      must(steep >= line.earliest && steep <= line.latest, `${name(b)}: out of its window`);
      must(b.pours.length > 0, `${name(b)}: for nobody`);
    }
    must(poured(b) <= b.glasses, `${name(b)}: more poured than there is`);
    for (const { service: j, glasses } of b.pours) {
      must(glasses > 0 && Number.isInteger(glasses), `${name(b)}: not whole`);
      must(ready(b) <= service(j).from, `${name(b)}: poured before it is ready`);
      must(service(j).to <= keepsTo(b), `${name(b)}: poured past its keep`);
    }
  }
  for (const pin of p.pins)
    must(batches.filter((b) => b.pin === pin.id).length === 1, `${pin.id}: not once in the plan`);

  const left = p.lines.map((line) =>
    p.services.map((_, j) => {
      const own = p.standing.filter((s) => s.line === line.id).map((s) => s.id);
      const fromStanding = standing
        .filter((s) => own.includes(s.id))
        .flatMap((s) => s.pours)
        .filter((x) => x.service === j);
      return (line.demand[j] ?? 0) - sum(fromStanding.map((x) => x.glasses));
    }),
  );
  const unmet = p.lines.map((line, k) =>
    p.services.map((_, j) => {
      const own = batches.filter((b) => b.line === line.id).flatMap((b) => b.pours);
      return (left[k]?.[j] ?? 0) - sum(own.filter((x) => x.service === j).map((x) => x.glasses));
    }),
  );
  p.lines.forEach((line, k) => {
    unmet[k]?.forEach((u, j) => must(u >= 0, `${line.id}: more poured than wanted in ${j}`));
    const open = batches
      .filter((b) => b.line === line.id && b.pours.length > 0)
      .map((b) => ({
        b,
        first: b.pours[0]!.service,
        last: b.pours.at(-1)!.service,
        thrown: poured(b) < b.glasses,
      }));
    for (const { b, first, last, thrown } of open) {
      for (let j = first; j < last; j++)
        must(unmet[k]?.[j] === 0, `${name(b)}: open, yet ${j} goes without`);
      if (thrown) must(unmet[k]?.[last] === 0, `${name(b)}: thrown out, yet ${last} goes without`);
      for (const other of open.filter((o) => o.b !== b)) {
        const before = last <= other.first;
        const after = other.last <= first;
        must(before || after, `${name(b)}: two open at a time`);
        if (thrown && other.first === last && !(after && other.last === first && !other.thrown))
          faults.push(`${name(b)}: opened after one that is thrown out`);
      }
    }
  });

  const held = p.standing.map((s) => {
    const own = standing.find((x) => x.id === s.id)!;
    const given = sum(own.pours.map((x) => x.glasses));
    must(own.thrown === s.glasses - given, `${s.id}: glasses lost`);
    const last = own.pours.at(-1);
    const horizon = Math.max(...p.services.map((x) => x.to), ...p.hands.map((h) => h.at), 0);
    const to =
      given === s.glasses && last ? service(last.service).to : Math.min(s.discardAt, horizon);
    return { ...s, from: 0, to };
  });
  const inVessel = (b: PlannedBatch): Span => ({ from: b.start, to: ends(b) + p.wash });
  batches.forEach((b, i) => {
    const taken: (Span | undefined)[] = [
      ...batches.slice(0, i).map((o) => (o.vessel === b.vessel ? inVessel(o) : undefined)),
      ...held.map((h) => (h.vessel === b.vessel ? { from: 0, to: h.to + p.wash } : undefined)),
      ...p.vessels.filter((v) => v.id === b.vessel).flatMap((v) => v.out),
    ];
    must(!taken.some((span) => span && meet(span, inVessel(b))), `${name(b)}: vessel taken`);
  });
  const inFridge = (b: PlannedBatch): Span => {
    const from = { all: b.start, afterLift: b.lift, never: Infinity }[lineOf(b.line).fridge];
    return { from, to: ends(b) };
  };
  const isIn = (t: number, s: Span) => s.from <= t && t < s.to;
  const placesOf = (vessel: string) => p.kinds[kindOf(vessel)]?.places ?? 1;
  for (const t of batches.map((b) => Math.max(0, inFridge(b).from))) {
    const there = batches.filter((b) => isIn(t, inFridge(b)));
    const here = held.filter((h) => h.inFridge && isIn(t, h));
    const all = [...there, ...here];
    if (there.length === 0) continue;
    must(
      sum(all.map((x) => placesOf(x.vessel))) <= (p.fridge.places ?? Infinity),
      `${t}: no place in the fridge`,
    );
    must(sum(all.map((x) => x.water)) <= (p.fridge.water ?? Infinity), `${t}: too many litres`);
  }

  const off = (b: PlannedBatch) => {
    const line = lineOf(b.line);
    const steep = b.lift - b.start;
    const each = Math.max(0, line.goodFrom - steep, steep - line.goodTo);
    return (
      b.glasses * each +
      sum(b.pours.map((x) => x.glasses * Math.max(0, service(x.service).to - b.lift - line.fresh)))
    );
  };
  return {
    faults,
    merit: {
      unmet: sum(unmet.flat()),
      thrown:
        sum(batches.map((b) => lineOf(b.line).serving * (b.glasses - poured(b)))) +
        sum(
          held.map(
            (h) => lineOf(h.line).serving * (standing.find((x) => x.id === h.id)?.thrown ?? 0),
          ),
        ),
      off: sum(batches.map(off)),
      batches: batches.length,
      hands: sum(
        batches.map((b) => [b.start, b.lift].filter((t) => handAt(t)?.preferred !== true).length),
      ),
    },
  };
}
