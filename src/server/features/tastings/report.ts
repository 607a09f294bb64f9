import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import type { Tasting } from '#core/tastings';
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
  seatedAt,
  type TastingEvent,
  type TastingUnits,
  valueText,
} from '#core/tastings';
import { capital, numberText } from '#core/units';
import { dayOnPaper, onSheets } from '../prints';
import { HEIGHT, info, WIDTH } from '../prints';
import { type Writer, writerOn } from '../prints';
import type { PaperSite } from './paperSite';
import type { Found } from './repository';

type Report = {
  readonly page: Writer;
  readonly f: Found;
  readonly now: Tasting;
  readonly units: TastingUnits;
};

/** The result on one page: words, what was marked, each taster, how sure. */
export function reportOf(
  f: Found,
  events: readonly TastingEvent[],
  site: PaperSite,
): Promise<Buffer> {
  const now = foldTasting(f.t.exercise, events);
  const result = resultOf(f.t.exercise, now);
  const { label } = EXERCISES[f.t.exercise.kind];
  return onSheets(WIDTH, HEIGHT, info(`${label}: ${f.tea.name}`), [
    (p) => {
      const page = writerOn(p);
      page.para(f.tea.name, { face: 'book', size: 9 });
      page.para(`${label}${runWords(f, now, site)}`, { size: 3.6, after: 5 });
      writeResult({ page, f, now, units: site.units }, result);
      page.para(
        'Marks are against the house cup as the tasters know it. It says what this table marked, and no more.',
        { size: 2.9 },
      );
    },
  ]);
}

/** When, where and by whom it was run, and how many sheets came in. */
function runWords(f: Found, now: Tasting, site: PaperSite): string {
  const submitted = now.tasters.filter((x) => x.handedIn !== null).length;
  return `${f.lot ? `, ${f.lot}` : ''}, ${dayOnPaper(f.t.at, site)}, ${f.t.vessel.name}, recipe ${f.version.number}. Run by ${f.setBy.name}; ${submitted} of ${seatedAt(now).length} tasters submitted a sheet.`;
}

function writeResult(report: Report, result: ReturnType<typeof resultOf>) {
  switch (result.kind) {
    case 'ladder':
      return ladderPart(report, result);
    case 'choice':
      return choicePart(report, result);
    case 'cups':
      return cupsPart(report, result);
    case 'calibration':
      return calibrationPart(report, result);
  }
}

function cupNameOf(f: Found, cup: number): string {
  const plan = f.t.exercise.cups[cup]?.plan;
  return (plan && cupName(plan)) || `cup ${cup + 1}`;
}

/** What a ladder found: where an attribute begins, what to do, each taster. */
function ladderPart({ page, f, units }: Report, l: LadderResult) {
  const { para, table } = page;
  const { way } = f.t.exercise;
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

/** What a comparison or a round found: mean marks, and each cup beside the first. */
function cupsPart({ page, f, now, units }: Report, c: CupsResult) {
  const { para, table } = page;
  const { kind } = f.t.exercise;
  const nameOf = (cup: number) => cupNameOf(f, cup);
  if (kind === 'dialIn') {
    const round = roundOf(f.t.exercise, now);
    para(
      dialledIn(round) ? 'Right: every mark within half a step.' : capital(`${marksWords(round)}.`),
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

/** How each taster marks beside the others. */
function calibrationPart({ page }: Report, c: CalibrationResult) {
  const { para, table } = page;
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

/** How many chose right, and how likely that is by guessing. */
function choicePart({ page, f, units }: Report, c: ChoiceResult) {
  const { para, table } = page;
  const { way } = f.t.exercise;
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
