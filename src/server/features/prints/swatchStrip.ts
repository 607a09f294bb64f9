import { CUP_DEPTH_CM, hexOf } from '#core/colour';
import { colourRungs } from '#core/recipes';
import { minutesText, numberText, temperatureText } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import { dayOnPaper, onSheets, type Paper } from './page';

const [WIDTH, HEIGHT, MARGIN] = [210, 99, 10];
/** Greys that must print without a tint, L*. */
const GREYS = [85, 70, 55, 40] as const;

/**
 * A third of an A4: the colours of a tea along its steep, with their figures, greys to check the printer by, and what
 * to make of it.
 */
export function swatchStrip(tea: Tea, version: Version, site: Site, now: number): Promise<Buffer> {
  const { recipe } = version;
  const measured = tea.swatches;
  const depth = measured?.depthCm ?? CUP_DEPTH_CM;
  const rungs = colourRungs(tea, recipe, depth);
  return onSheets(WIDTH, HEIGHT, { title: `${tea.name}: colours`, author: '' }, [
    (p: Paper) => {
      const right = WIDTH - MARGIN;
      p.text(tea.name, MARGIN, MARGIN - 3, { face: 'book', size: 6.4 });
      p.text(
        `${numberText(recipe.dose, 2)} g per 100 ml, ${temperatureText(recipe.temperature, site.temperatureUnit)} on the leaf, ${numberText(depth, 1)} cm deep in white. ${measured ? `Measured by ${measured.by}, ${dayOnPaper(measured.at, site)}.` : `Predicted, not measured; ${dayOnPaper(now, site)}.`}`,
        MARGIN,
        MARGIN + 5.4,
        { size: 3.1, width: right - MARGIN },
      );
      const wide = (right - MARGIN) / rungs.length;
      rungs.forEach((r, i) => {
        const x = MARGIN + i * wide;
        p.path(`M0 0h${wide - 1.5}v34h${1.5 - wide}z`, x, 22, { fill: hexOf(r.lab), stroke: 0.2 });
        p.text(`${minutesText(r.seconds)}${r.house ? ', house' : ''}`, x, 57, {
          face: r.house ? 'bold' : 'sans',
          size: 3.6,
        });
        p.text(r.lab.map((v) => numberText(v, 0)).join('  '), x, 61.4, { size: 2.8 });
      });
      p.text('L* a* b*', right, 65.4, { size: 2.5, align: 'right' });
      GREYS.forEach((l, i) =>
        p.path('M0 0h9v9h-9z', MARGIN + i * 10, 71, { fill: hexOf([l, 0, 0]), stroke: 0.2 }),
      );
      p.text(
        'Printers and screens change colours. These greys must look grey under the lamp where you taste: if they look pink, green or blue, the colours beside them are wrong too. Lay the strip beside a real house cup before you trust it; the cup is right, not the paper. Keep it out of the sun.',
        MARGIN + 44,
        70.4,
        { size: 3.1, width: right - MARGIN - 44 },
      );
    },
  ]);
}
