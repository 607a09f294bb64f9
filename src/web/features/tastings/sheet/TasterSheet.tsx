import { type ReactNode, useEffect, useMemo, useReducer } from 'react';
import { EXERCISES, type Sheet, type TastingAct } from '#core/tastings';
import { useKeys } from '../../../ui/keys';
import { exerciseName } from '../cups';
import { OrderCups } from '../OrderCups';
import { Choose } from './Choose';
import { draftKey, draftsOf, forgetDrafts, keepDrafts } from './drafts';
import { cupState, EMPTY, firstSheet, nextCup, sheetReducer, stepsOf } from './model';
import type { Seat, SheetView, Step } from './seat';
import { SheetBody } from './SheetBody';
import { HandIn } from './sheetParts';

/** Who writes the sheet: its taster, somebody who types in another's, or a guest. */
export type Writer = 'self' | 'other' | 'guest';
type Props = {
  id: string;
  view: SheetView;
  taster: string;
  seat: Seat;
  who: Writer;
  /** The house's words for teas. */
  words: readonly string[];
  does: (act: Extract<TastingAct, { kind: 'keep' | 'handIn' }>) => void;
};

/** The state of a taster's sheets; what is not kept yet stays on this device. */
function useSheets({ id, view: { kind }, taster, seat, does }: Props) {
  const cups = seat.served.filter((c) => !seat.out.includes(c));
  const key = draftKey(id, taster);
  const isKept = (code: string) => seat.sheets[code] !== undefined;
  const reducer = useMemo(() => sheetReducer(kind), [kind]);
  const [state, dispatch] = useReducer(reducer, null, () =>
    firstSheet(kind, cups, isKept, draftsOf(key)),
  );
  const { at, drafts } = state;
  useEffect(() => keepDrafts(key, drafts), [key, drafts]);
  const code = cups[Math.min(at, cups.length - 1)] ?? '';
  const sheet: Sheet = drafts[code] ?? seat.sheets[code] ?? EMPTY;
  const keep = () => {
    does({ kind: 'keep', taster, code, sheet });
    const next = cups.findIndex((c) => c !== code && !isKept(c));
    dispatch({ type: 'kept', code, next: next === -1 ? null : next });
  };
  const handIn = (order: readonly string[] | null, choice: string | null) => {
    // What was marked and not kept is submitted with it.
    for (const [c, begun] of Object.entries(drafts))
      if (cups.includes(c)) does({ kind: 'keep', taster, code: c, sheet: begun });
    does({ kind: 'handIn', taster, order, choice });
    forgetDrafts(key);
  };
  const unkept = cups.filter((c) => !isKept(c) && !drafts[c]);
  const next = nextCup(cups, state, isKept);
  return { state, dispatch, cups, code, sheet, isKept, keep, handIn, unkept, next };
}
type Sheets = ReturnType<typeof useSheets>;

function CupTabs({ sheets }: { sheets: Sheets }) {
  const { state, dispatch, cups, isKept } = sheets;
  return (
    <div className="cups-strip" role="tablist" aria-label="Cups">
      {cups.map((c, i) => {
        const isThis = state.kind === 'cup' && i === state.at;
        return (
          <button
            type="button"
            role="tab"
            key={c}
            aria-selected={isThis}
            onClick={() => dispatch({ type: 'cupPicked', at: i })}
          >
            <span className="bowl" aria-hidden="true" />
            <b>{c}</b>
            <small>{cupState(isKept(c), state.drafts[c] !== undefined, isThis)}</small>
          </button>
        );
      })}
    </div>
  );
}
function StepTabs({
  steps,
  step,
  onPick,
}: {
  steps: readonly Step[];
  step: Step;
  onPick: (step: Step) => void;
}) {
  return (
    <div className="steps" role="tablist" aria-label="Steps">
      {steps.map((s, i) => (
        <button
          type="button"
          role="tab"
          key={s}
          aria-selected={step === s}
          onClick={() => onPick(s)}
        >
          {i + 1} {s}
        </button>
      ))}
    </div>
  );
}
function SheetTitle({
  view,
  name,
  children,
}: {
  view: SheetView;
  /** Whose sheet it is, when another enters it. */
  name: string | null;
  children?: ReactNode;
}) {
  return (
    <p className="sheet-title">
      <span className="tea">{view.tea.name}</span>
      <span className="what">, {exerciseName(view).toLowerCase()}</span>
      {name !== null && <b> · {name}</b>}
      {children}
    </p>
  );
}

/** All cups are marked: they are put in order, where the exercise asks for that, and submitted. */
function Submit({ view, sheets }: { view: SheetView; sheets: Sheets }) {
  const { cups, unkept, dispatch, handIn } = sheets;
  const onBack = () => dispatch({ type: 'submitClosed' });
  return EXERCISES[view.kind].orders ? (
    <OrderCups
      codes={cups}
      unkept={unkept}
      onBack={onBack}
      onHandIn={(order) => handIn(order, null)}
    />
  ) : (
    <HandIn unkept={unkept} onBack={onBack} onHandIn={() => handIn(null, null)} />
  );
}

function keepText(next: string | null, orders: boolean): string {
  if (next) return `Keep, next ${next}`;
  return orders ? 'Keep, then order them' : 'Keep, then submit';
}
/** One taster's sheets, cup after cup, until they are submitted. */
export function TasterSheet(props: Props) {
  const { view, seat } = props;
  const { kind } = view;
  const { asks, orders } = EXERCISES[kind];
  const sheets = useSheets(props);
  const { state, dispatch, cups, code, sheet, keep } = sheets;
  const choosing = asks === 'choice';
  const marking = !choosing && state.kind === 'cup';
  const steps = stepsOf(kind);
  useKeys(
    marking
      ? [
          { key: 'Enter', does: 'Keep this cup', run: keep },
          ...steps.map((step, i) => ({
            key: `Shift ${i + 1}`,
            does: step,
            run: () => dispatch({ type: 'stepPicked', step }),
          })),
          {
            key: 'ArrowRight',
            does: 'The next cup',
            run: () => dispatch({ type: 'cupMoved', by: 1, cups: cups.length }),
          },
          {
            key: 'ArrowLeft',
            does: 'The cup before',
            run: () => dispatch({ type: 'cupMoved', by: -1, cups: cups.length }),
          },
        ]
      : [],
  );
  return (
    <main className="page taste-page" aria-label="My sheet">
      <SheetTitle view={view} name={props.who === 'self' ? null : seat.name}>
        {marking && ` · cup ${state.at + 1} of ${cups.length}`}
      </SheetTitle>
      {choosing && (
        <Choose view={view} codes={cups} onHandIn={(choice) => sheets.handIn(null, choice)} />
      )}
      {!choosing && <CupTabs sheets={sheets} />}
      {!choosing && state.kind === 'submit' && <Submit view={view} sheets={sheets} />}
      {marking && (
        <>
          <StepTabs
            steps={steps}
            step={state.step}
            onPick={(step) => dispatch({ type: 'stepPicked', step })}
          />
          <section className="sheet-body">
            <SheetBody
              kind={kind}
              step={state.step}
              sheet={sheet}
              words={props.words}
              isGuest={props.who === 'guest'}
              onWrite={(next) => dispatch({ type: 'written', code, sheet: next })}
            />
          </section>
          <div className="foot">
            <button type="button" className="btn go" onClick={keep}>
              {keepText(sheets.next, orders)}
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => dispatch({ type: 'submitOpened' })}
            >
              {orders ? 'Order the cups' : 'To submit'}
            </button>
          </div>
        </>
      )}
    </main>
  );
}
