import type { ReactNode } from 'react';
import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import { liquorOfCup } from '#core/tastings';
import type { OpenTasting } from '#contracts/tastings';
import { Cup } from '../../entities/teas/Cup';

/** What every row is about: a cup of the tasting as it was poured. */
type Row = {
  /** Its number in the tasting, from 0. */
  readonly cup: number;
  /** How long it really steeped, s; null where nobody knows. */
  readonly seconds: number | null;
  readonly excluded: string | null;
};
type Column<R> = { readonly head: string; readonly cell: (row: R) => ReactNode };
type Props<R extends Row> = {
  view: OpenTasting;
  /** The table's name for those who do not see it. */
  label: string;
  rows: readonly R[];
  /** Width of the drawn cup, px. */
  size?: number;
  name: (row: R) => ReactNode;
  /** Between the cup and its attributes. */
  columns: readonly Column<R>[];
  mark: (row: R, attribute: Attribute) => ReactNode;
  /** Behind the attributes. */
  last?: Column<R>;
};

/** The cups of a tasting, a row each: drawn, named, and what was found for each attribute. */
export function CupTable<R extends Row>({
  view,
  label,
  rows,
  size = 40,
  name,
  columns,
  mark,
  last,
}: Props<R>) {
  const brewed = { tea: view.tea, recipe: view.version.recipe, vessel: view.vessel };
  const drawing = ({ cup, seconds }: Row) => {
    const plan = view.exercise.cups[cup]?.plan;
    if (!plan) return null;
    return <Cup size={size} liquor={liquorOfCup(brewed, plan, seconds ?? plan.seconds)} />;
  };
  return (
    <div className="wide-table" tabIndex={0} role="group" aria-label={label}>
      <table className="grid-table plain compared">
        <thead>
          <tr>
            <th className="l" colSpan={2}>
              cup
            </th>
            {columns.map((c) => (
              <th key={c.head}>{c.head}</th>
            ))}
            {ATTRIBUTE_NAMES.map((a) => (
              <th key={a}>{ATTRIBUTES[a].label.toLowerCase()}</th>
            ))}
            {last && <th className="l">{last.head}</th>}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.cup} className={row.excluded ? 'out' : ''}>
              <td className="l">{drawing(row)}</td>
              <td className="l">{name(row)}</td>
              {columns.map((c) => (
                <td key={c.head}>{c.cell(row)}</td>
              ))}
              {ATTRIBUTE_NAMES.map((a) => (
                <td key={a}>{mark(row, a)}</td>
              ))}
              {last && <td className="l small">{last.cell(row)}</td>}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
