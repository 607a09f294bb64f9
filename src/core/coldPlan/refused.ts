import type { Minute, Pin, PinsRefused, PlanProblem, Span } from './problem';
import { pourStanding } from './standing';

/** What a pin takes while it serves nobody: its vessel until it is washed, its room in the fridge until it is ready. */
type Alone = {
  readonly pin: Pin;
  readonly inVessel: Span;
  readonly inFridge: Span;
  readonly ready: Minute;
  readonly places: number;
};
const meet = (a: Span, b: Span): boolean => a.from < b.to && b.from < a.to;
const isIn = (at: Minute, s: Span): boolean => s.from <= at && at < s.to;

function aloneOf(p: PlanProblem, pin: Pin): Alone {
  const line = p.lines.find((l) => l.id === pin.line);
  const kind = p.vessels.find((v) => v.id === pin.vessel)?.kind;
  if (!line || kind === undefined)
    throw new RangeError(`${pin.id}: no line ${pin.line} or no vessel ${pin.vessel}`);
  const ready = pin.lift + line.chill;
  const begins = { all: pin.start, afterLift: pin.lift, never: ready }[line.fridge];
  return {
    pin,
    ready,
    inVessel: { from: pin.start, to: ready + p.wash },
    inFridge: { from: begins, to: ready },
    places: p.kinds[kind]?.places ?? 1,
  };
}

/** The first pin to be ready that meets others, what stands there, or a time its vessel is out, in its own vessel. */
function vesselRefused(p: PlanProblem, pins: readonly Alone[]): PinsRefused | null {
  const { held } = pourStanding(p);
  const found = pins.flatMap((a): PinsRefused[] => {
    const { vessel } = a.pin;
    const same = pins.filter((b) => b.pin.vessel === vessel && meet(a.inVessel, b.inVessel));
    const taken = [
      ...held.filter((h) => h.vessel === vessel).map((h) => ({ from: h.from, to: h.to + p.wash })),
      ...(p.vessels.find((v) => v.id === vessel)?.out ?? []),
    ].some((span) => meet(a.inVessel, span));
    if (same.length === 1 && !taken) return [];
    return [{ why: 'vessel', at: a.ready, pins: same.map((b) => b.pin.id) }];
  });
  return found.sort((a, b) => a.at - b.at)[0] ?? null;
}

function fridgeRefused(p: PlanProblem, pins: readonly Alone[]): PinsRefused[] {
  const held = pourStanding(p).held.filter((h) => h.inFridge);
  const placesOf = (vessel: string) => {
    const kind = p.vessels.find((v) => v.id === vessel)?.kind ?? '';
    return p.kinds[kind]?.places ?? 1;
  };
  const moments = pins.map((a) => Math.max(0, a.inFridge.from));
  return moments.flatMap((at): PinsRefused[] => {
    const [there, here] = [
      pins.filter((a) => isIn(at, a.inFridge)),
      held.filter((h) => isIn(at, h)),
    ];
    if (there.length === 0) return [];
    const places =
      there.reduce((sum, a) => sum + a.places, 0) +
      here.reduce((sum, h) => sum + placesOf(h.vessel), 0);
    const water =
      there.reduce((sum, a) => sum + a.pin.water, 0) + here.reduce((sum, h) => sum + h.water, 0);
    const refused = (why: PinsRefused['why']) => [{ why, at, pins: there.map((a) => a.pin.id) }];
    if (places > (p.fridge.places ?? Infinity)) return refused('places');
    return water > (p.fridge.water ?? Infinity) ? refused('litres') : [];
  });
}

/** Why the pins cannot stand together even if they serve nobody: the first moment; null when they can. */
export function pinsRefused(p: PlanProblem): PinsRefused | null {
  const pins = p.pins.map((pin) => aloneOf(p, pin)).sort((a, b) => a.pin.start - b.pin.start);
  const vessel = vesselRefused(p, pins);
  const rank = { vessel: 0, places: 1, litres: 2 };
  const all = [...(vessel ? [vessel] : []), ...fridgeRefused(p, pins)];
  return all.sort((a, b) => a.at - b.at || rank[a.why] - rank[b.why])[0] ?? null;
}
