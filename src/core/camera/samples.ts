import { type CupAt, diluted, type Pixels, standardCup } from '#core/colour';
import { seeded } from '#core/numeric';
import type { StyleId } from '#core/styles';
import { renderCups, type Shot } from './camera';

/** A made-up photo: reference left, sample right, or one cup alone. */
export type SamplePhoto = {
  readonly name: string;
  readonly style: StyleId;
  readonly strength: number;
  readonly alone: boolean;
  readonly depthCm: number;
  readonly shot: Shot;
};
const shot = (lamp: Shot['lamp'], exposure = -0.3, toneCurve = false): Shot => ({
  lamp,
  exposure,
  toneCurve,
  noise: 1.5,
});
/** The file of one that ships, under the web's root; made by `npm run samples`. */
export const sampleFile = (i: number): string => `/samples/${i + 1}.jpg`;
/** Ten photos to try it with: good ones, weak and strong, other lamps, and four that must be refused or doubted. */
export const SAMPLE_PHOTOS: readonly SamplePhoto[] = [
  {
    name: 'Golden black, a little strong, by the window',
    style: 'black-whole',
    strength: 1.15,
    alone: false,
    depthCm: 3.5,
    shot: shot('daylight'),
  },
  {
    name: 'Malty black, weak, late sun',
    style: 'black-broken',
    strength: 0.7,
    alone: false,
    depthCm: 3.5,
    shot: shot('warmDay'),
  },
  {
    name: 'Pan-fired green, strong, tungsten lamp',
    style: 'green-pan',
    strength: 1.4,
    alone: false,
    depthCm: 3.5,
    shot: shot('tungsten'),
  },
  {
    name: 'Dark oolong, as it should be, white LED',
    style: 'oolong-dark',
    strength: 1,
    alone: false,
    depthCm: 3.5,
    shot: shot('led'),
  },
  {
    name: 'Red bush, weak, a phone’s own colours',
    style: 'rooibos',
    strength: 0.75,
    alone: false,
    depthCm: 3.5,
    shot: shot('daylight', -0.3, true),
  },
  {
    name: 'Chamomile alone, by its rim',
    style: 'chamomile',
    strength: 1.3,
    alone: true,
    depthCm: 3.5,
    shot: shot('daylight'),
  },
  {
    name: 'Ripe dark tea, five times as strong: too dark',
    style: 'dark-ripe',
    strength: 5,
    alone: false,
    depthCm: 3.5,
    shot: shot('daylight'),
  },
  {
    name: 'White buds, a quarter: too pale',
    style: 'white',
    strength: 0.25,
    alone: false,
    depthCm: 3.5,
    shot: shot('daylight'),
  },
  {
    name: 'Golden black, burnt out',
    style: 'black-whole',
    strength: 1,
    alone: false,
    depthCm: 3.5,
    shot: shot('daylight', 1),
  },
  {
    name: 'Steamed green in the dark',
    style: 'green-steamed',
    strength: 1,
    alone: false,
    depthCm: 3.5,
    shot: shot('led', -4),
  },
];
/** The picture of one, always the same: its style's standard cup, and the sample beside it. */
export function renderSample(s: SamplePhoto, seed = 11): { picture: Pixels; at: CupAt[] } {
  const house = standardCup(s.style);
  const cup = { liquor: diluted(house, s.strength), depthCm: s.depthCm };
  return renderCups(
    s.alone ? [cup] : [{ liquor: house, depthCm: s.depthCm }, cup],
    s.shot,
    seeded(seed),
  );
}
