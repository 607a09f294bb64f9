import { useState } from 'react';
import { Link, Navigate, useParams, useSearchParams } from 'react-router';
import {
  type Attribute,
  ATTRIBUTE_NAMES,
  ATTRIBUTES,
  COLOUR_STEPS,
  type Mark,
} from '#core/corrections';
import { EXERCISES, foldTasting, type Sheet } from '#core/tastings';
import { LEAF_WORDS } from '#core/teas';
import { numberText } from '#core/units';
import type { TastingView } from '#contracts/tastings';
import { TasteBoard } from '../../entities/brews/TasteBoard';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { clockText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { exerciseName } from './cups';
import { OrderCups } from './OrderCups';
import { useTasting } from './useTasting';

/** What one taster needs, from either view: codes in order, what is out, what was kept. */
function seatOf(view: TastingView, taster: string) {
  if (view.sees === 'own')
    return view.codes.length > 0 ? { ...view, name: '', served: view.codes } : null;
  const now = foldTasting(view.exercise, view.events);
  const me = now.tasters.find((t) => t.id === taster);
  const served = view.exercise.servings[taster];
  if (!me || !served) return null;
  return {
    served,
    out: served.filter((c) => now.cups[now.cupOf[c] ?? -1]?.excluded),
    sheets: me.sheets,
    order: me.order,
    choice: me.choice,
    handedIn: me.handedIn,
    stage: now.stage,
    missing: 0,
    name: me.name,
  };
}

/** A taster's own sheet, on a phone or the tablet that is passed round. */
export function TastePage() {
  const { id = '' } = useParams();
  const [params, setParams] = useSearchParams();
  const me = useSession();
  const table = useTasting(id);
  const { view } = table;
  if (table.isLoading)
    return (
      <main className="page">
        <Loading what="your sheet" />
      </main>
    );
  const back = (
    <Link className="btn" to={view?.sees === 'all' ? `/table/${id}` : '/table'}>
      To the table
    </Link>
  );
  if (!view)
    return (
      <main className="page p-6">
        <Nothing action={back}>
          This tasting cannot be reached just now. What you kept is on this device.
        </Nothing>
      </main>
    );
  if (view.stage === 'revealed') return <Navigate to={`/table/${id}`} replace />;
  const wanted = params.get('for') ?? me.personId;
  const seat = seatOf(view, wanted);
  if (view.sees === 'all' && (!seat || params.get('for') === null)) {
    const open = foldTasting(view.exercise, view.events).tasters;
    if (!seat || open.length > 1) {
      return (
        <main className="page p-6 taste-page">
          <h1 className="text-[26px] font-bold">Whose sheet?</h1>
          <p className="small">
            {exerciseName(view)}, {view.tea.name}. Hand the tablet over, one after another.
          </p>
          <div className="toggles mt-4">
            {open.map((t) => (
              <button
                type="button"
                key={t.id}
                className="btn"
                disabled={t.handedIn !== null}
                onClick={() => setParams({ for: t.id })}
              >
                {t.name}
                {t.handedIn !== null ? ', handed in' : ''}
              </button>
            ))}
          </div>
          <div className="mt-6">{back}</div>
        </main>
      );
    }
  }
  if (!seat)
    return (
      <main className="page p-6">
        <Nothing action={back}>You do not taste at this one.</Nothing>
      </main>
    );
  if (view.stage === 'stopped')
    return (
      <main className="page p-6">
        <Nothing action={back}>This tasting was stopped.</Nothing>
      </main>
    );
  if (seat.handedIn !== null) {
    return (
      <main className="page p-6 taste-page">
        <Nothing action={back}>
          Handed in at {clockText(seat.handedIn)}
          {seat.name && wanted !== me.personId ? `, ${seat.name}` : ''}.{' '}
          {table.unsaved > 0
            ? 'It waits on this device and is sent by itself.'
            : 'The codes are shown when all have handed in.'}
        </Nothing>
        {view.sees === 'all' && (
          <Link className="btn mt-4" to={`/table/${id}/taste`}>
            The next taster
          </Link>
        )}
      </main>
    );
  }
  return (
    <TasterSheet
      key={`${id}${wanted}`}
      id={id}
      view={view}
      taster={wanted}
      seat={seat}
      forOther={wanted !== me.personId}
      does={table.does}
    />
  );
}

type Seat = NonNullable<ReturnType<typeof seatOf>>;
const STEPS = ['Look', 'Leaf', 'Smell', 'Taste'] as const;
type Step = (typeof STEPS)[number];
/** Where amounts are asked, colour is not: it would tell the bowls of one cup. */
const SCORED: readonly Step[] = ['Smell', 'Taste'];
const EMPTY: Sheet = { marks: {}, words: [] };
const draftKey = (id: string, taster: string) => `limnos.sheet.${id}.${taster}`;
/** What is on the sheet and not kept yet stays on this device. */
function draftsOf(key: string): Record<string, Sheet> {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '{}') as Record<string, Sheet>;
  } catch {
    return {};
  }
}

/** How much it is liked: nobody has to say. */
const Liking = ({
  value,
  onValue,
}: {
  value: number | undefined;
  onValue: (v: number) => void;
}) => (
  <div className="scores">
    <label className={value === undefined ? 'open' : ''}>
      <span>I like it</span>
      <input
        type="range"
        min="0"
        max="10"
        step="0.5"
        value={value ?? 5}
        aria-label="How much you like it, 0 to 10"
        aria-valuetext={value === undefined ? 'not said' : numberText(value)}
        onChange={(e) => onValue(Number(e.target.value))}
        onPointerDown={(e) => {
          if (value === undefined) onValue(Number(e.currentTarget.value));
        }}
      />
      <b>{value === undefined ? '–' : numberText(value)}</b>
    </label>
  </div>
);

function TasterSheet({
  id,
  view,
  taster,
  seat,
  forOther,
  does,
}: {
  id: string;
  view: TastingView;
  taster: string;
  seat: Seat;
  forOther: boolean;
  does: ReturnType<typeof useTasting>['does'];
}) {
  const cups = seat.served.filter((c) => !seat.out.includes(c));
  const key = draftKey(id, taster);
  const [drafts, setDrafts] = useState(() => draftsOf(key));
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      cups.findIndex((c) => !seat.sheets[c]),
    ),
  );
  const [step, setStep] = useState<Step>(EXERCISES[view.kind].asks === 'scores' ? 'Smell' : 'Look');
  const [ordering, setOrdering] = useState(false);
  const { data: book } = useBookQuery();
  const { asks, orders } = EXERCISES[view.kind];
  const choosing = asks === 'choice';
  const scoring = asks === 'scores';
  const steps = scoring ? SCORED : STEPS;
  const firstStep = steps[0] ?? 'Look';
  const code = cups[Math.min(at, cups.length - 1)] ?? '';
  const sheet = drafts[code] ?? seat.sheets[code] ?? EMPTY;
  const write = (next: Sheet) => {
    const all = { ...drafts, [code]: next };
    setDrafts(all);
    localStorage.setItem(key, JSON.stringify(all));
  };
  const mark = (what: Attribute | 'colour', m: Mark) => {
    const marks = { ...sheet.marks };
    if (marks[what] === m) delete marks[what];
    else marks[what] = m;
    write({ ...sheet, marks });
  };
  const score = (what: Attribute, v: number) =>
    write({ ...sheet, scores: { ...sheet.scores, [what]: v } });
  const turned = (list: readonly string[], w: string) =>
    list.includes(w) ? list.filter((x) => x !== w) : [...list, w];
  const toggle = (w: string) => write({ ...sheet, words: turned(sheet.words, w) });
  const nextCode =
    cups.find((c, i) => i !== at && !seat.sheets[c] && !(drafts[c] && i < at)) ?? null;
  const keep = () => {
    does({ kind: 'keep', taster, code, sheet });
    const rest = { ...drafts };
    delete rest[code];
    setDrafts(rest);
    localStorage.setItem(key, JSON.stringify(rest));
    const next = cups.findIndex((c) => c !== code && !seat.sheets[c]);
    if (next === -1) setOrdering(true);
    else {
      setAt(next);
      setStep(firstStep);
    }
  };
  const handIn = (order: readonly string[] | null, choice: string | null) => {
    // What was marked and not kept goes in with it.
    for (const [c, s] of Object.entries(drafts))
      if (cups.includes(c)) does({ kind: 'keep', taster, code: c, sheet: s });
    does({ kind: 'handIn', taster, order, choice });
    localStorage.removeItem(key);
  };
  const open = ATTRIBUTE_NAMES.filter(
    (a) => (scoring ? sheet.scores?.[a] : sheet.marks[a]) === undefined,
  ).map((a) => ATTRIBUTES[a].label.toLowerCase());
  useKeys(
    choosing || ordering
      ? []
      : [
          { key: 'Enter', does: 'Keep this cup', run: keep },
          ...steps.map((s, i) => ({ key: `Shift ${i + 1}`, does: s, run: () => setStep(s) })),
          {
            key: 'ArrowRight',
            does: 'The next cup',
            run: () => setAt((i) => Math.min(cups.length - 1, i + 1)),
          },
          { key: 'ArrowLeft', does: 'The cup before', run: () => setAt((i) => Math.max(0, i - 1)) },
        ],
  );
  const head = (
    <div className="cups-strip" role="tablist" aria-label="Cups">
      {cups.map((c, i) => (
        <button
          type="button"
          role="tab"
          key={c}
          aria-selected={!choosing && !ordering && i === at}
          onClick={() => {
            setOrdering(false);
            setAt(i);
          }}
        >
          <span className="bowl" aria-hidden="true" />
          <b>{c}</b>
          <small>
            {seat.sheets[c]
              ? 'kept'
              : drafts[c]
                ? 'begun'
                : !choosing && i === at && !ordering
                  ? 'this cup'
                  : 'to taste'}
          </small>
        </button>
      ))}
    </div>
  );
  const title = (
    <p className="sheet-title">
      <span className="tea">{view.tea.name}</span>
      <span className="what">, {exerciseName(view).toLowerCase()}</span>
      {forOther ? <b> · {seat.name}</b> : ''}
      {!choosing && !ordering && (
        <>
          {' '}
          · cup {at + 1} of {cups.length}
        </>
      )}
    </p>
  );
  if (choosing)
    return (
      <main className="page taste-page" aria-label="My sheet">
        {title}
        <Choose view={view} codes={cups} onHandIn={(c) => handIn(null, c)} />
      </main>
    );
  if (ordering && !orders)
    return (
      <main className="page taste-page" aria-label="My sheet">
        {title}
        {head}
        <HandIn
          unkept={cups.filter((c) => !seat.sheets[c] && !drafts[c])}
          onBack={() => setOrdering(false)}
          onHandIn={() => handIn(null, null)}
        />
      </main>
    );
  if (ordering)
    return (
      <main className="page taste-page" aria-label="My sheet">
        {title}
        {head}
        <OrderCups
          codes={cups}
          unkept={cups.filter((c) => !seat.sheets[c] && !drafts[c])}
          onBack={() => setOrdering(false)}
          onHandIn={(order) => handIn(order, null)}
        />
      </main>
    );
  return (
    <main className="page taste-page" aria-label="My sheet">
      {title}
      {head}
      <div className="steps" role="tablist" aria-label="Steps">
        {steps.map((s, i) => (
          <button
            type="button"
            role="tab"
            key={s}
            aria-selected={step === s}
            onClick={() => setStep(s)}
          >
            {i + 1} {s}
          </button>
        ))}
      </div>
      <section className="sheet-body">
        {step === 'Look' && (
          <>
            <p className="small">
              Side by side, from above, on white. Against the house cup as you know it.
            </p>
            <div className="look" role="radiogroup" aria-label="Colour">
              {COLOUR_STEPS.map((s) => (
                <button
                  type="button"
                  role="radio"
                  key={s.mark}
                  aria-checked={sheet.marks.colour === s.mark}
                  onClick={() => mark('colour', s.mark)}
                >
                  {s.word}
                </button>
              ))}
            </div>
          </>
        )}
        {step === 'Leaf' && (
          <>
            <p className="small">
              The opened leaf: its size, its colour, how far it has opened. Any words that fit.
            </p>
            <Words
              words={LEAF_WORDS}
              chosen={sheet.leafWords ?? []}
              onToggle={(w) => write({ ...sheet, leafWords: turned(sheet.leafWords ?? [], w) })}
            />
          </>
        )}
        {step === 'Smell' && (
          <>
            <p className="small">
              Over the bowl, before the spoon. Words of this house, any that fit.
            </p>
            <Words words={book?.vocabulary ?? []} chosen={sheet.words} onToggle={toggle} />
          </>
        )}
        {step === 'Taste' && scoring && (
          <>
            <p className="small">
              Spoon, slurp, wait. How much of it, whether you like it or not
              {open.length > 0
                ? `; ${open.join(', ')} ${open.length === 1 ? 'is' : 'are'} open`
                : ''}
              .
            </p>
            <ScoreBoard scores={sheet.scores ?? {}} onScore={score} />
          </>
        )}
        {step === 'Taste' && !scoring && (
          <>
            <TasteBoard verdict={sheet.marks} onMark={mark} />
            {open.length > 0 && (
              <button
                type="button"
                className="btn quiet slim"
                onClick={() =>
                  write({
                    ...sheet,
                    marks: {
                      ...Object.fromEntries(ATTRIBUTE_NAMES.map((a) => [a, 0 as Mark])),
                      ...sheet.marks,
                    },
                  })
                }
              >
                {open.length === ATTRIBUTE_NAMES.length
                  ? 'All of it is right'
                  : 'The rest is right'}
              </button>
            )}
            <p className="small">
              Spoon, slurp, wait. Mark against the house cup
              {open.length > 0 && open.length < ATTRIBUTE_NAMES.length
                ? `; ${open.join(', ')} ${open.length === 1 ? 'is' : 'are'} open`
                : open.length
                  ? '; nothing is marked yet'
                  : ''}
              .
            </p>
            <Liking value={sheet.liking} onValue={(liking) => write({ ...sheet, liking })} />
            <h3 className="text-[15px] font-semibold mt-2">
              Words<small> of this house, any that fit</small>
            </h3>
            <Words words={book?.vocabulary ?? []} chosen={sheet.words} onToggle={toggle} />
          </>
        )}
      </section>
      <div className="foot">
        <button type="button" className="btn go" onClick={keep}>
          {nextCode
            ? `Keep, next ${nextCode}`
            : orders
              ? 'Keep, then order them'
              : 'Keep, then hand in'}
        </button>
        <button type="button" className="btn" onClick={() => setOrdering(true)}>
          {orders ? 'Order them' : 'To hand in'}
        </button>
      </div>
    </main>
  );
}

function Words({
  words,
  chosen,
  onToggle,
}: {
  words: readonly string[];
  chosen: readonly string[];
  onToggle: (w: string) => void;
}) {
  const [own, setOwn] = useState<string | null>(null);
  const all = [...words, ...chosen.filter((w) => !words.includes(w))];
  return (
    <div className="toggles" role="group" aria-label="Words">
      {all.map((w) => (
        <button
          type="button"
          key={w}
          className="toggle"
          aria-pressed={chosen.includes(w)}
          onClick={() => onToggle(w)}
        >
          {w}
        </button>
      ))}
      {own === null ? (
        <button type="button" className="toggle" onClick={() => setOwn('')}>
          another
        </button>
      ) : (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (own.trim()) onToggle(own.trim().slice(0, 40));
            setOwn(null);
          }}
        >
          <input
            className="box w-[140px]"
            aria-label="Another word"
            autoFocus
            value={own}
            maxLength={40}
            onChange={(e) => setOwn(e.target.value)}
            onBlur={() => {
              if (own.trim()) onToggle(own.trim().slice(0, 40));
              setOwn(null);
            }}
          />
        </form>
      )}
    </div>
  );
}

/** The last look before a sheet without an order goes in, once. */
function HandIn({
  unkept,
  onBack,
  onHandIn,
}: {
  unkept: readonly string[];
  onBack: () => void;
  onHandIn: () => void;
}) {
  return (
    <>
      <section className="sheet-body">
        <h1 className="text-[22px] font-bold">Hand in your sheet</h1>
        <p>
          {unkept.length > 0
            ? `Not marked: ${unkept.join(', ')}. ${unkept.length === 1 ? 'It goes' : 'They go'} in without marks.`
            : 'Every cup is marked.'}{' '}
          After that nothing is changed.
        </p>
      </section>
      <div className="foot">
        <button type="button" className="btn go" onClick={onHandIn}>
          Hand in, once
        </button>
        <button type="button" className="btn" onClick={onBack}>
          Back to the cups
        </button>
      </div>
    </>
  );
}
/** Amounts from none to a great deal, half a point at a time; a row untouched is not scored. */
function ScoreBoard({
  scores,
  onScore,
}: {
  scores: Readonly<Partial<Record<Attribute, number>>>;
  onScore: (what: Attribute, v: number) => void;
}) {
  return (
    <div className="scores">
      {ATTRIBUTE_NAMES.map((a) => {
        const v = scores[a];
        return (
          <label key={a} className={v === undefined ? 'open' : ''}>
            <span>{ATTRIBUTES[a].label}</span>
            <input
              type="range"
              min="0"
              max="10"
              step="0.5"
              value={v ?? 5}
              aria-label={`${ATTRIBUTES[a].label}, 0 to 10`}
              aria-valuetext={v === undefined ? 'not scored' : numberText(v)}
              onChange={(e) => onScore(a, Number(e.target.value))}
              onPointerDown={(e) => {
                if (v === undefined) onScore(a, Number(e.currentTarget.value));
              }}
            />
            <b>{v === undefined ? '–' : numberText(v)}</b>
          </label>
        );
      })}
      <p className="scale" aria-hidden="true">
        <span>none</span>
        <span>some</span>
        <span>a great deal</span>
      </p>
    </div>
  );
}

/** A pair, a triangle or a duo-trio: one bowl is chosen. */
function Choose({
  view,
  codes,
  onHandIn,
}: {
  view: TastingView;
  codes: readonly string[];
  onHandIn: (code: string) => void;
}) {
  const [chosen, setChosen] = useState<string | null>(null);
  const question =
    view.kind === 'triangle'
      ? 'Two are the same tea. Which is the odd one?'
      : view.kind === 'duoTrio'
        ? 'Which one is the same as the reference?'
        : view.asks === 'preferred'
          ? 'Which do you like better?'
          : `Which has more: ${ATTRIBUTES[view.asks].label.toLowerCase()}?`;
  return (
    <>
      <h1 className="text-[24px] font-bold px-4 pt-4">{question}</h1>
      <p className="small px-4">
        Taste from left to right, water between. You must choose, even if it is a guess.
      </p>
      <div className="bowls" role="radiogroup" aria-label={question}>
        {codes.map((c) => (
          <button
            type="button"
            role="radio"
            key={c}
            aria-checked={chosen === c}
            onClick={() => setChosen(c)}
          >
            <span className="bowl" aria-hidden="true" />
            <b>{c}</b>
          </button>
        ))}
      </div>
      {codes.length < 2 && <Note>Cups were left out: nothing can be chosen.</Note>}
      <div className="foot">
        <button
          type="button"
          className="btn go"
          disabled={chosen === null}
          onClick={() => chosen && onHandIn(chosen)}
        >
          {chosen ? `Hand in ${chosen}` : 'Choose one'}
        </button>
      </div>
    </>
  );
}
