import { lazy, Suspense, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { colourOfBrew } from '#core/colour';
import { brewCup, outsideLimits } from '#core/cup';
import { type Agitation, AGITATION_NAMES } from '#core/extraction';
import { caffeineWords, cupWords } from '#core/taste';
import {
  capital,
  celsius,
  degrees,
  minutesText,
  numberText,
  parseNumber,
  parseVolume,
  temperatureText,
  toFahrenheit,
  volumeText,
  withoutUnit,
} from '#core/units';
import { INFUSER_KINDS, type InfuserKind, INFUSERS } from '#core/vessels';
import type { Tea, Version } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { DifferenceBars, differenceSentence } from '../../entities/brews/DifferenceBars';
import { useSession, useUnits } from '../../entities/people/session';
import { useTeaQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { Rule } from '../../ui/Rule';
import { TrialForm } from './TrialForm';
import { brewTried, differs, hottestOnLeaf, houseIn, rangesOf, type Trying } from './trying';

const Course = lazy(() => import('./Course').then((m) => ({ default: m.Course })));
/** Trying begins in the vessel nearest to this. */
const USUAL_ML = 500;
const STIR: Readonly<Record<Agitation, string>> = {
  still: 'left still',
  swirl: 'swirled',
  stirred: 'stirred',
};

/** What if: leaf, heat, time, vessel and the rest as direct controls; the cup answers at once. */
export function WhatIfPage() {
  const { teaId = '' } = useParams();
  const { data, isError } = useTeaQuery(teaId);
  const { data: shelf } = useVesselsQuery();
  const { site } = useSession();
  const vessels = (shelf?.vessels ?? []).filter((v) => v.siteId === site.id && !v.retired);
  if (isError)
    return (
      <main className="page p-6">
        <Nothing>This tea is not in the book.</Nothing>
      </main>
    );
  if (!data || !shelf)
    return (
      <main className="page">
        <Loading what="the tea" />
      </main>
    );
  const { tea } = data;
  const suits = vessels.filter((v) => (tea.method === 'liddedCup') === (v.kind === 'lidded'));
  const first = [...(suits.length ? suits : vessels)].sort(
    (a, b) => Math.abs(a.mark - USUAL_ML) - Math.abs(b.mark - USUAL_ML),
  )[0];
  if (!tea.house || !first)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to={`/book/${teaId}`}>
              To the tea
            </Link>
          }
        >
          It takes a house recipe and a vessel to try things on.
        </Nothing>
      </main>
    );
  return (
    <WhatIf
      key={tea.id}
      tea={tea}
      house={tea.house}
      newest={data.versions[0]?.number ?? tea.house.number}
      vessels={vessels}
      first={first}
    />
  );
}

type Props = { tea: Tea; house: Version; newest: number; vessels: Vessel[]; first: Vessel };
function WhatIf({ tea, house, newest, vessels, first }: Props) {
  const { site, role } = useSession();
  const units = useUnits();
  const go = useGo();
  const { recipe } = house;
  const [tried, setTried] = useState<Trying>(() => houseIn(tea, recipe, first, site));
  const home = useMemo(
    () => houseIn(tea, recipe, tried.vessel, site),
    [tea, recipe, tried.vessel, site],
  );
  const [held, setHeld] = useState<Trying | null>(null);
  const [keeping, setKeeping] = useState(false);
  const against = held ?? home;
  const brew = useMemo(() => brewTried(tea, recipe, tried, site), [tea, recipe, tried, site]);
  const other = useMemo(() => brewTried(tea, recipe, against, site), [tea, recipe, against, site]);
  const [cup, held_] = useMemo(() => [brewCup(brew), brewCup(other)], [brew, other]);
  const set = (change: Partial<Trying>) => setTried((t) => ({ ...t, ...change }));
  const back = () => setTried(home);
  useKeys([
    { key: '0', does: 'Back to the house cup', run: back },
    { key: 'h', does: 'Hold this cup', run: () => setHeld(tried) },
    {
      key: 'Escape',
      does: 'Back to the tea',
      run: () => (keeping ? setKeeping(false) : go(`/book/${tea.id}`)),
    },
  ]);
  const ranges = rangesOf(tea.style, tried.water);
  const hottest = hottestOnLeaf(tried, site);
  const unlike = differs(tried, against);
  const outside = outsideLimits(brew);
  const f = units.temperature === 'F';
  const heat = (c: number) => String(f ? Math.round(toFahrenheit(celsius(c))) : Math.round(c));
  const sayOf = (t: Trying) =>
    `${numberText(t.leaf)} g, ${temperatureText(celsius(t.temperature), units.temperature)}, ${minutesText(t.time)}`;
  return (
    <main className="page split whatif">
      <h1 className="visually-hidden">What if: {tea.name}</h1>
      <div className="say">
        <span>What if</span>{' '}
        <Link to={`/book/${tea.id}`} className="tea text-[25px]">
          {tea.name}
        </Link>{' '}
        <span>in the</span>
        <PickList
          label="Vessel"
          shown={tried.vessel.name}
          chosen={tried.vessel.id}
          choices={vessels.map((v) => ({ value: v.id, text: v.name }))}
          onPick={(id) => {
            const v = vessels.find((x) => x.id === id);
            if (v)
              setTried({
                ...houseIn(tea, recipe, v, site),
                agitation: tried.agitation,
                altitudeM: tried.altitudeM,
              });
          }}
        />
        <span>with</span>
        <PickList
          label="Infuser"
          shown={INFUSERS[tried.infuser].label}
          chosen={tried.infuser}
          choices={INFUSER_KINDS.map((k) => ({ value: k, text: INFUSERS[k].label }))}
          onPick={(k: InfuserKind) => set({ infuser: k })}
        />
        <PickList
          label="Motion"
          shown={STIR[tried.agitation]}
          chosen={tried.agitation}
          choices={AGITATION_NAMES.map((k) => ({ value: k, text: STIR[k] }))}
          onPick={(k: Agitation) => set({ agitation: k })}
        />
        <span className="gap" />
        <button type="button" className="btn quiet" onClick={back}>
          Back to the house cup <kbd>0</kbd>
        </button>
      </div>
      <section className="work">
        <Rule
          name="Leaf"
          value={tried.leaf}
          range={ranges.leaf}
          step={0.1}
          tick={ranges.leaf[1] > 20 ? 5 : ranges.leaf[1] > 10 ? 2 : 1}
          text={(v) => numberText(v)}
          figure={tried.leaf.toFixed(1)}
          unit="g"
          house={home.leaf}
          onValue={(leaf) => set({ leaf })}
        />
        <Rule
          name="Heat"
          value={tried.temperature}
          range={ranges.temperature}
          step={1}
          tick={10}
          text={heat}
          figure={String(degrees(celsius(tried.temperature), units.temperature))}
          unit={`°${units.temperature}`}
          house={home.temperature}
          window={[recipe.temperature - 3, recipe.temperature + 3]}
          onValue={(temperature) => set({ temperature })}
        />
        <Rule
          name="Time"
          value={tried.time}
          range={ranges.time}
          step={5}
          tick={ranges.time[1] > 600 ? 240 : 120}
          text={minutesText}
          figure={minutesText(tried.time)}
          unit=""
          house={home.time}
          window={[recipe.window.earliest, recipe.window.latest]}
          onValue={(time) => set({ time })}
        />
        <div className="course-head">
          <h2>
            As it steeps<small>0 to 10; half a step is just noticeable</small>
          </h2>
          <Typed
            label="Water"
            text={volumeText(tried.water as never, units.volume)}
            read={(t) => {
              const v = parseVolume(t, units.volume);
              if (v.kind === 'bad') return v;
              if (v.value > tried.vessel.brim) return { kind: 'bad', why: 'Over the brim.' };
              return { kind: 'ok', value: v.value as number };
            }}
            onValue={(water) =>
              set({ water, leaf: Math.round(((tried.leaf * water) / tried.water) * 10) / 10 })
            }
          />
          <Typed
            label="Altitude"
            text={`${Math.round(tried.altitudeM)} m`}
            read={(t) => {
              const n = parseNumber(withoutUnit(t, ['m']));
              if (n.kind === 'bad') return n;
              if (n.value < -400 || n.value > 5000) return { kind: 'bad', why: '−400 to 5000 m.' };
              return n;
            }}
            onValue={(altitudeM) => set({ altitudeM })}
          />
        </div>
        <Suspense fallback={<div style={{ height: 258 }} />}>
          <div className="course-scroll">
            <Course
              brew={brew}
              house={home.time}
              window={[recipe.window.earliest, recipe.window.latest]}
              end={ranges.time[1]}
            />
          </div>
        </Suspense>
        <p className="small">
          {tried.temperature > hottest + 0.5 ? (
            <b>
              Out of reach: at {Math.round(tried.altitudeM)} m, poured into the warmed vessel, water
              is {temperatureText(celsius(hottest), units.temperature)} on the leaf at most; the cup
              shown has that.{' '}
            </b>
          ) : null}
          Open mark: the house recipe. Bracket: its window.{' '}
          {unlike.length > 1
            ? `${unlike.length === 2 ? 'Two' : 'Several'} things differ (${unlike.join(', ')}): compare with care.`
            : ''}
        </p>
      </section>
      <section className="paper" aria-label="One cup beside the other">
        <h2>
          One cup beside the other<small>white cup, 3.5 cm deep</small>
        </h2>
        <div className="beside">
          <figure>
            <Cup liquor={colourOfBrew(other, other.time)} size={112} />
            <figcaption>
              <b>{held ? 'held' : 'held: house'}</b>
              {sayOf(against)}
            </figcaption>
          </figure>
          <figure>
            <Cup liquor={colourOfBrew(brew, brew.time)} size={112} />
            <figcaption>
              <b>what if</b>
              {sayOf(tried)}
            </figcaption>
          </figure>
        </div>
        {outside ? (
          <Note>
            <b>Outside the model.</b> {outside} Taste instead.
          </Note>
        ) : (
          <>
            <p
              className="text-[19px] font-semibold mt-2"
              data-testid="whatif-words"
              aria-live="polite"
            >
              {differenceSentence(cup.taste, held_.taste)}
            </p>
            <DifferenceBars cup={cup.taste} held={held_.taste} />
            <p className="small">
              The line is the held cup; one step is a taster’s mark. {predictionBasis(tea)}, ±0.5.{' '}
              {capital(cupWords(cup.taste))}. {caffeineWords(cup.caffeineMg, cup.liquor)}
            </p>
          </>
        )}
        {keeping ? (
          <TrialForm
            tea={tea}
            recipe={recipe}
            tried={tried}
            home={home}
            newest={newest}
            words={unlike}
            onDone={() => setKeeping(false)}
          />
        ) : (
          <div className="foot">
            <button type="button" className="btn" onClick={() => setHeld(tried)}>
              Hold this one <kbd>H</kbd>
            </button>
            {role === 'lead' && (
              <button
                type="button"
                className="btn go"
                disabled={unlike.length === 0 && !held}
                onClick={() => setKeeping(true)}
              >
                Make this the trial recipe
              </button>
            )}
          </div>
        )}
      </section>
    </main>
  );
}

/** A field in the head of the chart: shows its value, reads what is typed, says what is wrong with it. */
function Typed({
  label,
  text,
  read,
  onValue,
}: {
  label: string;
  text: string;
  read: (t: string) => { kind: 'ok'; value: number } | { kind: 'bad'; why: string };
  onValue: (v: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const take = () => {
    if (typed === null) return;
    const r = read(typed);
    setWrong(r.kind === 'bad' ? r.why : null);
    if (r.kind === 'ok') {
      onValue(r.value);
      setTyped(null);
    }
  };
  return (
    <label className="typed">
      <span>{label}</span>
      <input
        className="box"
        value={typed ?? text}
        onFocus={() => setTyped(text)}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => {
          if (e.key === 'Enter') take();
        }}
        aria-invalid={wrong !== null}
      />
      {wrong && <em role="alert">{wrong}</em>}
    </label>
  );
}
