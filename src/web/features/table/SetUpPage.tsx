import { useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { Tea, Version } from '#contracts/book';
import { lotInUse, recipeFor } from '#contracts/chosen';
import type { Vessel } from '#contracts/shelf';
import { methodFor } from '#core/recipes';
import { ATTRIBUTES } from '#core/correction';
import { EXERCISES, HAND_SECONDS, likeForLike, PAIR_ASKS, rungs, scheduleFor, valueText, houseCupOf, type ExerciseKind, type PairAsks, type PlannedCup, type Way } from '#core/tasting';
import { minutesText, parseDuration, parseWithin, type Parsed, temperatureText, celsius, volumeText, millilitres } from '#core/units';
import { failureOf } from '../../app/api';
import { now } from '../../app/clock';
import { newId } from '../../app/ids';
import { useSetUpTastingMutation } from '../../app/leadRecords';
import { useBookQuery, useNamesQuery, useVesselsQuery } from '../../app/records';
import { useSession, useUnits } from '../../app/session';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing, Note } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { Cup } from '../../ui/vessel';
import { liquorOfCup, WAY_WORDS } from './cups';

type Exercise = { readonly kind: ExerciseKind; readonly way: Way };
const KINDS: readonly { value: Exercise; text: string }[] = [
  { value: { kind: 'ladder', way: 'seconds' }, text: 'Ladder of time' }, { value: { kind: 'ladder', way: 'grams' }, text: 'Ladder of leaf' }, { value: { kind: 'ladder', way: 'celsius' }, text: 'Ladder of temperature' },
  ...(['pair', 'triangle', 'duoTrio'] as const).flatMap((kind) => (['seconds', 'grams', 'celsius'] as const).map((way) => ({ value: { kind, way }, text: `${EXERCISES[kind].label}: ${WAY_WORDS[way]} differs` }))),
];
/** A ladder around the house cup: from well under it to well over. Heat stays within what tea water is. */
function ladderAround(house: PlannedCup, way: Way, n: number): PlannedCup[] {
  const of = house[way];
  const [from, to] = way === 'celsius' ? [of - 4 * (n - 1), Math.min(98, of + 4)] : way === 'grams' ? [of * 0.6, of * 1.6] : [of * 0.3, of * 1.7];
  return rungs(way, from, to, n).map((v) => ({ ...house, [way]: v }));
}
/** The house cup beside one with a fifth more: the step most tables can just tell. */
const pairOf = (house: PlannedCup, way: Way): PlannedCup[] => [house, { ...house, [way]: way === 'celsius' ? Math.max(2, house.celsius - 8) : way === 'seconds' ? Math.round((house.seconds * 1.3) / 5) * 5 : Number((house[way] * 1.2).toFixed(1)) }];
const cupsFor = (house: PlannedCup, { kind, way }: Exercise, n: number) => (kind === 'ladder' ? ladderAround(house, way, n) : pairOf(house, way));

/** A tasting in a minute: kind, tea, vessel and people; leaf, water and one clock for all cups are worked out. */
export function SetUpPage() {
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const { site } = useSession();
  const [params] = useSearchParams();
  if (!book || !shelf) return <main className="page"><Loading what="the book" /></main>;
  const teas = book.teas.filter((t) => !t.retired && t.house);
  const own = shelf.vessels.filter((v) => v.siteId === site.id && !v.retired && v.kind !== 'pitcher');
  const vessels = [...own].sort((a, b) => Number(b.kind === 'tasting') - Number(a.kind === 'tasting') || a.mark - b.mark);
  if (teas.length === 0 || vessels.length === 0) return <main className="page p-6"><Nothing>{teas.length === 0 ? 'The book has no tea with a house recipe yet.' : 'No vessel stands here yet.'}</Nothing></main>;
  return <SetUp teas={teas} vessels={vessels} first={teas.find((t) => t.id === params.get('tea')) ?? teas[0] as Tea} />;
}

function SetUp({ teas, vessels, first }: { teas: readonly Tea[]; vessels: readonly Vessel[]; first: Tea }) {
  const { site, personId } = useSession();
  const units = useUnits();
  const navigate = useNavigate();
  const { data: names } = useNamesQuery(site.id);
  const [save, { isLoading: isSaving, error }] = useSetUpTastingMutation();
  const [tea, setTea] = useState(first);
  const [vessel, setVessel] = useState(vessels[0] as Vessel);
  const [exercise, setExercise] = useState<Exercise>({ kind: 'ladder', way: 'seconds' });
  const [asks, setAsks] = useState<PairAsks>('strength');
  const [n, setN] = useState(4);
  const [own, setOwn] = useState<readonly PlannedCup[] | null>(null);
  const [tasters, setTasters] = useState<readonly string[]>([personId]);
  const [saidSo, setSaidSo] = useState(false);
  const [id] = useState(newId);
  const { kind, way } = exercise;
  // Only teas with a house recipe are offered.
  const version = (recipeFor(tea, methodFor(vessel))?.house ?? tea.house) as Version;
  const house = useMemo(() => houseCupOf(version.recipe, vessel.mark), [version, vessel]);
  const cups = useMemo(() => own ?? cupsFor(house, exercise, n), [own, house, exercise, n]);
  const lot = lotInUse(tea);
  const of = { tea, recipe: version.recipe, vessel };
  const alike = likeForLike(cups, way);
  const schedule = scheduleFor({ kind, way, cups: cups.map((plan) => ({ plan, codes: [] })) });
  const fresh = () => { setOwn(null); setSaidSo(false); };
  const change = (i: number, what: Way, v: number) => { setOwn(cups.map((c, j) => (j === i ? { ...c, [what]: v } : c))); setSaidSo(false); };
  const asksWhy = alike.alsoDiffers.length > 0 || alike.same;
  const ready = tasters.length > 0 && (!asksWhy || saidSo) && !isSaving;
  const set = async () => {
    if (!ready) return;
    const made = await save({ id, siteId: site.id, teaId: tea.id, lotId: lot?.id ?? null, versionId: version.id, vesselId: vessel.id, kind, way, asks, cups: [...cups], tasterIds: [...tasters], at: Math.round(now()) });
    if ('data' in made) navigate(`/table/${id}`);
  };
  useKeys([{ key: 'Enter', does: 'Set it up', run: () => void set() }, { key: 'Escape', does: 'Back to the table', run: () => navigate('/table') }]);
  const text = (v: number) => valueText(way, v, units);
  return (
    <main className="page split set-up">
      <h1 className="visually-hidden">Set up a tasting</h1>
      <div className="say">
        <PickList label="Exercise" shown={KINDS.find((k) => k.value.kind === kind && k.value.way === way)?.text ?? ''} choices={KINDS} onPick={(e) => { setExercise(e); fresh(); }} />
        <span>of</span><PickList label="Tea" shown={tea.name} className="tea" filter="Type a name" chosen={tea} choices={teas.map((t) => ({ value: t, text: t.name, words: t.words }))} onPick={(t) => { setTea(t); fresh(); }} />
        <span>in the</span><PickList label="Vessel" shown={vessel.name} chosen={vessel} choices={vessels.map((v) => ({ value: v, text: `${v.name}, ${volumeText(millilitres(v.mark), units.volume)}` }))} onPick={(v) => { setVessel(v); fresh(); }} />
        {kind === 'ladder' && <><span>with</span><PickList label="Cups" shown={`${n} cups`} chosen={n} choices={[3, 4, 5, 6].map((k) => ({ value: k, text: `${k} cups` }))} onPick={(k) => { setN(k); fresh(); }} /></>}
        {kind === 'pair' && <><span>asking</span><PickList label="Asks" shown={asks === 'preferred' ? 'which is liked better' : `which has more: ${ATTRIBUTES[asks].label.toLowerCase()}`} chosen={asks} choices={PAIR_ASKS.map((a) => ({ value: a, text: a === 'preferred' ? 'which is liked better' : `which has more: ${ATTRIBUTES[a].label.toLowerCase()}` }))} onPick={setAsks} /></>}
      </div>
      <section className="work">
        <h2>Cups<small>touch a figure to change it; the house cup is {text(house[way])}</small></h2>
        <table className="grid-table plain rungs">
          <thead><tr><th className="l">expected colour</th><th>leaf</th><th>water</th><th>heat</th><th>time</th></tr></thead>
          <tbody>{cups.map((c, i) => (
            <tr key={i}>
              <td className="l"><Cup liquor={liquorOfCup(of, c, c.seconds)} size={46} /></td>
              <td><Figure label={`Cup ${i + 1}, leaf`} value={c.grams} text={`${c.grams} g`} read={(t) => parseWithin(t.replace(/\s*g$/, ''), 'A cup’s leaf', 'g', 0.1, 200)} onValue={(v) => change(i, 'grams', v)} strong={way === 'grams'} /></td>
              <td><Figure label={`Cup ${i + 1}, water`} value={c.water} text={volumeText(millilitres(c.water), units.volume)} read={(t) => parseWithin(t.replace(/\s*ml$/, ''), 'A cup’s water', 'ml', 10, 5000)} onValue={(v) => change(i, 'water', v)} strong={way === 'water'} /></td>
              <td><Figure label={`Cup ${i + 1}, heat`} value={c.celsius} text={temperatureText(celsius(c.celsius), units.temperature)} read={(t) => parseWithin(t.replace(/\s*°?C$/i, ''), 'Its heat', '°C', 2, 100)} onValue={(v) => change(i, 'celsius', v)} strong={way === 'celsius'} /></td>
              <td><Figure label={`Cup ${i + 1}, time`} value={c.seconds} text={minutesText(c.seconds)} read={readSeconds} onValue={(v) => change(i, 'seconds', v)} strong={way === 'seconds'} /></td>
            </tr>
          ))}</tbody>
        </table>
        {own && <button type="button" className="btn quiet slim" onClick={fresh}>As it was worked out</button>}
        <h2 className="mt-4">Tasters<small>each on their own phone or tablet, or one passed round</small></h2>
        <div className="toggles" role="group" aria-label="Tasters">
          {(names?.people ?? []).map((p) => <button type="button" key={p.id} className="toggle" aria-pressed={tasters.includes(p.id)} onClick={() => setTasters((t) => (t.includes(p.id) ? t.filter((x) => x !== p.id) : [...t, p.id]))}>{p.name}</button>)}
        </div>
      </section>
      <section className="paper" aria-label="What is to be done">
        <h2>Weigh out</h2>
        <p className="text-[19px]">{cups.map((c) => `${c.grams} g`).join(', ')}. Together {Number(cups.reduce((a, c) => a + c.grams, 0).toFixed(1))} g of leaf and {volumeText(millilitres(cups.reduce((a, c) => a + c.water, 0)), units.volume)} of water at {temperatureText(celsius(Math.max(...cups.map((c) => c.celsius))), units.temperature)}.</p>
        <h2 className="mt-3">One clock</h2>
        <p>{schedule.kind === 'oneClock' ? `Water on all ${cups.length} in one pass; each is poured off at its own time, the last at ${minutesText(schedule.length)}.` : `Starts are counted back, so that all are lifted ${HAND_SECONDS} s apart and tasted together, ${minutesText(schedule.length)} from the start.`}{schedule.tight.length > 0 ? ` ${schedule.tight.length === 1 ? 'One moment lies' : `${schedule.tight.length} moments lie`} closer than ${HAND_SECONDS} s to the one before: take a second hand.` : ''}</p>
        {schedule.kind === 'together' && <p className="small">Taste when all are near 55 °C.</p>}
        <h2 className="mt-3">Like for like</h2>
        {!asksWhy && <p>Only the {WAY_WORDS[way]} differs.</p>}
        {asksWhy && <Note bad>{alike.same ? <>The {WAY_WORDS[way]} is the same in every cup: there is nothing to tell.</> : <>Besides the {WAY_WORDS[way]}, the {alike.alsoDiffers.map((w) => WAY_WORDS[w]).join(' and the ')} differs: what is tasted cannot be laid to one of them.</>}</Note>}
        {asksWhy && <label className="check"><input type="checkbox" checked={saidSo} onChange={(e) => setSaidSo(e.target.checked)} />It is meant so</label>}
        <p className="cautions mt-3"><span><b>Scalds:</b> pour with the cups on the table, not in the hand.</span>{tea.allergens && <span className="strong"><b>Allergens: {tea.allergens}.</b> Ask every taster.</span>}</p>
        {error && <Note bad>{failureOf(error).message}</Note>}
        <div className="foot"><button type="button" className="btn go" disabled={!ready} onClick={() => void set()}>{tasters.length === 0 ? 'Choose who tastes' : 'Set it up'} <kbd>Enter</kbd></button></div>
      </section>
    </main>
  );
}
const readSeconds = (t: string): Parsed<number> => {
  const r = parseDuration(t);
  return r.kind === 'bad' || (r.value >= 5 && r.value <= 3600) ? r : { kind: 'bad', why: 'A time from 0:05 to 60:00, such as 2:30.' };
};

type FigureProps = { label: string; value: number; text: string; read: (t: string) => Parsed<number>; onValue: (v: number) => void; strong: boolean };
/** A figure of the table that is typed over in place; what is wrong stands under it. */
function Figure({ label, value, text, read, onValue, strong }: FigureProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  if (typed === null) return <button type="button" className={`figure ${strong ? 'strong' : ''}`} aria-label={`${label}: ${text}, change`} onClick={() => setTyped(text.includes(':') ? text : String(value))}>{text}</button>;
  const done = () => {
    const r = read(typed);
    if (r.kind === 'bad') return setWrong(r.why);
    onValue(r.value);
    setTyped(null);
    setWrong(null);
  };
  return (
    <form className="figure-form" onSubmit={(e) => { e.preventDefault(); done(); }}>
      <input className="box" aria-label={label} autoFocus value={typed} onChange={(e) => setTyped(e.target.value)} onBlur={done} aria-invalid={wrong !== null} onKeyDown={(e) => { if (e.key === 'Escape') { setTyped(null); setWrong(null); } }} />
      {wrong && <span className="fault" role="alert">{wrong}</span>}
    </form>
  );
}
