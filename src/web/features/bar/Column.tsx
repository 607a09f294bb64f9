import { MoreHorizontal } from 'lucide-react';
import { lazy, memo, Suspense, useDeferredValue, useState } from 'react';
import type { Phase } from '#core/brews';
import type { Liquor } from '#core/colour';
import { wishWords } from '#core/recipes';
import { grams, type Millilitres, millilitres } from '#core/units';
import { tint } from '../../entities/brews/barBrews';
import { type BarItem, isDueNow } from '../../entities/brews/barItems';
import { liquorOf } from '../../entities/brews/liquor';
import { Plate } from '../../entities/brews/Plate';
import { VesselField } from '../../entities/brews/Shelf';
import { type BrewStatus } from '../../entities/brews/status';
import type { BarLayout } from '../../entities/brews/useBarLayout';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { oneTap } from '../../ui/keys';
import { Reach } from './Reach';
import type { BrewActs } from './useBrewActs';
import { WetLeafNote } from './WetLeafNote';

const MoreMenu = lazy(() => import('./MoreMenu').then((m) => ({ default: m.MoreMenu })));

const leftOf = (phase: Phase): number | null => ('left' in phase ? phase.left : null);
/** Whose hand was last at it, where it was said. */
function whoOf({ state, startedBy, pulledBy }: BarItem['brew']): string {
  const who = state.kind === 'pulled' ? pulledBy : startedBy;
  return who?.name ? ` · ${who.name}` : '';
}
type Drawn = { shown: BarItem; layout: BarLayout };

/** The darkest shade moves first. */
const shadeOf = (liquor: Liquor | null) => (liquor ? tint(liquor, 5) : '');

/** What is in the vessel: all that was poured on, what was drained, or what cups have left. */
function inPotOf({ plan, state, pours }: BarItem['brew']): Millilitres {
  if (!pours) return state.kind === 'pulled' ? plan.liquor : plan.water;
  return pours.reduce(
    (left, { what, ml }) => millilitres(Math.max(0, what === 'cup' ? left - ml : left + ml)),
    plan.water,
  );
}
/** The vessel with its liquor: drawn anew only when a shade of it changes. */
const Standing = memo(
  function Standing({
    plan,
    scale,
    liquor,
    inIt,
    leafIn,
  }: {
    plan: BarItem['brew']['plan'];
    scale: number;
    liquor: Liquor | null;
    /** Water in the vessel, ml. */
    inIt: Millilitres;
    /** Not while it is out, to be tasted or for good. */
    leafIn: boolean;
  }) {
    return (
      <VesselDrawing
        vessel={plan.vessel}
        scale={scale}
        fill={liquor ? inIt : undefined}
        liquor={liquor}
        leaf={liquor && leafIn ? plan.leaf : grams(0)}
        lid={plan.vessel.lid && plan.recipe.lid && liquor !== null && leafIn}
        level
        bowl={false}
        label=""
      />
    );
  },
  (a, b) =>
    a.plan === b.plan &&
    a.scale === b.scale &&
    a.inIt === b.inIt &&
    a.leafIn === b.leafIn &&
    shadeOf(a.liquor) === shadeOf(b.liquor),
);

/** The drawn part: tube under the pull line, vessel on the shelf, name. Drawn anew once a second. */
export const BrewDrawing = memo(function BrewDrawing({
  shown: { brew, phase, status, at },
  layout,
}: Drawn) {
  // Words, times and buttons of all brews are on the screen before the first vessel is drawn: its place is kept.
  const isDrawn = useDeferredValue(true, false);
  const liquor = liquorOf(brew, at);
  const drained = brew.state.kind === 'pulled' && !brew.pours;
  const { vessel } = brew.plan;
  const together = brew.partners.length
    ? ` + ${brew.partners.map((p) => p.plan.vessel.name).join(', ')}`
    : '';
  const steep = brew.plan.steep ? `, steep ${brew.plan.steep.number}` : '';
  return (
    <VesselField
      {...{ name: status.name, layout, liquor, window: brew.plan.recipe.window }}
      left={leftOf(phase)}
      tube={!drained && isDrawn}
      tea={brew.tea.name}
      where={
        <>
          {brew.place} · {vessel.name}
          {together}
          {steep}
          {brew.plan.wish && ` · ${wishWords(brew.plan.wish)}`}
          {whoOf(brew)}
          {brew.unsaved ? ' · not saved yet' : ''}
        </>
      }
    >
      <span
        role="img"
        aria-label={`${vessel.name}, ${Math.round(brew.plan.water)} of ${Math.round(vessel.brim)} ml, ${brew.tea.name}, ${status.over.toLowerCase()} ${status.figure}`}
      >
        {isDrawn && (
          <Standing
            {...{ plan: brew.plan, scale: layout.scale, liquor }}
            inIt={inPotOf(brew)}
            leafIn={brew.state.kind === 'steeping' || Boolean(brew.pours)}
          />
        )}
      </span>
    </VesselField>
  );
});

/** What is seldom done: a plain button until it is touched, for twelve menus are a lot to keep ready. */
const More = memo(function More({ brew, acts }: { brew: BarItem['brew']; acts: BrewActs }) {
  const [asked, setAsked] = useState(false);
  const button = (
    <button
      type="button"
      className="btn more"
      aria-haspopup="menu"
      aria-label={`More for ${brew.tea.name}`}
      onClick={() => setAsked(true)}
    >
      <MoreHorizontal size={20} strokeWidth={2} />
    </button>
  );
  return asked ? (
    <Suspense fallback={button}>
      <MoreMenu brew={brew} acts={acts} />
    </Suspense>
  ) : (
    button
  );
});

/** Under the shelf: plate, the next step in words, detail, the buttons. Drawn anew when a word of it changes. */
export const BrewControls = memo(function BrewControls({
  shown,
  layout,
  acts,
  locked,
  picked,
}: Drawn & { acts: BrewActs; locked: boolean; picked: boolean }) {
  const { brew, status, step } = shown;
  const stir = !locked && isDueNow(shown);
  const beside = step && !stir && !locked ? step : null;
  const name = <span className="visually-hidden">: {brew.tea.name}</span>;
  const pulled = brew.state.kind === 'pulled';
  return (
    <div
      className={`under ${status.name} ${picked ? 'picked' : ''}`}
      data-brew={brew.tea.name}
      data-place={brew.place}
    >
      <Plate status={status} />
      <p className="step">{stepText({ stir, step, layout, beside, status })}</p>
      {!layout.full && brew.state.kind === 'steeping' && <Reach brew={brew} now={shown.at} />}
      {!layout.full && (!beside || pulled) && <p className="detail">{status.detail}</p>}
      {pulled && !layout.full && <WetLeafNote brew={brew} />}
      {!layout.full && beside && (
        <div className="step-beside">
          <span>{beside.act}</span>
          <button
            type="button"
            className="btn slim"
            onClick={oneTap(() => acts.step(brew, beside.step.key, 'done', beside.done))}
          >
            {beside.done}
            {name}
          </button>
        </div>
      )}
      <div className="act">
        <NextHand shown={shown} acts={acts} locked={locked} />
        {!locked && <More brew={brew} acts={acts} />}
      </div>
    </div>
  );
});

/** The button of the next hand; two of them once a cup waits for its verdict. */
function NextHand({ shown, acts, locked }: { shown: BarItem; acts: BrewActs; locked: boolean }) {
  const { brew, status, step } = shown;
  const name = <span className="visually-hidden">: {brew.tea.name}</span>;
  const next = oneTap(() => acts.next(shown));
  if (!locked && step && isDueNow(shown))
    return (
      <button type="button" className="btn go" onClick={next}>
        {step.done}
        {name}
      </button>
    );
  if (brew.state.kind === 'tasting' && !locked)
    return (
      <>
        <button type="button" className="btn go" onClick={oneTap(() => acts.leafIn(brew))}>
          Leaf in{name}
        </button>
        <button type="button" className="btn" onClick={oneTap(() => acts.endByTaste(brew, 0))}>
          Right{name}
        </button>
      </>
    );
  if (brew.state.kind === 'pulled' && locked)
    return <p className="small self-center flex-1">PIN to judge it</p>;
  if (brew.state.kind === 'pulled' && brew.pours)
    return (
      <>
        <button type="button" className="btn go" onClick={oneTap(() => acts.cups(brew))}>
          Cups{name}
        </button>
        <button type="button" className="btn" onClick={next}>
          Judge{name}
        </button>
      </>
    );
  if (brew.state.kind === 'pulled')
    return (
      <>
        <button type="button" className="btn" onClick={oneTap(() => acts.right(brew))}>
          Right{name}
        </button>
        <button type="button" className="btn" onClick={next}>
          Judge{name}
        </button>
      </>
    );
  return (
    <button
      type="button"
      className={`btn ${buttonLook(status)}`}
      disabled={locked && brew.state.kind === 'warming'}
      onClick={next}
    >
      {status.act}
      {name}
    </button>
  );
}

/** How the next hand's button looks: late, due, or not yet. */
function buttonLook(status: BrewStatus) {
  if (status.name === 'late') return 'late';
  if (status.name === 'window' || status.name === 'past' || status.name === 'warming') return 'go';
  return '';
}

/** What is next, in the room there is. */
function stepText({
  stir,
  step,
  layout,
  beside,
  status,
}: {
  stir: boolean;
  step: BarItem['step'];
  layout: BarLayout;
  beside: BarItem['step'];
  status: BrewStatus;
}) {
  if (stir && step) return `${step.act}, now`;
  if (!layout.full) return status.step;
  return beside && status.name !== 'warming' ? beside.act : status.brief;
}
