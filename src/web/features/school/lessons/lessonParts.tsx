import type { DrillFacts } from '#core/training';

/** What every page of a lesson gets: the house's own teas, vessels and limits. */
export type Given = { readonly facts: DrillFacts };
type Row = readonly (string | number)[];
/** Sentences that belong together. */
type Paragraph = readonly string[];

/** A small table of a lesson: the first cell of a row names it. */
export function Rows({ heads, rows }: { heads: readonly string[]; rows: readonly Row[] }) {
  return (
    <div className="overflow-auto mt-4">
      <table className="skill-table">
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, ...cells]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {cells.map((cell, i) => (
                <td key={i}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
export const Paragraphs = ({ children }: { children: readonly Paragraph[] }) =>
  children.map((sentences, i) => (
    <p key={i} className={i === 0 ? '' : 'mt-2'}>
      {sentences.join(' ')}
    </p>
  ));
/** A page of sentences alone. */
export const page =
  (...paragraphs: readonly Paragraph[]) =>
  () => <Paragraphs>{paragraphs}</Paragraphs>;
