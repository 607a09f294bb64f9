/** Whole minutes from the beginning of the plan. */
export type Minute = number;
export type Span = { readonly from: Minute; readonly to: Minute };

/** Water of a fill in a kind of vessel, ml, and the whole glasses it gives: a rest under one serves nobody. */
export type PlanFill = { readonly water: number; readonly glasses: number };

/** What is planned as one: a tea by a method. Its hours are in minutes. */
export type PlanLine = {
  readonly id: string;
  /** Liquor in one glass, ml. */
  readonly serving: number;
  readonly earliest: Minute;
  readonly latest: Minute;
  /** Between these it is at its best; half way from best to each edge of the window. */
  readonly goodFrom: Minute;
  readonly goodTo: Minute;
  /** From lift until it is cold enough to pour. */
  readonly chill: Minute;
  readonly keep: Minute;
  readonly keepFrom: 'lift' | 'start';
  /** Fresh for so long after lift. */
  readonly fresh: Minute;
  /** From when it takes room in the fridge. */
  readonly fridge: 'all' | 'afterLift' | 'never';
  /** Fills that are offered, by kind of vessel. */
  readonly fills: Readonly<Record<string, readonly PlanFill[]>>;
  /** Glasses wanted at each service. */
  readonly demand: readonly number[];
};

export type PlanVessel = {
  readonly id: string;
  readonly kind: string;
  /** When it is not to be had. */
  readonly out: readonly Span[];
};

/** Drawn liquor that stands there when the plan begins. */
export type Standing = {
  readonly id: string;
  readonly line: string;
  readonly vessel: string;
  readonly glasses: number;
  /** Room it takes in the fridge, ml. */
  readonly water: number;
  readonly readyAt: Minute;
  readonly discardAt: Minute;
  readonly inFridge: boolean;
};

/** A batch that is as it is: put there by hand, or infusing already (begun before 0). */
export type Pin = {
  readonly id: string;
  readonly line: string;
  readonly vessel: string;
  /** One of the fills of its line in that kind of vessel, ml. */
  readonly water: number;
  readonly start: Minute;
  readonly lift: Minute;
};

/** What is to be planned. Lengths and moments are whole minutes, glasses are whole. */
export type PlanProblem = {
  /** To wash a vessel before it is filled again. */
  readonly wash: Minute;
  /** What the fridge holds: places, and ml of water; null: no limit. */
  readonly fridge: { readonly places: number | null; readonly water: number | null };
  /** When somebody's hands are there, in order. */
  readonly hands: readonly { readonly at: Minute; readonly preferred: boolean }[];
  /** In order. */
  readonly services: readonly Span[];
  /** Places of the fridge that a vessel of each kind takes. */
  readonly kinds: Readonly<Record<string, { readonly places: number }>>;
  readonly vessels: readonly PlanVessel[];
  readonly lines: readonly PlanLine[];
  readonly standing: readonly Standing[];
  readonly pins: readonly Pin[];
  /** Batches of the plan before: of plans that are as good as each other, the one that has most of them is taken. */
  readonly before?: readonly {
    readonly line: string;
    readonly vessel: string;
    readonly start: Minute;
    readonly lift: Minute;
  }[];
};

/** Glasses poured at a service, by its place in the list of services. */
export type Pour = { readonly service: number; readonly glasses: number };
export type PlannedBatch = {
  /** The pin it is, if it is one. */
  readonly pin: string | null;
  readonly line: string;
  readonly vessel: string;
  readonly water: number;
  readonly glasses: number;
  readonly start: Minute;
  readonly lift: Minute;
  readonly pours: readonly Pour[];
};
export type PouredStanding = {
  readonly id: string;
  readonly pours: readonly Pour[];
  readonly thrown: number;
};
export type Unmet = { readonly line: string; readonly service: number; readonly glasses: number };

/** How good a plan is: what comes first counts first, less is better. */
export type Merit = {
  /** Glasses that nobody gets. */
  readonly unmet: number;
  /** Liquor thrown out, ml. */
  readonly thrown: number;
  /** Minutes off their best, glass by glass. */
  readonly off: number;
  readonly batches: number;
  /** Starts and lifts outside the hours people would rather work. */
  readonly hands: number;
};
export type WeekPlan = {
  readonly merit: Merit;
  /** No plan is better than this. */
  readonly bound: Merit;
  /** True when no plan is better than this one. */
  readonly proven: boolean;
  readonly batches: readonly PlannedBatch[];
  readonly standing: readonly PouredStanding[];
  readonly unmet: readonly Unmet[];
};

/** Why pins cannot stand together, though they serve nobody. */
export type PinsRefused = {
  readonly why: 'vessel' | 'places' | 'litres';
  readonly at: Minute;
  readonly pins: readonly string[];
};
