import { deltaE00, hexOf, labOf } from '#core/colour';
import { numberText } from '#core/units';
import type { MeasuredColour as Measured, Tea } from '#contracts/teas';
import { houseLiquorOf } from '../../entities/teas/liquor';

/** The house's own measured colour beside the predicted one, at the same depth, with how far apart they are. */
export function MeasuredColour({
  tea,
  colour: { lab, depthCm, light },
}: {
  tea: Tea;
  colour: Measured;
}) {
  const predicted =
    tea.house && light === 'D65'
      ? labOf(houseLiquorOf({ style: tea.style, fitted: tea.fitted }, tea.house.recipe), depthCm)
      : null;
  return (
    <p className="flex items-center gap-3" data-testid="measured-colour">
      <span className="swatch-pair" aria-hidden="true">
        <i style={{ background: hexOf(lab) }} />
        {predicted && <i style={{ background: hexOf(predicted) }} />}
      </span>
      <span>
        Measured L {numberText(lab[0])}, a {numberText(lab[1])}, b {numberText(lab[2])} through{' '}
        {numberText(depthCm, 2)} cm under {light}.
        {predicted
          ? ` Predicted beside it, ${numberText(deltaE00(lab, predicted))} apart (CIEDE2000).`
          : ' Predicted colours are for D65 only.'}
      </span>
    </p>
  );
}
