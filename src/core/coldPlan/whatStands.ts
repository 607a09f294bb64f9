import { placeOf } from '#core/cold';
import { type ColdHouse, kindOf, type PinnedBatch, type StandingBatch } from './coldHouse';
import type { Minute, Pin, PlanLine, Standing } from './problem';

/** The hand moment nearest to a time, of those within a stretch; the time itself where nobody is there. */
function handNear(hands: readonly Minute[], at: Minute, from: Minute, to: Minute): Minute {
  const within = hands.filter((h) => h >= from && h <= to);
  const nearest = within.sort((a, b) => Math.abs(a - at) - Math.abs(b - at))[0];
  return nearest ?? Math.max(0, at);
}

export function standingOf(
  house: ColdHouse,
  b: StandingBatch,
  minute: (at: number) => Minute,
): Standing[] {
  if (b.now.state.kind !== 'drawn') return [];
  const serving = house.teas.find((t) => t.id === b.coldTea)?.serving;
  const { left } = b.now.ledger;
  return [
    {
      id: b.id,
      line: b.coldTea,
      vessel: b.vesselId,
      glasses: serving ? Math.floor(left / serving) : 0,
      water: b.plan.water,
      readyAt: minute(b.ready ?? b.now.state.lifted),
      discardAt: minute(b.discardAt),
      inFridge: placeOf(b.plan, b.now) === 'fridge',
    },
  ];
}
export function infusingPin(
  b: StandingBatch,
  lines: readonly PlanLine[],
  hands: readonly Minute[],
  minute: (at: number) => Minute,
): Pin[] {
  const { state } = b.now;
  if (state.kind !== 'infusing' || !lines.some((l) => l.id === b.coldTea)) return [];
  const [from, best, to] = [b.window.earliest, b.window.best, b.window.latest].map(minute) as [
    Minute,
    Minute,
    Minute,
  ];
  const start = Math.min(minute(state.leafIn), -1);
  // Past its window: at the next hand.
  const lift = handNear(hands, best, Math.max(0, from), Math.max(to, hands[0] ?? 0));
  return [{ id: b.id, line: b.coldTea, vessel: b.vesselId, water: b.plan.water, start, lift }];
}
/** False once its pitcher or its recipe has changed so that there is no such fill any more: it is planned anew. */
export function canBeFilled(house: ColdHouse, p: PinnedBatch, lines: readonly PlanLine[]): boolean {
  const vessel = house.vessels.find((v) => v.id === p.vesselId);
  const fills = vessel && lines.find((l) => l.id === p.coldTea)?.fills[kindOf(vessel)];
  return fills?.some((f) => f.water === p.water) ?? false;
}
/** One whose start has gone by is begun now, for as long as it was to steep. */
export function pinOf(p: PinnedBatch, minute: (at: number) => Minute): Pin {
  const start = Math.max(0, minute(p.start));
  const late = start - minute(p.start);
  return {
    id: p.id,
    line: p.coldTea,
    vessel: p.vesselId,
    water: p.water,
    start,
    lift: minute(p.lift) + late,
  };
}
