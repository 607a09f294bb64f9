import { type Dispatch, type SetStateAction, useState } from 'react';
import { simulatedReader } from '#core/camera';
import { CUP_DEPTH_CM } from '#core/colour';
import { seeded } from '#core/numeric';
import { houseLiquor, type Recipe } from '#core/recipes';
import { minutesText, numberText, parseDuration, seconds } from '#core/units';
import type { Tea, TeaSwatches } from '#contracts/teas';
import { useHouseQuery } from '../../entities/people/api';
import { useSetSwatchesMutation } from '../../entities/teas/editApi';
import { failureOf } from '../../platform/api';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { Note } from '../../ui/Note';

const five = (s: number) => Math.max(5, Math.round(s / 5) * 5);

type Typed = { readonly time: string; readonly l: string; readonly a: string; readonly b: string };

const EMPTY: Typed = { time: '', l: '', a: '', b: '' };

const typedOf = (r: TeaSwatches['rungs'][number]): Typed => ({
  time: minutesText(r.seconds),
  l: numberText(r.lab[0]),
  a: numberText(r.lab[1]),
  b: numberText(r.lab[2]),
});

export const figure = (t: string) =>
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
export function Measure({ tea, recipe, onDone }: { tea: Tea; recipe: Recipe; onDone: () => void }) {
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
      <CupsTable rows={rows} tried={tried} change={change} setRows={setRows} />
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
            ? 'These figures are simulated, for practice, and are not kept. Close this, and type the figures of a colour reader.'
            : 'These figures are simulated. The demo may keep them; a real house may not.'}
        </p>
      )}
      {error && <Note bad>{failureOf(error).message}</Note>}
      <div className="flex flex-wrap gap-2 mt-3">
        <button type="submit" className="btn go" disabled={isLoading || notKept}>
          Keep these
        </button>
        <button type="button" className="btn" onClick={practise}>
          Practise with a simulated reader
        </button>
        <button type="button" className="btn quiet" onClick={onDone}>
          Leave
        </button>
      </div>
    </form>
  );
}

/** The cups with their figures; what is wrong stands under its row. */
function CupsTable({
  rows,
  tried,
  change,
  setRows,
}: {
  rows: readonly Typed[];
  tried: boolean;
  change: (i: number, what: keyof Typed, v: string) => void;
  setRows: Dispatch<SetStateAction<readonly Typed[]>>;
}) {
  return (
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
  );
}
