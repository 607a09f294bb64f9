import { type Attribute, ATTRIBUTES } from '#core/corrections';
import { capital, countWord as figure, numberText } from '#core/units';
import type { CalibrationResult, CupsResult } from './cups';

/** What a comparison showed beside its first cup: the clearest difference, then whether chance could do that. */
export function comparedWords(
  r: CupsResult,
  nameOf: (cup: number) => string,
): { strong: string; rest: string } {
  const first = r.cups.find((c) => c.excluded === null);
  const clearest = [...r.beside]
    .filter((b) => b.higher + b.lower > 0)
    .sort((a, b) => a.chance - b.chance || Math.abs(b.by) - Math.abs(a.by))[0];
  if (!first || r.beside.length === 0)
    return { strong: 'Too little was marked to compare.', rest: '' };
  if (!clearest)
    return {
      strong: 'Nobody marked any of them differently',
      rest: `: ${figure(r.n)} ${r.n === 1 ? 'taster' : 'tasters'}, every mark alike.`,
    };
  const more = clearest.by > 0;
  const side = more ? clearest.higher : clearest.lower;
  const all = clearest.higher + clearest.lower + clearest.alike;
  const attribute = ATTRIBUTES[clearest.attribute].label.toLowerCase();
  const alike = clearest.alike > 0 ? `, ${figure(clearest.alike)} marked them alike` : '';
  const chance = clearest.chance <= 0.05 ? 'more than chance' : 'chance could do that';
  return {
    strong: `${capital(nameOf(clearest.cup))}: ${more ? 'more' : 'less'} ${attribute} than ${nameOf(first.cup)}`,
    rest: ` for ${figure(side)} of ${figure(all)}${alike}: ${chance}.`,
  };
}
const marksText = (m: number): string =>
  `${numberText(m)} ${numberText(m) === '1' ? 'mark' : 'marks'}`;
/** Whom a calibration asks to look again, in what; or that nobody is far off. */
export function calibrationWords(r: CalibrationResult): { strong: string; rest: string } {
  const off = r.tasters
    .flatMap((t) =>
      Object.entries(t.against).flatMap(([a, x]) =>
        x
          ? x.flags.map((flag) => ({
              name: t.name,
              a: a as Attribute,
              flag,
              x,
              by: flag === 'bias' ? Math.abs(x.bias) : (x.repeatability ?? 0),
            }))
          : [],
      ),
    )
    .sort((p, q) => q.by - p.by);
  const worst = off[0];
  if (r.n < 2) return { strong: 'One taster has nobody to be compared with.', rest: '' };
  if (!worst)
    return {
      strong: 'Nobody is far off',
      rest: ': within half a mark of the others, and within one of themselves.',
    };
  const what = ATTRIBUTES[worst.a].label.toLowerCase();
  const side = worst.x.bias > 0 ? 'above' : 'below';
  return {
    strong:
      worst.flag === 'bias'
        ? `${worst.name} scores ${what} ${marksText(Math.abs(worst.x.bias))} ${side} the others`
        : `${worst.name} scored ${what} of one cup ${marksText(worst.by)} apart`,
    rest:
      off.length > 1
        ? `; ${figure(off.length - 1)} more ${off.length === 2 ? 'is' : 'are'} marked below.`
        : '. All else is within bounds.',
  };
}
