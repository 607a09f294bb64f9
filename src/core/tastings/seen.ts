import { FIT_SCORES, type Seen } from '#core/fitting';
import { brewOfCup, type MadeOf } from './brew';
import { saysOfLeaf } from './difference';
import type { Exercise } from './exercise';
import type { Tasting } from './fold';
import { realCups } from './real';

/**
 * The cups of a table that was revealed, each as it was really made with the mean of its marks. What was left out is
 * not there.
 */
export function cupsSeen(
  e: Exercise,
  t: Tasting,
  of: MadeOf,
): (Seen & { readonly code: string; readonly n: number })[] {
  return realCups(e, t).flatMap((c) => {
    const cup = t.cups[c.cup];
    // A later steep says what the first left, not what the leaf gives.
    if (!cup || c.excluded !== null || (c.made.steep ?? 1) > 1) return [];
    if (!saysOfLeaf(c.made.made)) return [];
    // Guests mark what they like; only the house knows the house's cup.
    const sheets = t.tasters
      .filter((x) => x.guest === undefined && x.handedIn !== null)
      .flatMap((x) =>
        Object.entries(x.sheets)
          .filter(([code]) => t.cupOf[code] === c.cup)
          .map(([, s]) => s.marks),
      );
    const marks = Object.fromEntries(
      FIT_SCORES.flatMap((k) => {
        const given = sheets.flatMap((m) => m[k] ?? []);
        return given.length === 0
          ? []
          : [[k, given.reduce<number>((s, m) => s + m, 0) / given.length]];
      }),
    );
    if (Object.keys(marks).length === 0 && cup.solids === null && cup.colour === null) return [];
    const { character: _character, ...brew } = brewOfCup(of, c.made);
    return [
      {
        code: c.code,
        n: sheets.length,
        brew,
        marks,
        ...(cup.solids !== null && { solids: cup.solids }),
        ...(cup.colour && { colour: cup.colour }),
      },
    ];
  });
}
