import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES, MARKS } from '#core/corrections';
import {
  adviceOf,
  type CalibrationResult,
  calibrationWords,
  chanceText,
  type ChoiceResult,
  comparedWords,
  cupName,
  type CupsResult,
  cupWords,
  dialledIn,
  type Exercise,
  EXERCISES,
  foldTasting,
  headlineOf,
  housePour,
  howSure,
  type LadderResult,
  marksWords,
  type Ordering,
  resultOf,
  roundOf,
  type TastingEvent,
  type TastingUnits,
  valueText,
} from '#core/tastings';
import { capital, numberText } from '#core/units';
import { dayOnPaper, onSheets, type Paper } from '../prints';
import type { Found } from './repository';

const [WIDTH, HEIGHT, MARGIN] = [210, 297, 14];
const RIGHT = WIDTH - MARGIN;
const info = (title: string) => ({ title, author: '' });

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
export function sheetsOf({ t, tea }: Found): Promise<Buffer> {
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
        `${taster.name}, ${dayOnPaper(t.at)}. ${choosing ? 'Taste from left to right, water between.' : `${scoring ? 'Circle how strong it is, whether you like it or not' : 'Look first, then leaf, smell, taste. Tick one word a row'}; leave a row empty if you are not sure.`}`,
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

/** The result on one page: words, what was marked, each taster, how sure. */
export function reportOf(
  f: Found,
  events: readonly TastingEvent[],
  units: TastingUnits,
): Promise<Buffer> {
  const now = foldTasting(f.t.exercise, events);
  const r = resultOf(f.t.exercise, now);
  const { way, kind } = f.t.exercise;
  const label = EXERCISES[kind].label;
  return onSheets(WIDTH, HEIGHT, info(`${label}: ${f.tea.name}`), [
    (p) => {
      let y = MARGIN;
      const para = (
        words: string,
        o: { face?: 'sans' | 'bold' | 'book'; size: number; after?: number },
      ) => {
        const face = o.face ?? 'sans';
        p.text(words, MARGIN, y, { face, size: o.size, width: RIGHT - MARGIN });
        y += p.heightOf(words, { face, size: o.size, width: RIGHT - MARGIN }) + (o.after ?? 2);
      };
      para(f.tea.name, { face: 'book', size: 9 });
      para(
        `${label}${f.lot ? `, ${f.lot}` : ''}, ${dayOnPaper(f.t.at)}, ${f.t.vessel.name}, recipe ${f.version.number}. Run by ${f.setBy.name}; ${now.tasters.filter((x) => x.handedIn !== null).length} of ${now.tasters.length} tasters submitted a sheet.`,
        { size: 3.6, after: 5 },
      );
      const table = (
        heads: readonly string[],
        rows: readonly (readonly string[])[],
        xs: readonly number[],
      ) => {
        heads.forEach((h, i) => p.text(h, xs[i] ?? MARGIN, y, { size: 3.1 }));
        y += 5;
        p.line(MARGIN, y, RIGHT, y, 0.4);
        for (const row of rows) {
          row.forEach((cell, i) =>
            p.text(cell, xs[i] ?? MARGIN, y + 1.4, { size: 3.5, face: i === 0 ? 'bold' : 'sans' }),
          );
          y += 6.4;
          p.line(MARGIN, y, RIGHT, y, 0.15);
        }
        y += 5;
      };
      function ladder(l: LadderResult) {
        const target = housePour(f.version.recipe, f.t.exercise.cups[0]?.plan.water ?? 100)[way];
        const head = headlineOf(l.attributes.bitterness, 'bitterness', way, target, units);
        para(`${head.strong}${head.rest}`, { face: 'bold', size: 5.4, after: 4 });
        const advice = adviceOf(
          l,
          way,
          { target, latest: way === 'seconds' ? f.version.recipe.window.latest : null },
          units,
        );
        para(`${advice.headline} ${advice.reason}`, { size: 4.2, after: 5 });
        table(
          ['cup', 'as it was', ...ATTRIBUTE_NAMES.map((a) => ATTRIBUTES[a].label)],
          l.cups.map((c) => [
            c.code,
            c.excluded ?? valueText(way, c.value, units),
            ...ATTRIBUTE_NAMES.map((a) => {
              const n = l.attributes[a].counts.find((x) => x.cup === c.cup);
              return n && n.n > 0 ? `${n.little} / ${n.right} / ${n.much}` : '';
            }),
          ]),
          [14, 34, 66, 94, 122, 150, 176],
        );
        para('Counts are too little / right / too much.', { size: 2.9, after: 5 });
        table(
          ['taster', 'order by strength', 'Kendall tau', 'first bitter at'],
          l.tasters.map((x) => {
            const first = x.firstOver.bitterness;
            return [
              x.name,
              orderWords(x),
              x.ordering ? numberText(x.ordering.tau, 2) : '',
              first === null || first === undefined ? 'never' : valueText(way, first, units),
            ];
          }),
          [14, 64, 118, 150],
        );
        para('How sure', { face: 'bold', size: 4.2, after: 1 });
        para(howSure(l, 'bitterness', way, target, units).join(' '), { size: 3.6, after: 5 });
      }
      const nameOf = (i: number): string => {
        const plan = f.t.exercise.cups[i]?.plan;
        return (plan && cupName(plan)) || `cup ${i + 1}`;
      };
      function cups(c: CupsResult) {
        if (kind === 'dialIn') {
          const round = roundOf(f.t.exercise, now);
          para(
            dialledIn(round)
              ? 'Right: every mark within half a step.'
              : capital(`${marksWords(round)}.`),
            { face: 'bold', size: 5.4, after: 4 },
          );
        } else {
          const head = comparedWords(c, nameOf);
          para(`${head.strong}${head.rest}`, { face: 'bold', size: 5.4, after: 4 });
        }
        table(
          ['cup', 'what', ...ATTRIBUTE_NAMES.map((a) => ATTRIBUTES[a].label)],
          c.cups.map((x) => [
            x.code,
            x.excluded ?? (kind === 'dialIn' ? cupWords(x.made, units.temperature) : nameOf(x.cup)),
            ...ATTRIBUTE_NAMES.map((a) => {
              const m = x.marks[a];
              return m ? `${numberText(m.mean)} (${m.little}/${m.right}/${m.much})` : '';
            }),
          ]),
          [14, 28, 86, 110, 134, 158, 180],
        );
        para(
          'Mean mark against the house cup, 0 is right; in brackets how many called it too little, right, too much.',
          { size: 2.9, after: 5 },
        );
        const told = c.beside
          .filter((b) => b.higher + b.lower > 0)
          .sort((a, b) => a.chance - b.chance)
          .slice(0, 8);
        if (kind !== 'dialIn' && told.length > 0)
          table(
            ['beside the first', 'in', 'more', 'less', 'p, exact sign test'],
            told.map((b) => [
              nameOf(b.cup),
              ATTRIBUTES[b.attribute].label.toLowerCase(),
              String(b.higher),
              String(b.lower),
              chanceText(b.chance),
            ]),
            [14, 64, 104, 124, 144],
          );
      }
      function calibration(c: CalibrationResult) {
        const head = calibrationWords(c);
        para(`${head.strong}${head.rest}`, { face: 'bold', size: 5.4, after: 4 });
        table(
          ['taster', ...ATTRIBUTE_NAMES.map((a) => ATTRIBUTES[a].label)],
          c.tasters.map((x) => [
            x.name,
            ...ATTRIBUTE_NAMES.map((a) => {
              const v = x.against[a];
              return v
                ? `${numberText(v.bias)}${v.repeatability === null ? '' : ` / ${numberText(v.repeatability)}`}`
                : '';
            }),
          ]),
          [14, 54, 84, 114, 144, 170],
        );
        para(
          'Marks from the mean of the others / how far apart the two bowls of one cup were scored. A mark is 0.8 of the 0 to 10 scale.',
          { size: 2.9, after: 5 },
        );
        table(
          ['cup', ...ATTRIBUTE_NAMES.map((a) => ATTRIBUTES[a].label)],
          c.cups.map((x) => [
            x.excluded ? `${x.code}, ${x.excluded}` : x.code,
            ...ATTRIBUTE_NAMES.map((a) => (x.means[a] === null ? '' : numberText(x.means[a] ?? 0))),
          ]),
          [14, 54, 84, 114, 144, 170],
        );
      }
      function choice(c: ChoiceResult) {
        para(
          `${c.right} of ${c.n} chose right; by guessing as many or more: p = ${numberText(c.chance, 3)} (exact binomial).`,
          { face: 'bold', size: 5.4, after: 4 },
        );
        table(
          ['cup', 'as it was'],
          c.cups.map((x) => [x.code, valueText(way, x.value, units)]),
          [14, 64],
        );
        table(
          ['taster', 'chose', ''],
          c.tasters.map((x) => [x.name, x.choice, x.right ? 'right' : 'not this']),
          [14, 64, 100],
        );
        para(
          `Share right, 95 %, exact: ${Math.round(c.interval[0] * 100)} to ${Math.round(c.interval[1] * 100)} %. Fewer than ${c.fewest} can prove nothing at 0.05.`,
          { size: 3.6, after: 5 },
        );
      }

      if (r.kind === 'ladder') ladder(r);
      else if (r.kind === 'choice') choice(r);
      else if (r.kind === 'cups') cups(r);
      else calibration(r);
      para(
        'Marks are against the house cup as the tasters know it. It says what this table marked, and no more.',
        { size: 2.9 },
      );
    },
  ]);
}

/** How well somebody ordered the cups. */
function orderWords(x: {
  readonly id: string;
  readonly name: string;
  readonly ordering: Ordering | null;
  readonly firstOver: Readonly<Partial<Record<Attribute, number | null>>>;
  readonly marked: number;
}) {
  if (x.ordering === null) return 'none';
  if (x.ordering.inversions === 0) return 'all right';
  return `${x.ordering.inversions} swapped`;
}
