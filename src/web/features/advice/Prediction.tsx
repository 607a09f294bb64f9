import { ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import { numberText, signedText } from '#core/units';
import type { TeaAdvice } from '#contracts/advice';

/** What was expected of a version that was made from such advice, beside what its cups showed. */
export function Prediction({
  prediction: { version, cups, expected, seen },
}: {
  prediction: NonNullable<TeaAdvice['prediction']>;
}) {
  const judged = cups === 1 ? '1 judged cup' : `${cups === 0 ? 'no' : cups} judged cups`;
  return (
    <section aria-label={`Version ${version} as expected and as seen`} className="mt-4">
      <h2>
        Version {version}
        <small>made from this advice; {judged} so far</small>
      </h2>
      <table className="grid-table plain">
        <thead>
          <tr>
            <th className="l" />
            <th>Expected</th>
            <th>Seen</th>
          </tr>
        </thead>
        <tbody>
          {ATTRIBUTE_NAMES.map((attribute) => {
            const { mean, sd } = expected[attribute];
            const shown = seen[attribute];
            return (
              <tr key={attribute}>
                <th scope="row" className="l">
                  {ATTRIBUTES[attribute].label}
                </th>
                <td>
                  {signedText(mean)} ± {numberText(1.96 * sd, 1)}
                </td>
                <td>{shown ? `${signedText(shown.mean)} in ${shown.cups}` : 'not yet'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
