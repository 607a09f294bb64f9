import { useId } from 'react';
import type { Liquor } from '#core/colour';
import { hatchGap, lightnessOf, SEEN_AS, type SeenAs } from '#core/training';
import { numberText } from '#core/units';
import { Cup } from '../../entities/teas/Cup';
import { OneOf } from '../../ui/OneOf';

const NAMES: Readonly<Record<SeenAs, string>> = {
  colour: 'Colours',
  figures: 'Lightness as figures',
  hatching: 'Hatching',
  words: 'Taste in words',
};

/** Before and during any colour drill: colours, or another way to see the cups. */
export function SeenAsChoice({ seen, onSee }: { seen: SeenAs; onSee: (seen: SeenAs) => void }) {
  return (
    <OneOf
      label="How the cups are shown"
      options={SEEN_AS.map((value) => ({ value, words: NAMES[value] }))}
      chosen={seen}
      onChoose={onSee}
    />
  );
}

export type CupToSee = { readonly liquor: Liquor; readonly words: string };

/** What a screen reader says of a cup as it is shown; '' where it is shown by its colour alone. */
export function seenText({ liquor, words }: CupToSee, seen: SeenAs): string {
  switch (seen) {
    case 'colour':
      return '';
    case 'figures':
    case 'hatching':
      return `lightness ${numberText(lightnessOf(liquor), 1)}`;
    case 'words':
      return words;
  }
}

/** One cup of a colour drill, in the way that was chosen. */
export function SeenCup({
  cup,
  seen,
  among,
  size,
  label,
}: {
  cup: CupToSee;
  seen: SeenAs;
  /** The cups it is compared with. */
  among: readonly CupToSee[];
  size: number;
  label?: string;
}) {
  switch (seen) {
    case 'colour':
      return <Cup liquor={cup.liquor} size={size} label={label} />;
    case 'figures':
      return (
        <span className="light-figure" style={{ width: size, height: size }}>
          {numberText(lightnessOf(cup.liquor), 1)}
        </span>
      );
    case 'hatching':
      return <HatchedCup {...{ cup, among, size }} />;
    case 'words':
      return <span className="cup-in-words">{cup.words}</span>;
  }
}

/** A cup as lines: the closer, the darker. */
function HatchedCup({
  cup,
  among,
  size,
}: {
  cup: CupToSee;
  among: readonly CupToSee[];
  size: number;
}) {
  const key = useId();
  const gap = hatchGap(
    lightnessOf(cup.liquor),
    among.map((other) => lightnessOf(other.liquor)),
  );
  const centre = size / 2;
  return (
    <svg width={size} height={size} viewBox={`0 0 ${size} ${size}`} aria-hidden="true">
      <defs>
        <pattern
          id={key}
          width={gap}
          height={gap}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d={`M0 0V${gap}`} stroke="#14191d" strokeWidth="2.4" />
        </pattern>
      </defs>
      <circle className="cup-wall" cx={centre} cy={centre} r={centre - 0.75} />
      <circle cx={centre} cy={centre} r={centre - 4} fill={`url(#${key})`} />
    </svg>
  );
}
