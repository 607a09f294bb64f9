import { inColdVessel } from '#core/heat';
import type { SiteFacts } from '#core/recipes';
import { boilingOnLeaf, methodFor } from '#core/recipes';
import { styleOf } from '#core/styles';
import {
  type Around,
  cupsFor,
  type CupWish,
  type Factor,
  HAND_SECONDS,
  housePour,
  leafLessonAt,
  type LeafLessonId,
  leafPart,
  likeForLike,
  type PairAsks,
  type PlannedCup,
  type Schedule,
  scheduleFor,
  STANDARD_DOSE,
  standardPreparation,
  usualCupCount,
} from '#core/tastings';
import { lotInUse, recipeFor } from '#core/teas';
import { celsius, grams, minutesText } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Lot, Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';

// The set-up of a tasting: what was chosen, and what follows from it. Pure.

export type SetUpState = {
  readonly tea: Tea;
  readonly vessel: Vessel;
  readonly exercise: CupWish;
  /** The part of a lesson that the exercise is; null: it is none. */
  readonly lesson: { readonly id: LeafLessonId; readonly part: number } | null;
  /** What a pair asks. */
  readonly asks: PairAsks;
  readonly count: number;
  /** Made by the standard preparation; else by the house recipe. */
  readonly standard: boolean;
  /** The lot that was picked; null: the one that suits the exercise. */
  readonly lotId: string | null;
  /** The figures as they follow from the choices, or as somebody changed them. */
  readonly cups: { readonly kind: 'computed' } | Own;
  readonly tasters: readonly string[];
  /** Seats for guests, who come in by a code. */
  readonly guests: number;
  /** Whoever sets it up has said that cups which are not like for like are meant so. */
  readonly meant: boolean;
};
type Own = { readonly kind: 'own'; readonly cups: readonly PlannedCup[] };
export type SetUpEvent =
  | { readonly type: 'exercisePicked'; readonly exercise: CupWish }
  | { readonly type: 'partPicked'; readonly part: number }
  | { readonly type: 'teaPicked'; readonly tea: Tea }
  | { readonly type: 'vesselPicked'; readonly vessel: Vessel }
  | { readonly type: 'countPicked'; readonly count: number }
  | { readonly type: 'standardPicked'; readonly standard: boolean }
  | { readonly type: 'asksPicked'; readonly asks: PairAsks }
  | { readonly type: 'lotPicked'; readonly lotId: string }
  | { readonly type: 'cupsChanged'; readonly cups: readonly PlannedCup[] }
  | { readonly type: 'cupsReset' }
  | { readonly type: 'tasterTouched'; readonly id: string }
  | { readonly type: 'guestsPicked'; readonly guests: number }
  | { readonly type: 'meantSet'; readonly meant: boolean };

const ofPart = (lesson: NonNullable<SetUpState['lesson']>) => {
  const { exercise, asks } = leafPart(lesson.id, lesson.part);
  return { exercise, lesson, asks, count: usualCupCount(exercise) };
};
/** What is set up first: a lesson where one was asked for, a dial-in of a lot that was, else a ladder of time. */
function exerciseFirst({
  lesson,
  lotId,
}: {
  lesson: LeafLessonId | null;
  lotId: string | null;
}): Pick<SetUpState, 'exercise' | 'lesson' | 'asks' | 'count'> {
  if (lesson) return ofPart({ id: lesson, part: 0 });
  const exercise: CupWish = { kind: lotId ? 'dialIn' : 'ladder', way: 'seconds' };
  return { exercise, lesson: null, asks: 'strength', count: usualCupCount(exercise) };
}
export const firstSetUp = (given: {
  tea: Tea;
  vessel: Vessel;
  lotId: string | null;
  lesson: LeafLessonId | null;
  taster: string;
}): SetUpState => ({
  tea: given.tea,
  vessel: given.vessel,
  ...exerciseFirst(given),
  standard: false,
  lotId: given.lotId,
  cups: { kind: 'computed' },
  tasters: [given.taster],
  guests: 0,
  meant: false,
});

/** Another choice makes the cups anew: figures changed by hand were of the cups before. */
const computedAnew = { cups: { kind: 'computed' }, meant: false } as const;
/** Another exercise is no part of the lesson any more. */
const anotherExercise = { ...computedAnew, lesson: null } as const;
export function setUpReducer(state: SetUpState, event: SetUpEvent): SetUpState {
  switch (event.type) {
    case 'exercisePicked': {
      const count = usualCupCount(event.exercise);
      return { ...state, ...anotherExercise, exercise: event.exercise, count };
    }
    case 'partPicked':
      return state.lesson
        ? { ...state, ...computedAnew, ...ofPart({ ...state.lesson, part: event.part }) }
        : state;
    case 'teaPicked':
      return { ...state, ...computedAnew, tea: event.tea, lotId: null };
    case 'vesselPicked':
      return { ...state, ...computedAnew, vessel: event.vessel };
    case 'countPicked':
      return { ...state, ...anotherExercise, count: event.count };
    case 'standardPicked':
      return { ...state, ...anotherExercise, standard: event.standard };
    case 'asksPicked':
      return { ...state, asks: event.asks };
    case 'lotPicked':
      return { ...state, lotId: event.lotId };
    case 'cupsChanged':
      return { ...state, cups: { kind: 'own', cups: event.cups }, meant: false };
    case 'cupsReset':
      return { ...state, ...computedAnew };
    case 'tasterTouched': {
      const { id } = event;
      const tasters = state.tasters.includes(id)
        ? state.tasters.filter((t) => t !== id)
        : [...state.tasters, id];
      return { ...state, tasters };
    }
    case 'guestsPicked':
      return { ...state, guests: event.guests };
    case 'meantSet':
      return { ...state, meant: event.meant };
  }
}

/** What is dialled in is the lot that came last; all else is tasted of the one in use. */
function lotOf({ tea, lotId, exercise }: SetUpState): Lot | null {
  const picked = tea.lots.find((l) => l.id === lotId);
  if (picked) return picked;
  const newest = exercise.kind === 'dialIn' ? tea.lots.find((l) => l.state === 'new') : undefined;
  return newest ?? lotInUse(tea);
}
/** The cup that all others differ from. */
function houseCup({ standard, vessel }: SetUpState, version: Version, site: SiteFacts): PlannedCup {
  if (!standard) return housePour(version.recipe, vessel.mark);
  const onLeaf = boilingOnLeaf(vessel, site, grams((vessel.mark * STANDARD_DOSE) / 100));
  return standardPreparation(vessel.mark, onLeaf.cold);
}
/** Another tea's cup in the same vessel, by its own recipe. */
const cupOfTea = (tea: Tea, vessel: Vessel): PlannedCup | null => {
  const recipe = (recipeFor(tea, methodFor(vessel))?.house ?? tea.house)?.recipe;
  return recipe ? housePour(recipe, vessel.mark) : null;
};
/** Other teas that can stand beside this one in the vessel, those of its own family first. */
export const otherTeas = (
  { tea, vessel }: Pick<SetUpState, 'tea' | 'vessel'>,
  teas: readonly Tea[],
) => {
  const { family } = styleOf(tea.style);
  return teas
    .filter((other) => other.id !== tea.id && !other.retired)
    .flatMap((other) => {
      const cup = cupOfTea(other, vessel);
      return cup ? [{ name: other.name, cup, near: styleOf(other.style).family === family }] : [];
    })
    .sort((a, b) => Number(b.near) - Number(a.near) || a.name.localeCompare(b.name));
};
/** What of the book and the site some comparisons begin with. */
function aroundOf(
  state: SetUpState,
  house: PlannedCup,
  site: SiteFacts,
  teas: readonly Tea[],
): Around {
  const { tea, vessel } = state;
  return {
    lots: tea.lots.map(({ name }) => name),
    teas: otherTeas(state, teas),
    notWarmed: Math.round(
      inColdVessel(celsius(house.celsius), {
        ...{ water: grams(house.water), material: vessel.material, capacity: vessel.brim },
        ...{ leaf: grams(house.grams), leafAt: site.ambient },
      }),
    ),
  };
}
/** The cups as they follow from the choices. */
function computedCups(
  { exercise, lesson, count, vessel }: SetUpState,
  house: PlannedCup,
  { recipe }: Version,
  site: SiteFacts,
  around: Around,
): readonly PlannedCup[] {
  if (!lesson) return cupsFor(house, recipe, exercise, count, around);
  return leafPart(lesson.id, lesson.part).cups(leafLessonAt(house, vessel, site));
}

/** The first cup of teas side by side is the tea that was picked. */
const withOwnName =
  ({ tea }: SetUpState) =>
  (cup: PlannedCup): PlannedCup =>
    cup.made?.of === 'tea' && cup.made.name === ''
      ? { ...cup, made: { of: 'tea', name: tea.name } }
      : cup;

/** What follows from the choices: recipe, lot, cups and how they are run. */
export function planOf(state: SetUpState, site: SiteFacts, teas: readonly Tea[] = []) {
  const { tea, vessel, exercise } = state;
  const { kind, way, compares } = exercise;
  // Only teas with a house recipe are offered.
  const version = (recipeFor(tea, methodFor(vessel))?.house ?? tea.house) as Version;
  const house = houseCup(state, version, site);
  const worked =
    state.cups.kind === 'own'
      ? state.cups.cups
      : computedCups(state, house, version, site, aroundOf(state, house, site, teas));
  const cups = worked.map(withOwnName(state));
  const alike = likeForLike(cups, way, compares);
  /** Its cups should differ in one thing alone. */
  const comparesOne = kind !== 'dialIn' && kind !== 'calibration';
  return {
    version,
    house,
    cups,
    lot: lotOf(state),
    alike,
    comparesOne,
    asksWhy: comparesOne && (alike.alsoDiffers.length > 0 || alike.same),
    schedule: scheduleFor({
      kind,
      way,
      compares,
      cups: cups.map((plan) => ({ plan, codes: [] })),
    }),
  };
}
export type SetUpPlan = ReturnType<typeof planOf>;

/** Seats for guests: a calibration has none, it is about those who work here. */
export const guestsOf = ({ guests, exercise }: SetUpState): number =>
  exercise.kind === 'calibration' ? 0 : guests;

/** What still stands between the choices and a tasting. */
export type Readiness = 'ready' | 'noTaster' | 'notMeant';
export function readinessOf(state: SetUpState, plan: SetUpPlan): Readiness {
  if (state.tasters.length + guestsOf(state) === 0) return 'noTaster';
  return plan.asksWhy && !state.meant ? 'notMeant' : 'ready';
}

export const changedCup = (
  cups: readonly PlannedCup[],
  at: number,
  change: Partial<PlannedCup>,
): readonly PlannedCup[] => cups.map((c, i) => (i === at ? { ...c, ...change } : c));
export const changedFigure = (
  cups: readonly PlannedCup[],
  at: number,
  factor: Factor,
  value: number,
) => changedCup(cups, at, { [factor]: value });

const firstPull = ({ moments }: Schedule): number => moments.find((m) => m.act === 'pull')?.at ?? 0;
/** How the cups are run on one clock, in words. */
export function clockWords(schedule: Schedule, cups: number): string {
  const length = minutesText(schedule.length);
  switch (schedule.kind) {
    case 'inTurn':
      return `One leaf, one vessel: each steep is poured off into its own bowl and water goes on again at once, ${length} in all. The first bowls are kept covered.`;
    case 'onePot':
      return `One pot. From ${minutesText(firstPull(schedule))} the bowls are filled one after the other, the first before the second.`;
    case 'oneClock':
      return `Water on all ${cups} in one pass; each is poured off at its own time, the last at ${length}.`;
    case 'together':
      return cups === 1
        ? `One cup, lifted ${length} from the start.`
        : `Starts are counted back, so that all are lifted ${HAND_SECONDS} s apart and tasted together, ${length} from the start.`;
  }
}
/** Moments too close for two hands, in words; empty when there are none. */
export function tightWords({ tight }: Schedule): string {
  if (tight.length === 0) return '';
  const moments = tight.length === 1 ? 'One moment lies' : `${tight.length} moments lie`;
  return `${moments} closer than ${HAND_SECONDS} s to the one before: take a second hand.`;
}
