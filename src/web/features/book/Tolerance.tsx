import { useEffect, useMemo, useState } from 'react';
import { densityOf, gramsPerSpoon, houseBrew, spoonSpread } from '#core/recipes';
import { measureOf } from '#core/teas';
import { attentionOf, type ErrorSource, type Scatter, type Study, USUAL } from '#core/tolerance';
import { numberText } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import { usePullsQuery } from '../../entities/brews/api';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { LevelMark } from '../../ui/LevelMark';
import { studyTolerance } from './tolerance/tolerance';

const SEED = 20_260_601;
type Way = readonly [name: string, scatter: Scatter];
/** By spoon, as this tea's own spoons scatter where they were weighed one by one; and by a scale. */
function waysOf(tea: Tea): { ways: readonly [Way, Way]; spoon: string; measured: boolean } {
  const { spoon, weighing } = measureOf(tea);
  const spread = weighing && spoonSpread(weighing);
  const each = weighing ? gramsPerSpoon(densityOf(weighing), spoon) : null;
  const scatter: Scatter = spread
    ? { kind: 'normal', sd: Math.max(0.01, spread.sd / spread.mean), share: true }
    : USUAL.spoon;
  return {
    ways: [
      [`with a ${spoon.heaped ? 'heaped' : 'level'} spoon`, scatter],
      ['with a 0.1 g scale', USUAL.scale],
    ],
    measured: spread !== null,
    spoon:
      each === null
        ? ''
        : `This ${spoon.name} of this tea is ${numberText(each)} g${spread ? ` ±${numberText((spread.sd / spread.mean) * each, 2)}` : ''}. `,
  };
}
/** What to mend, by the error that spreads the cups most. */
const MEND: Readonly<Record<ErrorSource, string>> = {
  leaf: 'weigh the leaf',
  temperature: 'mind the heat',
  time: 'mind the clock',
};

type Shown = { studies: (Study | null)[]; share: number };

/** "Is a spoon good enough for this tea?": how much its cups differ with the errors of a bar. */
export function ToleranceOf({ tea, version }: { tea: Tea; version: Version }) {
  const [shown, setShown] = useState<Shown>({ studies: [], share: 0 });
  const [slow, setSlow] = useState(false);
  const { recipe } = version;
  const { data: pulls } = usePullsQuery(tea.id);
  const { ways, spoon: spoonWords, measured } = useMemo(() => waysOf(tea), [tea]);
  const time = useMemo(() => pulls && attentionOf(pulls.errors), [pulls]);
  useEffect(() => {
    if (!time) return;
    let over = false;
    const brew = houseBrew(tea, recipe);
    setShown({ studies: [], share: 0 });
    setSlow(false);
    const timer = setTimeout(() => setSlow(true), 300);
    const runs = ways.map(([, leaf], i) =>
      studyTolerance(brew, { leaf, temperature: USUAL.kettle, time }, SEED, (share) => {
        if (!over) setShown((s) => ({ ...s, share: (i + share) / ways.length }));
      }),
    );
    Promise.all(runs.map((r) => r.result)).then(
      (studies) => {
        if (!over) setShown({ studies, share: 1 });
      },
      () => undefined,
    );
    return () => {
      over = true;
      clearTimeout(timer);
      runs.forEach((r) => r.stop());
    };
  }, [tea, recipe, time, ways]);
  const [spoon, scale] = shown.studies;
  const progressWords = slow ? `Brewing 40 000 cups: ${Math.round(shown.share * 100)} %` : '';
  return (
    <div className="mt-4" data-testid="tolerance">
      <h2>
        Is a spoon good enough?
        <small>
          heat ±5 °C;{' '}
          {time?.kind === 'normal'
            ? `lifting times as measured here: ±${Math.round(time.sd)} s in ${pulls?.errors.length} pulls`
            : 'the clock ±15 s, as usual: too few pulls here to tell'}
        </small>
      </h2>
      {/* Rulers and lines stand from the start: what is below does not move when the answer comes. */}
      <p className="text-[17px] font-semibold min-h-[4lh] sm:min-h-[2lh]">
        {spoon && scale ? `${spoonWords}${verdictOf(spoon, scale)}` : progressWords}
      </p>
      <div className="spreads">
        {ways.map(([name], i) => (
          <SpreadRow key={name} name={name} study={shown.studies[i] ?? null} />
        ))}
      </div>
      <p className="small">
        Bracket: two cups in three. {predictionBasis(tea)}; spoon{' '}
        {measured ? 'as weighed here' : '±20 %, as usual'}, scale ±0.1 g. Half a step of strength is
        just noticed.
      </p>
    </div>
  );
}

/** A spoon that spoils this share of cups more than a scale is worth weighing against. */
const WORTH_WEIGHING = 0.08;
const inTen = (share: number) => Math.round(share * 10);
function verdictOf(spoon: Study, scale: Study): string {
  const [a, b] = [inTen(spoon.noticeable), inTen(scale.noticeable)];
  const apart = spoon.noticeable - scale.noticeable;
  if (a <= 1)
    return `Good enough: by spoon about ${a === 0 ? 'no' : 'one'} cup in ten is off by what one notices.`;
  if (apart >= WORTH_WEIGHING)
    return `Weigh it: by spoon about ${a} cups in 10 are noticeably off, weighed about ${b === 0 ? 'none' : b}. Then ${MEND[scale.mendFirst.strength]}.`;
  return `The spoon is good enough: about ${a} cups in 10 are noticeably off by spoon, ${b === a ? 'and as many weighed' : `${b} weighed`}. First ${MEND[spoon.mendFirst.strength]}.`;
}

const WIDTH = 300;
/** One way of measuring leaf; its rulers are bare until it has been studied. */
function SpreadRow({ name, study }: { name: string; study: Study | null }) {
  return (
    <>
      <b>{name}</b>
      <div>
        <SpreadLine of="strength" spread={study?.strength ?? null} />
        <span className="small">
          strength
          {study && ` ±${study.strength.sd.toFixed(2)}, ${MEND[study.mendFirst.strength]} first`}
        </span>
      </div>
      <div>
        <SpreadLine of="bitterness" spread={study?.bitterness ?? null} />
        <span className="small">bitterness{study && ` ±${study.bitterness.sd.toFixed(2)}`}</span>
      </div>
    </>
  );
}

function SpreadLine({
  of,
  spread,
}: {
  of: 'strength' | 'bitterness';
  spread: Study['strength'] | null;
}) {
  const x = (v: number) => 2 + (v / 10) * (WIDTH - 4);
  return (
    <svg
      width={WIDTH}
      height="26"
      viewBox={`0 0 ${WIDTH} 26`}
      role="img"
      aria-label={
        spread
          ? `${of} ${spread.mean.toFixed(1)} of 10, give or take ${spread.sd.toFixed(2)}`
          : `${of}, not known yet`
      }
    >
      <path d={`M0 16H${WIDTH}`} stroke="var(--line-2)" strokeWidth="1.5" />
      {spread && (
        <>
          <path
            d={`M${x(spread.mean - spread.sd)} 15v-6H${x(spread.mean + spread.sd)}v6`}
            fill="none"
            stroke="var(--accent)"
            strokeWidth="2.5"
          />
          <LevelMark x={x(spread.mean)} y={15.5} size={10} />
        </>
      )}
    </svg>
  );
}
