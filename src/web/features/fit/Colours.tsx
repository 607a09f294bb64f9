import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { simulatedReader } from '#core/camera';
import { CUP_DEPTH_CM, deltaE00, hexOf, type Lab, labOf } from '#core/colour';
import { seeded } from '#core/numeric';
import { colourRungs, houseLiquor, type Recipe } from '#core/recipes';
import {
  celsius,
  minutesText,
  numberText,
  parseDuration,
  seconds,
  temperatureText,
} from '#core/units';
import { pathOf, ROUTES } from '#contracts/routes';
import type { Tea, TeaSwatches } from '#contracts/teas';
import { useHouseQuery } from '../../entities/people/api';
import { useSession, useUnits } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useSetSwatchesMutation } from '../../entities/teas/editApi';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { failureOf } from '../../platform/api';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { useGo } from '../../platform/useGo';
import { dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';

const five = (s: number) => Math.max(5, Math.round(s / 5) * 5);

/** The colours of a tea along its steep: predicted, until a house ladder was measured. */
export function ColoursPage() {
  const { id = '' } = useParams();
  const go = useGo();
  const { data: book } = useBookQuery();
  const tea = book?.teas.find((t) => t.id === id);
  useKeys([{ key: 'Escape', does: 'Back to the tea', run: () => go(`/book/${id}`) }]);
  if (!book)
    return (
      <main className="page">
        <Loading what="the tea" />
      </main>
    );
  if (!tea?.house)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/book">
              To the book
            </Link>
          }
        >
          {tea ? `${tea.name} has no hot house recipe.` : 'This tea is not in the book.'}
        </Nothing>
      </main>
    );
  return <Colours tea={tea} recipe={tea.house.recipe} />;
}

function Colours({ tea, recipe }: { tea: Tea; recipe: Recipe }) {
  const units = useUnits();
  const { role } = useSession();
  const [editing, setEditing] = useState(false);
  const { swatches } = tea;
  const depth = swatches?.depthCm ?? CUP_DEPTH_CM;
  const plain = { style: tea.style, fitted: tea.fitted };
  const predicted = (s: number): Lab => labOf(houseLiquor(plain, recipe, seconds(s)), depth);
  const rungs = colourRungs(tea, recipe, depth).map((r) => ({
    ...r,
    apart: swatches ? deltaE00(r.lab, predicted(r.seconds)) : null,
  }));
  const furthest = Math.max(0, ...rungs.map((r) => r.apart ?? 0));
  const moved =
    swatches &&
    (Math.abs(swatches.dose - recipe.dose) > 0.02 ||
      Math.abs(swatches.temperature - recipe.temperature) > 0.5);
  return (
    <main className="page split result-page">
      <div className="say">
        <h1 className="font-normal">
          Colours of <span className="tea text-[25px]">{tea.name}</span>
        </h1>
        <span className="gap" />
        <a
          className="btn"
          href={pathOf(ROUTES.printSwatches, { id: tea.id })}
          target="_blank"
          rel="noreferrer"
        >
          Swatch strip to print
        </a>
        <Link className="btn quiet" to={`/book/${tea.id}`}>
          Back to the tea <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work">
        <p className="headline" data-testid="colours-words">
          {swatches ? (
            <>
              <b>Measured in this house</b> by {swatches.by}, {dayText(swatches.at)}: at most{' '}
              {numberText(furthest)} from what was predicted (1 is just seen).
            </>
          ) : (
            <>
              <b>Predicted, not measured.</b> {predictionBasis(tea)}. A colour reader’s figures of
              four cups put this house’s own in their place.
            </>
          )}
        </p>
        <div className="swatch-strip">
          {rungs.map((r) => (
            <figure key={r.seconds} className={r.house ? 'house' : ''}>
              <div style={{ background: hexOf(r.lab) }}>
                {r.apart !== null && <i style={{ background: hexOf(predicted(r.seconds)) }} />}
              </div>
              <figcaption>
                <b>{minutesText(r.seconds)}</b>
                <span>{r.lab.map((v) => numberText(v, 0)).join('  ')}</span>
                {r.apart !== null && <span>{numberText(r.apart)} apart</span>}
              </figcaption>
            </figure>
          ))}
        </div>
        <p className="small">
          {numberText(recipe.dose, 2)} g per 100 ml at{' '}
          {temperatureText(recipe.temperature, units.temperature)}, {numberText(depth)} cm deep in
          white, L* a* b* under D65.{' '}
          {swatches
            ? 'Below in each: what was predicted. Cups, vessels and steep rules of this tea are drawn in the measured colours; between two cups in proportion.'
            : ''}
        </p>
        {moved && (
          <Note bad>
            The recipe has moved since: {numberText(swatches.dose, 2)} g per 100 ml at{' '}
            {temperatureText(celsius(swatches.temperature), units.temperature)} was measured. What
            the leaf differs from its prediction by is kept; measure again when you can.
          </Note>
        )}
      </section>
      <section className="paper" aria-label="Measured cups">
        <h2>Measured cups</h2>
        {role !== 'lead' ? (
          <p>A lead types in what a colour reader says.</p>
        ) : editing ? (
          <Measure tea={tea} recipe={recipe} onDone={() => setEditing(false)} />
        ) : (
          <>
            <p>
              Brew a ladder of the house recipe, pour off each cup at its time, fill white cups to
              one depth, and read each with a colour reader: Lab under D65, 2°.
            </p>
            <div className="flex flex-wrap gap-2 mt-3">
              <button type="button" className="btn go" onClick={() => setEditing(true)}>
                {swatches ? 'Measure again' : 'Type what was measured'}
              </button>
              {swatches && <Drop tea={tea} />}
            </div>
          </>
        )}
        <h2 className="mt-4">Before you trust a colour</h2>
        <p>
          A screen shows it in its own way.{' '}
          <Link className="underline" to="/table/screen">
            Check this screen
          </Link>
          ; a printer does the same: lay the strip beside a real house cup first.
        </p>
      </section>
    </main>
  );
}

function Drop({ tea }: { tea: Tea }) {
  const [set, { isLoading, error }] = useSetSwatchesMutation();
  const dispatch = useAppDispatch();
  return (
    <>
      {error && <Note bad>{failureOf(error).message}</Note>}
      <button
        type="button"
        className="btn"
        disabled={isLoading}
        onClick={() =>
          void set({ id: tea.id, body: { swatches: null } })
            .unwrap()
            .then(
              () => dispatch(toastShown({ text: `${tea.name}: predicted colours again.` })),
              () => undefined,
            )
        }
      >
        Back to predicted
      </button>
    </>
  );
}

type Typed = { readonly time: string; readonly l: string; readonly a: string; readonly b: string };
const EMPTY: Typed = { time: '', l: '', a: '', b: '' };
const typedOf = (r: TeaSwatches['rungs'][number]): Typed => ({
  time: minutesText(r.seconds),
  l: numberText(r.lab[0]),
  a: numberText(r.lab[1]),
  b: numberText(r.lab[2]),
});
const figure = (t: string) =>
  t.trim() === '' ? NaN : Number(t.replace(',', '.').replace('−', '-'));
/** What is wrong with a row, in words; null when it may be kept. */
function faultOf(r: Typed): string | null {
  const time = parseDuration(r.time);
  if (time.kind === 'bad') return time.why;
  if (time.value < 5 || time.value > 3600) return 'A time from 0:05 to 60:00.';
  const [l, a, b] = [figure(r.l), figure(r.a), figure(r.b)];
  if (![l, a, b].every(Number.isFinite)) return 'L*, a* and b*, three figures.';
  if (l < 0 || l > 100) return 'L* is 0 to 100.';
  return Math.abs(a) > 128 || Math.abs(b) > 128 ? 'a* and b* are −128 to 128.' : null;
}

/** Cups by their time, with a reader's three figures; what is wrong stands beside its row. */
function Measure({ tea, recipe, onDone }: { tea: Tea; recipe: Recipe; onDone: () => void }) {
  const dispatch = useAppDispatch();
  const [set, { isLoading, error }] = useSetSwatchesMutation();
  const [rows, setRows] = useState<readonly Typed[]>(
    () =>
      tea.swatches?.rungs.map(typedOf) ??
      [0.3, 0.6, 1, 1.6].map((by) => ({
        ...EMPTY,
        time: minutesText(five(recipe.window.best * by)),
      })),
  );
  const [depth, setDepth] = useState(numberText(tea.swatches?.depthCm ?? CUP_DEPTH_CM));
  const [tried, setTried] = useState(false);
  const [madeUp, setMadeUp] = useState(false);
  const { data: house } = useHouseQuery();
  const notKept = madeUp && house?.demo !== true;
  const change = (i: number, what: keyof Typed, v: string) =>
    setRows((all) => all.map((r, j) => (j === i ? { ...r, [what]: v } : r)));
  const used = rows.filter((r) => r.l.trim() + r.a.trim() + r.b.trim() !== '');
  const deep = figure(depth);
  const depthFault = deep >= 0.3 && deep <= 20 ? null : 'Liquor in a cup is 0.3 to 20 cm deep.';
  const few = used.length < 2 ? 'Two cups at least.' : null;
  const times = used.map((r) => {
    const t = parseDuration(r.time);
    return t.kind === 'ok' ? t.value : 0;
  });
  const twice = new Set(times).size < times.length ? 'Each time once.' : null;
  const save = async () => {
    setTried(true);
    if (notKept) return;
    if (few || twice || depthFault || used.some((r) => faultOf(r))) return;
    const rungs = used.map((r, i) => ({
      seconds: times[i] ?? 0,
      lab: [figure(r.l), figure(r.a), figure(r.b)] as [number, number, number],
    }));
    const made = await set({ id: tea.id, body: { swatches: { depthCm: deep, rungs } } });
    if ('data' in made) {
      dispatch(toastShown({ text: `${tea.name} is drawn in its measured colours.` }));
      onDone();
    }
  };
  /** For practice: a reader that does not exist looks at cups that do not exist. */
  const practise = () => {
    setMadeUp(true);
    const reader = simulatedReader(seeded(Date.now() % 100_000));
    setRows((all) =>
      all.map((r) => {
        const t = parseDuration(r.time);
        if (t.kind === 'bad') return r;
        const lab = reader(
          houseLiquor({ style: tea.style, fitted: tea.fitted }, recipe, seconds(t.value)),
          Number.isFinite(deep) && deep > 0 ? deep : CUP_DEPTH_CM,
        );
        return { ...r, l: numberText(lab[0]), a: numberText(lab[1]), b: numberText(lab[2]) };
      }),
    );
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <label className="flex items-center gap-2 mb-2">
        Depth, cm{' '}
        <input
          className="box w-[84px]"
          inputMode="decimal"
          value={depth}
          onChange={(e) => setDepth(e.target.value)}
        />
      </label>
      {tried && depthFault && (
        <p className="fault" role="alert">
          {depthFault}
        </p>
      )}
      <table className="measure-cups">
        <thead>
          <tr>
            <th>time</th>
            <th>L*</th>
            <th>a*</th>
            <th>b*</th>
            <th aria-label="Remove" />
          </tr>
        </thead>
        <tbody>
          {rows.map((r, i) => {
            const fault = tried && r.l + r.a + r.b !== '' ? faultOf(r) : null;
            return [
              <tr key={i}>
                {(['time', 'l', 'a', 'b'] as const).map((k) => (
                  <td key={k}>
                    <input
                      className="box"
                      aria-label={`Cup ${i + 1}, ${{ time: 'time', l: 'L*', a: 'a*', b: 'b*' }[k]}`}
                      inputMode={k === 'time' ? 'text' : 'decimal'}
                      value={r[k]}
                      onChange={(e) => change(i, k, e.target.value)}
                      aria-invalid={fault !== null}
                    />
                  </td>
                ))}
                <td>
                  <button
                    type="button"
                    className="btn quiet slim"
                    aria-label={`Remove cup ${i + 1}`}
                    onClick={() => setRows((all) => all.filter((_, j) => j !== i))}
                  >
                    ×
                  </button>
                </td>
              </tr>,
              fault && (
                <tr key={`${i}f`}>
                  <td colSpan={5}>
                    <p className="fault" role="alert">
                      {fault}
                    </p>
                  </td>
                </tr>
              ),
            ];
          })}
        </tbody>
      </table>
      {rows.length < 8 && (
        <button
          type="button"
          className="btn quiet slim"
          onClick={() => setRows((all) => [...all, EMPTY])}
        >
          Another cup
        </button>
      )}
      {tried && (few ?? twice) && (
        <p className="fault" role="alert">
          {few ?? twice}
        </p>
      )}
      {madeUp && (
        <p className="small mt-1">
          {notKept
            ? 'These figures are made up, for practice: they are not kept. Leave, and type what a reader said.'
            : 'These figures are made up. The demo may keep them; a real house may not.'}
        </p>
      )}
      {error && <Note bad>{failureOf(error).message}</Note>}
      <div className="flex flex-wrap gap-2 mt-3">
        <button type="submit" className="btn go" disabled={isLoading || notKept}>
          Keep these
        </button>
        <button type="button" className="btn" onClick={practise}>
          Practise: a made-up reader
        </button>
        <button type="button" className="btn quiet" onClick={onDone}>
          Leave
        </button>
      </div>
    </form>
  );
}
