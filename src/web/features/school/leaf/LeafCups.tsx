import { useMemo } from 'react';
import { methodFor } from '#core/recipes';
import {
  cupName,
  type ExpectedCup,
  expectedCups,
  housePour,
  LEAF_LESSONS,
  leafLessonAt,
  type LeafLessonId,
  type LeafPart,
  liquorOfCup,
  valueText,
} from '#core/tastings';
import { recipeFor } from '#core/teas';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useSession, useUnits } from '../../../entities/people/session';
import { Cup } from '../../../entities/teas/Cup';

/** The cups of a lesson, part by part: how each is made and what it is expected to taste like. */
export function LeafCups(given: { lesson: LeafLessonId; tea: Tea; vessel: Vessel }) {
  const { parts } = LEAF_LESSONS[given.lesson];
  return (
    <>
      {parts.map((part) => (
        <PartCups key={part.name} part={part} isNamed={parts.length > 1} {...given} />
      ))}
      <p className="small mt-3">
        Strength and bitterness, 0 to 10, are what the model expects of this tea here.
      </p>
    </>
  );
}
const expectedText = (cup: ExpectedCup | undefined): string =>
  cup ? `${cup.strength.toFixed(1)} / ${cup.bitterness.toFixed(1)}` : '';
const FIGURES = ['grams', 'water', 'celsius', 'seconds'] as const;
function PartCups({
  part,
  isNamed,
  tea,
  vessel,
}: {
  part: LeafPart;
  isNamed: boolean;
  tea: Tea;
  vessel: Vessel;
}) {
  const { site } = useSession();
  const units = useUnits();
  const { of, cups, expected } = useMemo(() => {
    // Only teas with a house recipe are offered.
    const { recipe } = recipeFor(tea, methodFor(vessel))?.house ?? (tea.house as Version);
    const made = { tea, recipe, vessel };
    const planned = part.cups(leafLessonAt(housePour(recipe, vessel.mark), vessel, site));
    return { of: made, cups: planned, expected: expectedCups(made, planned) };
  }, [part, tea, vessel, site]);
  return (
    <div className="overflow-auto mt-4">
      {isNamed && <h3>{part.name}</h3>}
      <table className="grid-table plain rungs" aria-label={part.name}>
        <thead>
          <tr>
            <th className="l">expected colour</th>
            <th className="l">cup</th>
            <th>leaf</th>
            <th className="opt">water</th>
            <th>heat</th>
            <th>time</th>
            <th>strength / bitterness</th>
          </tr>
        </thead>
        <tbody>
          {cups.map((c, i) => (
            <tr key={i}>
              <td className="l">
                {/* What the steeps before have left is not drawn. */}
                {(c.steep ?? 1) === 1 && <Cup liquor={liquorOfCup(of, c, c.seconds)} size={46} />}
              </td>
              <td className="l">{cupName(c) || i + 1}</td>
              {FIGURES.map((f) => (
                <td key={f} className={f === 'water' ? 'opt' : ''}>
                  {valueText(f, c[f], units)}
                </td>
              ))}
              <td>{expectedText(expected[i])}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
