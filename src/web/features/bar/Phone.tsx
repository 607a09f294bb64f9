import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { wishWords } from '#core/recipes';
import { grams } from '#core/units';
import { type BarItem, isDueNow } from '../../entities/brews/barItems';
import { liquorOf } from '../../entities/brews/liquor';
import { VesselRow } from '../../entities/brews/Shelf';
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
    <VesselRow
      {...{ status, liquor, axis: layout.axis, window: brew.plan.recipe.window }}
      left={'left' in phase ? phase.left : null}
      isDrained={drained}
      tea={brew.tea.name}
      words={
        <>
          {step && isDueNow(item) ? `${step.act}, now` : status.step}
          {brew.plan.wish ? ` · ${wishWords(brew.plan.wish)}` : ''}
          {brew.unsaved ? ' · not saved yet' : ''}
        </>
      }
      label={`${status.act}: ${brew.tea.name}, ${status.over.toLowerCase()} ${status.figure}`}
      onPress={() => acts.next(item)}
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
    </VesselRow>
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
          {first.step && isDueNow(first) ? first.step.done : first.status.act}
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
