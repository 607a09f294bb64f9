import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { grams, type EpochMs } from '#core/units';
import { oneTap } from '../../ui/keys';
import { tint } from '../../entities/brews/barBrews';
import type { ColumnActs } from './columnActs';
import { Unsaved } from './Unsaved';
import type { BarLayout } from '../../entities/brews/useBarLayout';
import { liquorOf } from '../../entities/brews/liquor';
import type { Shown } from '../../entities/brews/status';
import { Tube } from '../../entities/brews/Tube';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';

/** The bar on a phone: a row a vessel, the next hand with its button over the edge. */
export function PhoneRows({
  shown,
  layout,
  now,
  first,
  acts,
  locked,
  queue,
}: {
  shown: Shown[];
  layout: BarLayout;
  now: EpochMs;
  first: Shown | undefined;
  acts: ColumnActs;
  locked: boolean;
  queue: ReactNode;
}) {
  return (
    <>
      <Unsaved />
      <div className="rows">
        {shown.map((s) => {
          const { brew, phase, saying, step } = s;
          const liquor = liquorOf(brew, now);
          const drained = brew.state.kind === 'pulled';
          return (
            <button
              type="button"
              className={`row ${saying.name}`}
              key={brew.id}
              onClick={oneTap(() => acts.next(s))}
              aria-label={`${saying.act}: ${brew.tea.name}, ${saying.over.toLowerCase()} ${saying.figure}`}
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
                  {step?.step.kind === 'stir' ? `${step.act}, now` : saying.step}
                  {brew.unsaved ? ' · not saved yet' : ''}
                </span>
              </span>
              <span className="plate">
                <span>{saying.short}</span>
                <b className={saying.figure.length + (saying.late ? 1 : 0) > 4 ? 'long' : ''}>
                  {saying.late && <i>+</i>}
                  {saying.figure}
                </b>
              </span>
            </button>
          );
        })}
      </div>
      <div className="do-next">
        {first && (
          <p>
            <b>{first.saying.step}</b>
            <br />
            <span className="tea">{first.brew.tea.name}</span>, place {first.brew.place}
          </p>
        )}
        {first && (
          <button
            type="button"
            className={`btn ${first.saying.name === 'late' ? 'late' : first.saying.name === 'steeping' ? '' : 'go'}`}
            onClick={oneTap(() => acts.next(first))}
          >
            {first.step?.step.kind === 'stir' ? first.step.done : first.saying.act}
          </button>
        )}
        {queue}
        {!locked && (
          <Link className="btn" to="/start">
            New
          </Link>
        )}
      </div>
    </>
  );
}
