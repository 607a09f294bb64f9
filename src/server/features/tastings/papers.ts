import { ATTRIBUTE_NAMES, ATTRIBUTES, MARKS } from '#core/corrections';
import { type Exercise, EXERCISES } from '#core/tastings';
import { dayOnPaper, onSheets, type Paper } from '../prints';
import { HEIGHT, info, MARGIN, RIGHT, WIDTH } from '../prints';
import type { PaperSite } from './paperSite';
import type { Found } from './repository';

/** Table tents: a code twice, head to head, so that a fold down the middle line stands it up. Nothing else is on it. */
export function tentsOf({ t }: Found): Promise<Buffer> {
  const codes = t.exercise.cups.flatMap((c) => c.codes);
  const [rows, high] = [3, (HEIGHT - 2 * MARGIN) / 3];
  const pages = Array.from({ length: Math.ceil(codes.length / rows) }, (_, n) =>
    codes.slice(n * rows, n * rows + rows),
  );
  return onSheets(
    WIDTH,
    HEIGHT,
    info('Table tents'),
    pages.map(
      (list) => (p: Paper) =>
        list.forEach((code, i) => {
          const y = MARGIN + i * high;
          const write = () =>
            p.text(code, WIDTH / 2 - p.widthOf(code, 'heavy', 30) / 2, y + high / 2 + 6, {
              face: 'heavy',
              size: 30,
            });
          write();
          p.halfTurn(WIDTH / 2, y + high / 2, write);
          for (let x = MARGIN; x < RIGHT; x += 4)
            p.line(x, y + high / 2, Math.min(RIGHT, x + 2), y + high / 2, 0.2);
          p.line(MARGIN, y + high, RIGHT, y + high, 0.2);
        }),
    ),
  );
}

/** A score sheet for each taster, cups in that taster's own order, for houses that taste on paper. */
export function sheetsOf({ t, tea }: Found, site: PaperSite): Promise<Buffer> {
  const e = t.exercise;
  const { asks, orders } = EXERCISES[e.kind];
  const choosing = asks === 'choice';
  const scoring = asks === 'scores';
  return onSheets(
    WIDTH,
    HEIGHT,
    info(`Score sheets, ${tea.name}`),
    e.tasters.map((taster) => (p: Paper) => {
      const served = e.servings[taster.id] ?? [];
      p.text(tea.name, MARGIN, MARGIN, { face: 'book', size: 8 });
      p.text(
        `${taster.name}, ${dayOnPaper(t.at, site)}. ${choosing ? 'Taste from left to right, water between.' : `${scoring ? 'Circle how strong it is, whether you like it or not' : 'Look first, then leaf, smell, taste. Tick one word a row'}; leave a row empty if you are not sure.`}`,
        MARGIN,
        MARGIN + 11,
        { size: 3.6, width: RIGHT - MARGIN },
      );
      if (choosing) {
        const wide = (RIGHT - MARGIN) / served.length;
        served.forEach((code, i) => {
          p.text(code, MARGIN + i * wide + 6, 60, { face: 'heavy', size: 16 });
          p.path('M0 0h10v10h-10z', MARGIN + i * wide + 12, 84, { stroke: 0.5 });
        });
        p.text(choiceWords(e), MARGIN, 104, { size: 4.4, width: RIGHT - MARGIN });
      } else {
        const high = Math.min(40, (HEIGHT - 2 * MARGIN - 54) / served.length);
        served.forEach((code, i) => {
          const y = 34 + i * high;
          p.line(MARGIN, y, RIGHT, y, 0.4);
          p.text(code, MARGIN, y + 3, { face: 'heavy', size: 10 });
          ATTRIBUTE_NAMES.forEach((a, j) => {
            const row = y + 2.5 + j * ((high - 4) / 5);
            p.text(ATTRIBUTES[a].label, 44, row, { face: 'bold', size: 3.4 });
            if (scoring)
              p.text('0   1   2   3   4   5   6   7   8   9   10', 68, row, { size: 3.4 });
            else
              [...MARKS].reverse().forEach((m, k) => {
                p.path('M0 0h3v3h-3z', 68 + k * 26, row, { stroke: 0.25 });
                p.text(ATTRIBUTES[a].words[m], 72.5 + k * 26, row - 0.2, { size: 3.2 });
              });
          });
        });
        if (orders)
          p.text('From weakest to strongest:', MARGIN, HEIGHT - MARGIN - 18, {
            face: 'bold',
            size: 4.2,
          });
        if (orders)
          served.forEach((_, i) =>
            p.line(
              MARGIN + i * 30,
              HEIGHT - MARGIN - 2,
              MARGIN + i * 30 + 24,
              HEIGHT - MARGIN - 2,
              0.4,
            ),
          );
      }
      p.text(
        'Hot liquor scalds. Ask about allergens before tasting.',
        MARGIN,
        HEIGHT - MARGIN + 2,
        { size: 2.9 },
      );
    }),
  );
}

/** What is asked of a taster who must choose. */
function choiceWords(e: Exercise) {
  if (e.kind === 'triangle')
    return 'Two are the same tea. Tick the odd one. You must choose, even if it is a guess.';
  if (e.kind === 'duoTrio') return 'Tick the one that is the same as the reference.';
  if (e.asks === 'preferred') return 'Tick the one you like better.';
  return `Tick the one with more: ${ATTRIBUTES[e.asks].label.toLowerCase()}.`;
}
