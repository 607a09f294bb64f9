import type { ReactNode } from 'react';
import type { DrillFacts, LessonId } from '#core/training';
import { ColdHotLesson, DiluteLesson, DiscardLesson, ServiceLesson } from './coldPages';
import {
  AsWrittenLesson,
  HeatFirstLesson,
  InHandLesson,
  LeafOrMinutesLesson,
  OneThingLesson,
  TwoThingsLesson,
  WordsLesson,
} from './correctPages';
import { ClockLesson, ColourLesson } from './cupPages';
import { HeatLesson, LineLesson, SpoonLesson } from './shelfPages';
import {
  AlikeLesson,
  AskFirstLesson,
  EnoughLesson,
  SilenceLesson,
  TasteLesson,
} from './teachPages';
import {
  AgainLesson,
  EveryPotLesson,
  FourTimesLesson,
  PacketLesson,
  PotHeatLesson,
  RoomLesson,
  TenMinutesLesson,
  TurnsLesson,
  TwoHeatsLesson,
} from './weekPages';

/** One page of a lesson; its caution stands first. */
export type LessonContent = {
  readonly caution: string | null;
  readonly Content: (given: { readonly facts: DrillFacts }) => ReactNode;
};

const RESCUES = [
  ['Too strong', 'Add hot water, a little at a time.'],
  ['Too weak, the leaf is at hand', 'Put the leaf back for a short time.'],
  ['One cup is weak, one is strong', 'Mix the two cups.'],
  ['Weak and bitter', 'Brew a new cup. Nothing corrects this cup.'],
] as const;
function RescueLesson() {
  return (
    <>
      <p>Taste before you serve. You can often correct a wrong cup within a minute.</p>
      <table className="skill-table mt-4">
        <thead>
          <tr>
            <th scope="col">The cup is</th>
            <th scope="col">What to do</th>
          </tr>
        </thead>
        <tbody>
          {RESCUES.map(([cup, act]) => (
            <tr key={cup}>
              <th scope="row">{cup}</th>
              <td>{act}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-4">
        Water makes a cup weaker in every way. A cup that is weak and bitter only becomes weaker.
      </p>
    </>
  );
}

const SCALDS = 'Boiling water and steam scald. Set a hot basket on a saucer.';
const OWN_SPOON =
  'Taste with your own spoon and cup, and spit if you taste many. Ask for allergens first.';
const COLD_FOOD =
  'Cold tea is food: covered, labelled, at the back of the fridge. The local food code decides. In doubt, throw the tea out.';

export const LESSON_PAGES: Readonly<Record<LessonId, LessonContent>> = {
  spoon: { caution: null, Content: SpoonLesson },
  line: {
    caution: 'Boiling water and steam scald. Warm a glass before hot water goes in: glass cracks.',
    Content: LineLesson,
  },
  heat: {
    caution:
      'Boiling water and steam scald. Pour away from you. Lift a lid at its far edge first. If somebody is scalded, cool the skin under running water and call the lead.',
    Content: HeatLesson,
  },
  clock: {
    caution: 'A lifted basket drips hot water. Set a hot basket on a saucer.',
    Content: ClockLesson,
  },
  colour: { caution: null, Content: ColourLesson },
  rescue: {
    caution: 'Taste with your own spoon and cup. Ask a guest about allergens before you mix teas.',
    Content: RescueLesson,
  },
  everyPot: { caution: null, Content: EveryPotLesson },
  packet: { caution: null, Content: PacketLesson },
  potHeat: { caution: SCALDS, Content: PotHeatLesson },
  fourTimes: { caution: `${SCALDS} ${OWN_SPOON}`, Content: FourTimesLesson },
  twoHeats: { caution: `${SCALDS} ${OWN_SPOON}`, Content: TwoHeatsLesson },
  room: { caution: `${SCALDS} ${OWN_SPOON}`, Content: RoomLesson },
  turns: { caution: SCALDS, Content: TurnsLesson },
  again: { caution: SCALDS, Content: AgainLesson },
  tenMinutes: { caution: SCALDS, Content: TenMinutesLesson },
  dilute: { caution: COLD_FOOD, Content: DiluteLesson },
  service: { caution: COLD_FOOD, Content: ServiceLesson },
  discard: { caution: COLD_FOOD, Content: DiscardLesson },
  coldHot: { caution: COLD_FOOD, Content: ColdHotLesson },
  words: { caution: OWN_SPOON, Content: WordsLesson },
  asWritten: { caution: null, Content: AsWrittenLesson },
  leafOrMinutes: { caution: null, Content: LeafOrMinutesLesson },
  heatFirst: { caution: null, Content: HeatFirstLesson },
  oneThing: { caution: null, Content: OneThingLesson },
  inHand: {
    caution: 'Hot liquor scalds: put the cup down before you pour into it.',
    Content: InHandLesson,
  },
  twoThings: { caution: null, Content: TwoThingsLesson },
  alike: { caution: OWN_SPOON, Content: AlikeLesson },
  askFirst: { caution: `${SCALDS} ${OWN_SPOON}`, Content: AskFirstLesson },
  silence: { caution: `${SCALDS} ${OWN_SPOON}`, Content: SilenceLesson },
  tongue: { caution: OWN_SPOON, Content: TasteLesson },
  enough: { caution: null, Content: EnoughLesson },
};
