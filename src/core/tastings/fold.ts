import type { ColourStrength } from '#core/fitting';
import type { Sheet, TastingEvent } from './events';
import { type Exercise, scheduleFor, type Taster } from './exercise';
import { isColdCup, isPouredAtStart } from './schedule';

export type CupState = {
  readonly grams: number;
  readonly water: number;
  readonly poured: number | null;
  readonly pulled: number | null;
  readonly excluded: string | null;
  readonly solids: number | null;
  readonly colour: ColourStrength | null;
};

export type TasterState = Taster & {
  readonly sheets: Readonly<Record<string, Sheet>>;
  readonly order: readonly string[] | null;
  readonly choice: string | null;
  readonly handedIn: number | null;
  readonly enteredBy: Taster | null;
  readonly left: string | null;
};

export const STAGES = ['set', 'running', 'tasting', 'revealed', 'stopped'] as const;
export type Stage = (typeof STAGES)[number];

export type Tasting = {
  readonly stage: Stage;
  readonly started: number | null;
  readonly cups: readonly CupState[];
  readonly tasters: readonly TasterState[];
  /** Code of each bowl to its cup, after what was swapped. */
  readonly cupOf: Readonly<Record<string, number>>;
  readonly swaps: readonly {
    readonly a: string;
    readonly b: string;
    readonly at: number;
    readonly by: Taster;
  }[];
  readonly revealed: number | null;
  readonly stopped: string | null;
};

/** An exercise as what happened has left it. Pure: the server and every page fold the same list to the same table. */
export function foldTasting(e: Exercise, events: readonly TastingEvent[]): Tasting {
  const undone = new Set(events.flatMap((x) => (x.act.kind === 'undo' ? [x.act.of] : [])));
  const cups = e.cups.map((c): CupState => ({
    grams: c.plan.grams,
    water: c.plan.water,
    poured: null,
    pulled: null,
    excluded: null,
    solids: null,
    colour: null,
  }));
  const tasters = e.tasters.map((t): TasterState => ({
    ...t,
    sheets: {},
    order: null,
    choice: null,
    handedIn: null,
    enteredBy: null,
    left: null,
  }));
  const cupOf: Record<string, number> = Object.fromEntries(
    e.cups.flatMap((c, i) => c.codes.map((code) => [code, i])),
  );
  const swaps: Tasting['swaps'][number][] = [];
  let [started, revealed, stopped]: [number | null, number | null, string | null] = [
    null,
    null,
    null,
  ];
  const pouredAtStart = isPouredAtStart(scheduleFor(e).kind);
  const cup = (i: number, change: Partial<CupState>) => {
    const c = cups[i];
    if (c) cups[i] = { ...c, ...change };
  };
  const taster = (id: string, change: (t: TasterState) => Partial<TasterState>) => {
    const i = tasters.findIndex((t) => t.id === id);
    const t = tasters[i];
    if (t) tasters[i] = { ...t, ...change(t) };
  };
  for (const { id, at, by, act } of events) {
    if (undone.has(id)) continue;
    switch (act.kind) {
      case 'start':
        started ??= at;
        e.cups.forEach(({ plan }, i) => {
          if (isColdCup(plan)) cup(i, { poured: at - plan.seconds * 1000, pulled: at });
          else if (pouredAtStart) cup(i, { poured: at });
        });
        break;
      case 'pour':
        cup(act.cup, { poured: at });
        break;
      case 'pull':
        cup(act.cup, { pulled: at });
        break;
      case 'weigh':
        cup(act.cup, { grams: act.grams, water: act.water });
        break;
      case 'measure':
        cup(act.cup, {
          ...(act.solids !== undefined && { solids: act.solids }),
          ...(act.colour && { colour: act.colour }),
        });
        break;
      case 'exclude':
        cup(act.cup, { excluded: act.reason });
        break;
      case 'swap': {
        const [a, b] = [cupOf[act.a], cupOf[act.b]];
        if (a !== undefined && b !== undefined) {
          cupOf[act.a] = b;
          cupOf[act.b] = a;
          swaps.push({ a: act.a, b: act.b, at, by });
        }
        break;
      }
      case 'leave':
        taster(act.taster, () => ({ left: act.reason }));
        break;
      case 'keep':
        taster(act.taster, (t) =>
          t.handedIn === null ? { sheets: { ...t.sheets, [act.code]: act.sheet } } : {},
        );
        break;
      case 'handIn':
        taster(act.taster, (t) =>
          t.handedIn === null
            ? {
                order: act.order,
                choice: act.choice,
                handedIn: at,
                enteredBy: by.id === t.id ? null : by,
                left: null,
              }
            : {},
        );
        break;
      case 'reveal':
        revealed ??= at;
        break;
      case 'stop':
        stopped ??= act.reason;
        break;
      case 'undo':
        break;
    }
  }
  const lifted = cups.every((c) => c.pulled !== null || c.excluded !== null);
  const stage: Stage = stageOf({ stopped, revealed, started, lifted });
  return { stage, started, cups, tasters, cupOf, swaps, revealed, stopped };
}

/** How far a tasting is. */
function stageOf({
  stopped,
  revealed,
  started,
  lifted,
}: {
  stopped: string | null;
  revealed: number | null;
  started: number | null;
  lifted: boolean;
}): Stage {
  if (stopped !== null) return 'stopped';
  if (revealed !== null) return 'revealed';
  if (started === null) return 'set';
  if (lifted) return 'tasting';
  return 'running';
}
