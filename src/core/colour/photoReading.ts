import { CUP_DEPTH_CM, hexOf, type Lab, labOf, labOfLinear, type Liquor } from './appearance';
import { deltaE00, distance } from './difference';
import { diluted } from './liquor';
import { type CupAt, linearMedian, liquorPatch, type Patch, type Pixels, rimPatch } from './patch';
import { checkPhoto, type PhotoCheck, type PhotoFault, readAgainst, rimCorrected } from './photo';
import { type ColourVerdict, strengthFromColour, strengthVerdict } from './reading';

export type PhotoAsk = {
  readonly picture: Pixels;
  readonly sample: CupAt;
  /** The target brew in the same picture; null: by the rim alone. */
  readonly reference: CupAt | null;
  /** What the reference should be: the house cup. */
  readonly target: Liquor;
  readonly depthCm: number | null;
};
export type CheckName = 'size' | 'bright' | 'light' | 'colour' | 'even' | 'gamut' | 'depth';
/** One thing that was looked at: in order, to be minded, or not met, with its figure in words. */
export type Checked = {
  readonly name: CheckName;
  readonly state: 'inOrder' | 'minded' | 'notMet';
  readonly words: string;
};
export type PhotoReading =
  | {
      readonly kind: 'read';
      readonly way: 'reference' | 'rim';
      /** Strength against the house cup: 1.14 is 14 % stronger; the range holds it about two times in three. */
      readonly strength: number;
      readonly low: number;
      readonly high: number;
      readonly verdict: Exclude<ColourVerdict, 'refuse' | 'uninformative'>;
      /** The sample as it was made out, its swatch, and the reference's; how far they look apart, dE00. */
      readonly lab: Lab;
      readonly swatch: string;
      readonly referenceSwatch: string;
      readonly apart: number;
      readonly checks: readonly Checked[];
    }
  | {
      readonly kind: 'refused';
      readonly why: 'checks' | 'tooDark' | 'tooPale' | 'offCurve';
      readonly checks: readonly Checked[];
      readonly swatch: string | null;
    };

/** Beside a reference both readings have noise; by the rim alone light, depth and camera add to it (docs/colour.md). */
const REFERENCE_NOISE = Math.SQRT2;
const RIM_EXTRA = 0.08;
/** A lamp and a phone move a colour by less than this (npm run bench:colour). */
const ANOTHER_TEA = 30;
/** Darker than this, the trouble is too much colour, not too little. */
const DARK = 45;

type Seen = {
  readonly liquor: Patch;
  readonly rim: Patch;
  readonly left: Patch | null;
  readonly right: Patch | null;
};
function samplePatches(p: Pixels, c: CupAt): Seen | null {
  const [liquor, rim] = [liquorPatch(p, c), rimPatch(p, c)];
  return liquor && rim
    ? { liquor, rim, left: rimPatch(p, c, 'left'), right: rimPatch(p, c, 'right') }
    : null;
}
const faultsOf = (s: Seen, depthKnown: boolean): PhotoCheck[] =>
  checkPhoto({
    rimMedian:
      s.left && s.right
        ? (s.left.median.map((v, i) => (v + (s.right?.median[i] ?? v)) / 2) as unknown as [
            number,
            number,
            number,
          ])
        : s.rim.median,
    rimBurnt: s.rim.burnt,
    otherRimGreen: s.right?.median[1] ?? null,
    liquorBurnt: s.liquor.burnt,
    liquorBlack: s.liquor.black,
    liquorSdL: s.liquor.sdL,
    liquorSidesL: s.liquor.sidesL,
    depthKnown,
  });
const percent = (v: number) => `${Math.round(v * 100)} %`;

/** The checks as rows: each says what was found, and what to do where it is not met. */
function rowsOf(
  cups: readonly Seen[],
  faults: readonly PhotoCheck[],
  byReference: boolean,
): Checked[] {
  const has = (f: PhotoFault) => faults.some((x) => x.fault === f);
  const worst = (f: PhotoFault): Checked['state'] => {
    if (!has(f)) return 'inOrder';
    if (
      faults.some(
        (x) =>
          x.fault === f &&
          (x.severity === 'reject' || (x.severity === 'referenceOnly' && !byReference)),
      )
    )
      return 'notMet';
    return 'minded';
  };
  const rims = cups.flatMap((s) =>
    s.left && s.right
      ? [
          Math.abs(s.left.median[1] - s.right.median[1]) /
            ((s.left.median[1] + s.right.median[1]) / 2),
        ]
      : [],
  );
  const brightest = Math.max(...cups.map((s) => Math.max(...s.rim.median)));
  const fewest = Math.min(...cups.map((s) => s.liquor.pixels));
  return [
    {
      name: 'light',
      state: worst('unevenLight'),
      words: `One light on both sides${rims.length ? `, within ${percent(Math.max(...rims))}` : ''}${worst('unevenLight') === 'notMet' ? ': turn so that no shadow falls across a cup' : ''}`,
    },
    {
      name: 'bright',
      state: has('tooBright') || has('tooDark') || has('highlight') ? 'notMet' : 'inOrder',
      words: brightWords(has, brightest),
    },
    {
      name: 'colour',
      state: worst('colouredLight'),
      words: lightWords(worst),
    },
    {
      name: 'even',
      state: worst('unevenLiquor'),
      words: has('unevenLiquor')
        ? 'The liquor is not even: a mirror, a leaf, or the circle lies over the edge'
        : 'Even liquor',
    },
    {
      name: 'gamut',
      state: worst('outsideGamut'),
      words: has('outsideGamut')
        ? 'More colour than the camera can tell: less sure'
        : 'Inside what the camera can tell',
    },
    {
      name: 'depth',
      state: worst('depthMissing'),
      words: has('depthMissing') ? 'Say how deep the liquor is' : 'Depth known',
    },
    {
      name: 'size',
      state: 'inOrder',
      words: `Large enough, ${Math.round(2 * Math.sqrt(fewest / Math.PI))} px across`,
    },
  ];
}

/** What is said of the brightness. */
function brightWords(has: (f: PhotoFault) => boolean, brightest: number) {
  if (has('tooDark')) return `Too dark: the rim is ${brightest} of 255. More light`;
  if (has('tooBright')) return `Burnt out: the rim is ${brightest} of 255. Less exposure`;
  if (has('highlight')) return 'A lamp is mirrored in the liquor: move it, or the camera';
  return `Nothing burnt out, brightest ${brightest} of 255`;
}

/** What is said of the light. */
function lightWords(worst: (f: PhotoFault) => Checked['state']) {
  if (worst('colouredLight') === 'notMet')
    return 'Coloured light: only a reference cup in the same picture can be read by it';
  if (worst('colouredLight') === 'minded') return 'Coloured light: read against the cup beside it';
  return 'White light';
}

/**
 * Reads how strong a cup is from a picture, beside a reference cup or by its rim; refuses where colour says nothing.
 */
export function readPhoto({ picture, sample, reference, target, depthCm }: PhotoAsk): PhotoReading {
  const [own, ref] = [
    samplePatches(picture, sample),
    reference ? samplePatches(picture, reference) : null,
  ];
  if (!own || (reference && !ref))
    return {
      kind: 'refused',
      why: 'checks',
      swatch: null,
      checks: [
        {
          name: 'size',
          state: 'notMet',
          words:
            'Too small, or over the edge of the picture: go nearer, or draw the circle on the liquor',
        },
      ],
    };
  const cups = ref ? [own, ref] : [own];
  const faults = cups.flatMap((s) => faultsOf(s, depthCm !== null));
  const checks = rowsOf(cups, faults, ref !== null);
  const raw = rimCorrected(linearMedian(own.liquor), linearMedian(own.rim));
  const swatch = hexOf(labOfLinear(linearMedian(own.liquor)));
  if (checks.some((c) => c.state === 'notMet'))
    return { kind: 'refused', why: 'checks', checks, swatch };
  const depth = depthCm ?? CUP_DEPTH_CM;
  const model = labOf(target, depth);
  const seen = ref ? rimCorrected(linearMedian(ref.liquor), linearMedian(ref.rim)) : null;
  // A reference that is nothing like the house cup is another tea, or its circle lies elsewhere.
  if (seen && distance(seen, model) > ANOTHER_TEA)
    return { kind: 'refused', why: 'offCurve', checks, swatch };
  const lab = seen ? readAgainst(model, raw, seen) : raw;
  const found = strengthFromColour(target, lab, depth);
  const verdict = strengthVerdict({ ...found, error: found.error * (seen ? REFERENCE_NOISE : 1) });
  if (verdict === 'uninformative')
    return { kind: 'refused', why: lab[0] < DARK ? 'tooDark' : 'tooPale', checks, swatch };
  if (verdict === 'refuse') return { kind: 'refused', why: 'offCurve', checks, swatch };
  const error = seen ? found.error * REFERENCE_NOISE : Math.hypot(found.error, RIM_EXTRA);
  return {
    kind: 'read',
    way: seen ? 'reference' : 'rim',
    strength: found.value,
    low: found.value * Math.exp(-error),
    high: found.value * Math.exp(error),
    verdict,
    lab,
    swatch: hexOf(lab),
    referenceSwatch: hexOf(model),
    apart: deltaE00(lab, model),
    checks,
  };
}

const DEPTHS = [3.5, 3, 2.5, 2, 1.5, 1.2, 1, 0.8, 0.6, 0.5] as const;
/** A reading so sure is worth taking. */
const GOOD = 0.1;
/** Strengths that a shallow layer should tell apart: the house cup, and cups far too dark for a deep one. */
const DARK_CUPS = [1, 2, 4, 6] as const;
/** The deepest layer under `below` at which the house cup and cups far over it can be read; null when none is. cm */
export function readableDepth(target: Liquor, below: number): number | null {
  return (
    DEPTHS.find(
      (d) =>
        d < below &&
        DARK_CUPS.every((s) => {
          const r = strengthFromColour(target, labOf(diluted(target, s), d), d);
          return !r.edge && r.error * REFERENCE_NOISE < GOOD;
        }),
    ) ?? null
  );
}
