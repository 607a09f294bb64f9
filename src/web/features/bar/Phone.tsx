import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { grams } from '#core/units';
import { tint } from '../../entities/brews/barBrews';
import { liquorOf } from '../../entities/brews/liquor';
import type { BarItem } from '../../entities/brews/status';
import { Tube } from '../../entities/brews/Tube';
import type { BarLayout } from '../../entities/brews/useBarLayout';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { oneTap } from '../../ui/keys';
import { Unsaved } from './Unsaved';
import type { BrewActs } from './useBrewActs';

/** The bar on a phone: a row a vessel, the next hand with its button over the edge. */
export function PhoneRows({
  shown,
  layout,
  first,
  acts,
  locked,
  queue,
}: {
  shown: readonly BarItem[];
  layout: BarLayout;
  first: BarItem | undefined;
  acts: BrewActs;
  locked: boolean;
  queue: ReactNode;
}) {
  return (
    <>
      <Unsaved />
      <div className="rows">
        {shown.map((item) => (
          <PhoneRow key={item.brew.id} item={item} layout={layout} acts={acts} />
        ))}
      </div>
      <DoNext first={first} acts={acts} queue={queue} locked={locked} />
    </>
  );
}

/** One vessel as a row that is one button. */
function PhoneRow({ item, layout, acts }: { item: BarItem; layout: BarLayout; acts: BrewActs }) {
  const { brew, phase, status, step } = item;
  const liquor = liquorOf(brew, item.at);
  const drained = brew.state.kind === 'pulled';
  return (
    <button
      type="button"
      className={`row ${status.name}`}
      onClick={oneTap(() => acts.next(item))}
      aria-label={`${status.act}: ${brew.tea.name}, ${status.over.toLowerCase()} ${status.figure}`}
    >
      <span
        style={{
          position: 'relative',
          width: 130,
          height: layout.axis.height,
          display: 'block',
        }}
      >
        <svg
          width={48}
          height={layout.axis.height}
          viewBox={`0 0 48 ${layout.axis.height}`}
          style={{ position: 'absolute' }}
          aria-hidden="true"
        >
          {!drained && (
            <Tube
              axis={layout.axis}
              window={brew.plan.recipe.window}
              left={'left' in phase ? phase.left : null}
              colour={liquor ? tint(liquor) : null}
              x={18}
              width={12}
            />
          )}
          {!drained && (
            <path d={`M14 ${layout.axis.pull}H46`} stroke="var(--ink)" strokeWidth="1.5" />
          )}
        </svg>
        <span
          style={{
            position: 'absolute',
            left: 44,
            right: 0,
            bottom: 0,
            display: 'flex',
            justifyContent: 'center',
          }}
        >
          <VesselDrawing
            vessel={brew.plan.vessel}
            scale={layout.scale}
            fill={liquor ? brew.plan.water : undefined}
            liquor={liquor}
            leaf={liquor && !drained ? brew.plan.leaf : grams(0)}
            lid={brew.plan.vessel.lid && !drained}
            bowl={false}
            label=""
          />
        </span>
      </span>
      <span className="w">
        <span className="tea">{brew.tea.name}</span>
        <span className="pos">
          {step?.step.kind === 'stir' ? `${step.act}, now` : status.step}
          {brew.unsaved ? ' · not saved yet' : ''}
        </span>
      </span>
      <span className="plate">
        <span>{status.short}</span>
        <b className={status.figure.length + (status.late ? 1 : 0) > 4 ? 'long' : ''}>
          {status.late && <i>+</i>}
          {status.figure}
        </b>
      </span>
    </button>
  );
}

/** The next hand, over the edge. */
function DoNext({
  first,
  acts,
  queue,
  locked,
}: {
  first: BarItem | undefined;
  acts: BrewActs;
  queue: ReactNode;
  locked: boolean;
}) {
  return (
    <div className="do-next">
      {first && (
        <p>
          <b>{first.status.step}</b>
          <br />
          <span className="tea">{first.brew.tea.name}</span>, place {first.brew.place}
        </p>
      )}
      {first && (
        <button
          type="button"
          className={`btn ${buttonLook(first)}`}
          onClick={oneTap(() => acts.next(first))}
        >
          {first.step?.step.kind === 'stir' ? first.step.done : first.status.act}
        </button>
      )}
      {queue}
      {!locked && (
        <Link className="btn" to="/start">
          New
        </Link>
      )}
    </div>
  );
}

/** How the next hand's button looks: late, due, or not yet. */
function buttonLook(first: BarItem) {
  if (first.status.name === 'late') return 'late';
  if (first.status.name === 'steeping') return '';
  return 'go';
}
