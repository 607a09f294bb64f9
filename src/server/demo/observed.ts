import type { Clarity, Observed } from '#core/brews';
import type { Verdict } from '#core/corrections';
import { pick, type Random } from '#core/numeric';
import type { StyleId } from '#core/styles';

/** Somebody notes the clarity of so many judged cups, and words for so many. */
const LOOKED = 0.4;
const SAID = 0.25;
/** Steamed and shaded leaf breaks into fine dust: its cups are hazy more often. */
const FINE: readonly StyleId[] = ['green-steamed', 'green-shaded'];
const HAZY_FINE = 0.5;
const HAZY = 0.06;
const LEAF = ['whole', 'even', 'broken', 'half open', 'fully open', 'coppery', 'olive'];

function clarityOf(random: Random, style: StyleId): Clarity {
  const chance = random();
  const hazy = FINE.includes(style) ? HAZY_FINE : HAZY;
  if (chance > hazy) return 'clear';
  return chance > hazy / 8 ? 'hazy' : 'cloudy';
}
/** Words that go with the marks, so that a search finds what the marks say too. */
const wordsFor = ({ strength, bitterness, astringency }: Verdict): string[] => [
  ...(strength < 0 ? ['thin'] : []),
  ...(strength > 0 ? ['body'] : []),
  ...(bitterness > 0 ? ['stewed'] : []),
  ...(astringency > 0 ? ['dry'] : []),
];

/** What was noted of a judged cup beside its marks; null: nothing. */
export function imitateObserved(
  random: Random,
  verdict: Verdict | null | undefined,
  style: StyleId,
): Observed | null {
  const [looks, says] = [random() < LOOKED, random() < SAID];
  const clarity = clarityOf(random, style);
  const leaf = pick(random, LEAF);
  if (!verdict || (!looks && !says)) return null;
  return {
    clarity: looks ? clarity : null,
    words: says ? wordsFor(verdict) : [],
    leaf: says ? [leaf] : [],
  };
}
