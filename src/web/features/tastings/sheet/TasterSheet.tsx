import { useState } from 'react';
import {
  type Attribute,
  ATTRIBUTE_NAMES,
  ATTRIBUTES,
  COLOUR_STEPS,
  type Mark,
} from '#core/corrections';
import { EXERCISES, type Sheet } from '#core/tastings';
import { LEAF_WORDS } from '#core/teas';
import type { TastingView } from '#contracts/tastings';
import { TasteBoard } from '../../../entities/brews/TasteBoard';
import { useBookQuery } from '../../../entities/teas/api';
import { useKeys } from '../../../ui/keys';
import { exerciseName } from '../cups';
import { OrderCups } from '../OrderCups';
import { useTasting } from '../useTasting';
import { Choose } from './Choose';
import { draftKey, draftsOf } from './drafts';
import { ScoreBoard, SCORED } from './ScoreBoard';
import { type Seat, type Step, STEPS } from './seat';
import { HandIn, Liking, Words } from './sheetParts';
const EMPTY: Sheet = { marks: {}, words: [] };

export function TasterSheet({
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
              Spoon, slurp, wait. How strong each is, whether you like it or not
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
                  ? 'Everything is right'
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
              : 'Keep, then submit'}
        </button>
        <button type="button" className="btn" onClick={() => setOrdering(true)}>
          {orders ? 'Order the cups' : 'To submit'}
        </button>
      </div>
    </main>
  );
}
