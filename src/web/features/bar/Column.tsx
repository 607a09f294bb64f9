import { MoreHorizontal } from 'lucide-react';
import { lazy, Suspense } from 'react';
import { grams, type EpochMs } from '#core/units';
import type { Phase } from '#core/timing';
import { oneTap } from '../../ui/keys';
import { Tube, VesselDrawing, type Axis } from '../../ui/vessel';
import type { ColumnActs } from './acts';
import { Reach } from './Reach';
import { liquorOf, tint, type BarBrew, type Saying } from './brews';

const MoreMenu = lazy(() => import('./MoreMenu').then((m) => ({ default: m.MoreMenu })));

export type Shown = { readonly brew: BarBrew; readonly phase: Phase; readonly saying: Saying };
const TOO_LONG = 5;

/** A brew's own plate: the word over it, the time. Read at two metres. */
export function Plate({ saying }: { saying: Saying }) {
  return (
    <div className="plate">
      <span>{saying.over}</span>
      <b className={saying.figure.length + (saying.late ? 1 : 0) > TOO_LONG ? 'long' : ''}>{saying.late && <i>+</i>}{saying.figure}</b>
    </div>
  );
}

const leftOf = (phase: Phase): number | null => ('left' in phase ? phase.left : null);

/** The drawn part: tube under the pull line, vessel on the shelf, name. */
export function Field({ shown: { brew, phase, saying }, axis, scale, now, narrow }: { shown: Shown; axis: Axis; scale: number; now: EpochMs; narrow: number }) {
  const liquor = liquorOf(brew, now);
  const drained = brew.state.kind === 'pulled';
  const vessel = (
    <VesselDrawing vessel={brew.plan.vessel} scale={scale} fill={liquor ? (drained ? brew.plan.liquor : brew.plan.water) : undefined} liquor={liquor}
      leaf={liquor && !drained ? brew.plan.leaf : grams(0)} lid={brew.plan.vessel.lid && brew.plan.recipe.lid && liquor !== null && !drained} level bowl={false}
      label={`${brew.plan.vessel.name}, ${Math.round(brew.plan.water)} of ${Math.round(brew.plan.vessel.brim)} ml, ${brew.tea.name}, ${saying.over.toLowerCase()} ${saying.figure}`} />
  );
  return (
    <div className={`field ${saying.name}`} style={{ height: axis.height }}>
      {!drained && <svg width={48} height={axis.height} viewBox={`0 0 48 ${axis.height}`} aria-hidden="true"><Tube axis={axis} window={brew.plan.recipe.window} left={leftOf(phase)} colour={liquor ? tint(liquor) : null} /></svg>}
      <div className="standing" style={{ position: 'absolute', left: narrow, right: 0, bottom: 0, display: 'flex', justifyContent: 'center', alignItems: 'flex-end' }}>{vessel}</div>
      <div className="label">
        <span className="tea">{brew.tea.name}</span>
        <span className="where">{brew.place} · {brew.plan.vessel.name}{brew.unsaved ? ' · not saved yet' : ''}</span>
      </div>
    </div>
  );
}

/** Under the shelf: plate, the next step in words, detail, the button. */
export function Under({ shown: { brew, saying }, acts, now }: { shown: Shown; acts: ColumnActs; now: EpochMs }) {
  const look = saying.name === 'late' ? 'late' : saying.name === 'window' || saying.name === 'past' || saying.name === 'warming' ? 'go' : '';
  return (
    <div className={`under ${saying.name}`} data-brew={brew.tea.name}>
      <Plate saying={saying} />
      <p className="step">{saying.step}</p>
      {brew.state.kind === 'steeping' && <Reach brew={brew} now={now} />}
      <p className="detail">{saying.detail}</p>
      <div className="act">
        <button type="button" className={`btn ${look}`} onClick={oneTap(() => acts.next(brew))}>{saying.act}<span className="visually-hidden">: {brew.tea.name}</span></button>
        <Suspense fallback={<button type="button" className="btn more" aria-label={`More for ${brew.tea.name}`}><MoreHorizontal size={20} strokeWidth={2} /></button>}><MoreMenu brew={brew} acts={acts} /></Suspense>
      </div>
    </div>
  );
}
