import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { colourOfBrew } from '#core/colour';
import {
  bestRescue,
  houseTaste,
  rescued,
  type RescueTask,
  rescueTask,
  type RescueTaskKind,
  scoreRescue,
} from '#core/corrections';
import { brewCup } from '#core/cup';
import { seeded } from '#core/numeric';
import { houseBrew, type Recipe } from '#core/recipes';
import { cupWords, differenceWords } from '#core/taste';
import { capital, grams, millilitres, minutesText, numberText, volumeText } from '#core/units';
import type { Tea } from '#contracts/teas';
import { DifferenceBars, differenceSentence } from '../../entities/brews/DifferenceBars';
import { useUnits } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { TeaPick } from '../../entities/teas/TeaPick';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { Rule } from '../../ui/Rule';

const KINDS: readonly { value: RescueTaskKind | 'any'; text: string }[] = [
  { value: 'any', text: 'anything' },
  { value: 'over', text: 'over-steeped' },
  { value: 'weak', text: 'too weak' },
  { value: 'blend', text: 'two to blend' },
  { value: 'extract', text: 'an extract to let down' },
];
const MUG = {
  kind: 'mug' as const,
  brim: millilitres(420),
  mark: millilitres(250),
  basket: null,
  infuser: 'free' as const,
  material: 'porcelain' as const,
};
const freshSeed = () => Math.floor(Math.random() * 2 ** 31);

/** Made-up cups to rescue: an answer first, then what it would come to; nothing real is poured away. */
export function RescuePage() {
  const { data: book } = useBookQuery();
  const [params] = useSearchParams();
  if (!book)
    return (
      <main className="page">
        <Loading what="the book" />
      </main>
    );
  const teas = book.teas.filter((t) => !t.retired && t.house);
  const first = teas.find((t) => t.id === params.get('tea')) ?? teas[0];
  if (!first)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/book">
              To the book
            </Link>
          }
        >
          The book has no tea with a house recipe yet.
        </Nothing>
      </main>
    );
  return <Trainer teas={teas} first={first} seed={Number(params.get('seed')) || freshSeed()} />;
}

function Trainer({ teas, first, seed: from }: { teas: readonly Tea[]; first: Tea; seed: number }) {
  const [tea, setTea] = useState(first);
  const [kind, setKind] = useState<RescueTaskKind | 'any'>('any');
  const [seed, setSeed] = useState(from);
  const [done, setDone] = useState<readonly ('right' | 'near' | 'off')[]>([]);
  const { recipe } = tea.house as { recipe: Recipe };
  const task = useMemo(
    () => rescueTask(houseBrew(tea, recipe), seeded(seed), kind === 'any' ? undefined : kind),
    [tea, recipe, seed, kind],
  );
  return (
    <main className="page split rescue-page">
      <h1 className="visually-hidden">Rescue a cup</h1>
      <div className="say">
        <span>Rescue</span>
        <PickList
          label="Fault"
          shown={KINDS.find((k) => k.value === kind)?.text ?? ''}
          chosen={kind}
          choices={KINDS}
          onPick={setKind}
        />
        <span>of</span>
        <TeaPick tea={tea} teas={teas} onPick={setTea} />
        <span className="gap" />
        <span className="small text-[16px]">
          simulated, nothing is poured away
          {done.length > 0
            ? ` · ${done.filter((d) => d === 'right').length} of ${done.length} right`
            : ''}
        </span>
      </div>
      <OneTask
        key={`${tea.id}${seed}${kind}`}
        task={task}
        tea={tea}
        onScored={(s) => setDone((d) => [...d, s])}
        onNext={() => setSeed((s) => s + 1)}
      />
    </main>
  );
}

/** What is asked, in words. */
function question(t: RescueTask, volume: (ml: number) => string): { fault: string; asks: string } {
  const late = t.brew.time !== t.house.time;
  const made = late
    ? `${minutesText(t.brew.time)} on the leaf instead of ${minutesText(t.house.time)}`
    : `${numberText((t.brew.leaf / t.house.leaf - 1) * 100, 0)} % too much leaf`;
  switch (t.kind) {
    case 'over':
      return {
        fault: `${volume(t.volume)} in the cup, ${made}.`,
        asks: 'How much hot water goes in?',
      };
    case 'weak':
      return {
        fault: `Lifted after ${minutesText(t.brew.time)} instead of ${minutesText(t.house.time)}; the leaf is at hand and still warm.`,
        asks: 'For how long does the leaf go back?',
      };
    case 'blend':
      return {
        fault: `Two pots of this tea: one with ${made}, one lifted after ${minutesText(t.weak?.time ?? 0)}. A cup of ${volume(t.volume)} shall hold both.`,
        asks: 'How much comes from the weak pot?',
      };
    case 'extract':
      return {
        fault: `${volume(t.volume)} of an extract with ${numberText(t.brew.leaf / t.house.leaf)} times the leaf, ${minutesText(t.brew.time)}.`,
        asks: 'How much water goes to it in the glass?',
      };
  }
}
const SAID = {
  right: 'Right: nobody would notice the difference.',
  near: 'Near: within one mark of the house cup.',
  off: 'Off: that is tasted at once.',
} as const;
const LESSON: Readonly<Record<RescueTaskKind, string>> = {
  over: 'Water brings the strength back, not the balance: what was drawn out bitter stays beside what is sweet.',
  weak: 'The steep goes on where it was. Taste every half minute: late in a steep seconds bring bitterness before strength.',
  blend:
    'A blend lies between its two on every line; over and under mend each other better than water mends over.',
  extract:
    'An extract is let down to its cup, not filled up to the rim: measure it once and keep the figure.',
};

function OneTask({
  task,
  tea,
  onScored,
  onNext,
}: {
  task: RescueTask;
  tea: Tea;
  onScored: (s: 'right' | 'near' | 'off') => void;
  onNext: () => void;
}) {
  const units = useUnits();
  const go = useGo();
  const [answer, setAnswer] = useState(0);
  const [first, setFirst] = useState<number | null>(null);
  const poured = first !== null;
  const volume = (ml: number) => volumeText(millilitres(ml), units.volume);
  const text = (v: number) => (task.unit === 's' ? minutesText(v) : volume(v));
  const house = houseTaste(task);
  const best = bestRescue(task);
  const now = brewCup(task.brew).taste;
  const then = rescued(task, answer);
  const { fault, asks } = question(task, volume);
  const pour = () => {
    if (poured) return onNext();
    setFirst(answer);
    onScored(scoreRescue(task, answer));
  };
  useKeys([
    { key: ' ', does: poured ? 'The next cup' : 'That is my answer', run: pour },
    { key: 'Escape', does: 'To the table', run: () => go('/table') },
  ]);
  const inHand = colourOfBrew(task.brew, task.brew.time);
  const water = task.kind === 'over' || task.kind === 'extract';
  const level = task.kind === 'blend' ? task.volume : poured ? then.volume : task.volume;
  return (
    <>
      <section className="work">
        <p className="headline">
          <b>{asks}</b> {fault}
        </p>
        <div className="rescue-cups">
          <figure>
            <VesselDrawing
              vessel={MUG}
              scale={1.5}
              leaf={grams(0)}
              mark={false}
              level
              fill={millilitres(level)}
              liquor={poured ? then.liquor : inHand}
              label={poured ? 'The cup as it would be' : 'The cup in hand'}
              extra={({ solved, scale }) => {
                if (!water || poured || answer <= 0) return null;
                const top = millilitres(Math.min(MUG.brim, task.volume + answer));
                const r = solved.radiusAt(solved.levelOf(top)) * scale;
                return (
                  <path
                    d={`M${-r} ${-solved.levelOf(top) * scale}H${r}`}
                    stroke="#14191d"
                    strokeWidth="1.6"
                    strokeDasharray="5 4"
                  />
                );
              }}
            />
            <figcaption>
              {poured
                ? volume(level)
                : task.kind === 'blend'
                  ? 'the strong one'
                  : task.kind === 'extract'
                    ? 'the extract'
                    : volume(task.volume)}
            </figcaption>
          </figure>
          {task.weak && !poured && (
            <figure>
              <VesselDrawing
                vessel={MUG}
                scale={1.5}
                leaf={grams(0)}
                mark={false}
                level
                fill={millilitres(task.volume)}
                liquor={colourOfBrew(task.weak, task.weak.time)}
                label="The weak one"
              />
              <figcaption>the weak one</figcaption>
            </figure>
          )}
          <figure className="ml-auto">
            <Cup liquor={poured ? then.liquor : inHand} size={124} />
            <figcaption>{poured ? 'as it would be' : 'in hand'}</figcaption>
          </figure>
          <figure>
            <Cup liquor={colourOfBrew(task.house, task.house.time)} size={124} />
            <figcaption>house cup</figcaption>
          </figure>
        </div>
        <Rule
          name={task.kind === 'weak' ? 'Leaf back' : task.kind === 'blend' ? 'Weak one' : 'Water'}
          value={answer}
          range={[0, task.most]}
          step={task.step}
          tick={task.most > 200 ? 60 : task.most > 130 ? 40 : 20}
          text={(v) => (task.unit === 's' ? minutesText(v) : numberText(v, 0))}
          figure={task.unit === 's' ? minutesText(answer) : (volume(answer).split(' ')[0] ?? '')}
          unit={task.unit === 's' ? '' : (volume(answer).split(' ')[1] ?? '')}
          house={poured ? best : null}
          zero
          onValue={setAnswer}
        />
        {poured && (
          <p className="small">
            The open mark is where it comes to the house cup’s strength. Move yours and see what
            else it would come to.
          </p>
        )}
      </section>
      <section className="paper" aria-label={poured ? 'The result' : 'What is known'}>
        {!poured ? (
          <>
            <h2>In hand</h2>
            <p className="text-[19px] font-semibold">{capital(cupWords(now))}.</p>
            <p>
              Against its house cup:{' '}
              {differenceWords(now, house).join(', ') || 'nothing one would notice'}.
            </p>
            {task.weak && (
              <p className="mt-1">The weak one: {cupWords(brewCup(task.weak).taste)}.</p>
            )}
            <p className="small mt-2">
              Decide first. What it comes to is shown before anything is poured.
            </p>
          </>
        ) : (
          <>
            <h2>The result</h2>
            <p className="text-[21px] font-semibold leading-tight" data-testid="rescue-said">
              {SAID[scoreRescue(task, first)]}
            </p>
            <p className="mt-1">
              You said {text(first)}
              {best === null
                ? ''
                : `; about ${text(Math.round(best / task.step) * task.step)} comes to the house cup’s strength`}
              .
            </p>
            <h2 className="mt-3">
              With {text(answer)}
              <small>beside the house cup</small>
            </h2>
            <p className="text-[19px]" aria-live="polite">
              {differenceSentence(then.taste, house)}
            </p>
            <DifferenceBars cup={then.taste} held={house} what="the house cup" />
            <p className="mt-1">{LESSON[task.kind]}</p>
            <p className="small mt-2">
              {predictionBasis(tea)}, ±0.5 of 10. With a real cup: a third less than worked out,
              taste, then the rest. Hot water scalds: pour low and slowly.
            </p>
          </>
        )}
        <div className="foot">
          <button type="button" className="btn go" onClick={pour}>
            {poured ? 'The next cup' : `${text(answer)}: that is my answer`} <kbd>Space</kbd>
          </button>
        </div>
      </section>
    </>
  );
}
