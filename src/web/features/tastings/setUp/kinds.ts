import { type CupWish, EXERCISES } from '#core/tastings';
import { exerciseName, WAY_WORDS } from '../cups';

/** Comparisons whose cups differ in something no figure says. */
const MADE = ['tea', 'lot', 'water', 'lid', 'warming', 'milk', 'glass'] as const;

export const KINDS: readonly { value: CupWish; text: string }[] = [
  { value: { kind: 'ladder', way: 'seconds' }, text: 'Ladder of time' },
  { value: { kind: 'ladder', way: 'grams' }, text: 'Ladder of leaf' },
  { value: { kind: 'ladder', way: 'celsius' }, text: 'Ladder of temperature' },
  { value: { kind: 'dialIn', way: 'seconds' }, text: 'Dial-in of a lot' },
  {
    value: {
      kind: 'comparison',
      way: 'seconds',
      compares: 'infuser',
      infusers: ['free', 'deep', 'ball', 'shallow'],
    },
    text: 'Infusers side by side',
  },
  {
    value: {
      kind: 'comparison',
      way: 'seconds',
      compares: 'infuser',
      infusers: ['free', 'flatbag', 'tetra', 'deep'],
    },
    text: 'A bag beside loose leaf',
  },
  { value: { kind: 'comparison', way: 'seconds', compares: 'steep' }, text: 'Steeps of one leaf' },
  {
    value: { kind: 'comparison', way: 'seconds', compares: 'stirring' },
    text: 'Stirred beside still',
  },
  { value: { kind: 'comparison', way: 'seconds', compares: 'poured' }, text: 'Cups of one pot' },
  { value: { kind: 'comparison', way: 'seconds', compares: 'hotCold' }, text: 'Hot beside cold' },
  ...MADE.map((compares) => ({
    value: { kind: 'comparison', way: 'seconds', compares } as const,
    text: exerciseName({ kind: 'comparison', way: 'seconds', compares }),
  })),
  { value: { kind: 'calibration', way: 'seconds' }, text: 'Calibration of tasters' },
  ...(['pair', 'triangle', 'duoTrio'] as const).flatMap((kind) =>
    (['seconds', 'grams', 'celsius'] as const).map((way) => ({
      value: { kind, way },
      text: `${EXERCISES[kind].label}: ${WAY_WORDS[way]} differs`,
    })),
  ),
];
