import { type ReactNode, useMemo, useState } from 'react';
import { diluted } from '#core/colour';
import { type CupInHand as Rescued, SPLIT_SHARES, splitCup } from '#core/corrections';
import { brewCup } from '#core/cup';
import { cupWords } from '#core/taste';
import {
  grams,
  type Millilitres,
  millilitres,
  minutesText,
  seconds,
  secondsBetween,
  volumeText,
} from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import { liquorOf } from '../../entities/brews/liquor';
import { brewMade } from '../../entities/brews/made';
import { useUnits } from '../../entities/people/session';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { now } from '../../platform/clock';

/** A cup as it stands in the hand, ml. */
const CUPFUL = 250;
/** The leaf goes back for so long, s: taste, and again (common practice). */
const LEAF_BACK = [30, 60] as const;
const steepedFor = ({ state }: BarBrew) =>
  'pulled' in state ? secondsBetween(state.waterOn, state.pulled) : seconds(0);

/**
 * The cup in hand with what is to be added drawn in it, and the words beside it. @param from share of the cup that
 * stays in it.
 */
function InHand({
  brew,
  water,
  from = 1,
  children,
}: {
  brew: BarBrew;
  water: Millilitres;
  from?: number;
  children: ReactNode;
}) {
  const whole = millilitres(Math.min(CUPFUL, brew.plan.liquor));
  const cupful = millilitres(whole * from);
  const added = millilitres((water / Math.max(1, brew.plan.liquor)) * whole);
  const liquor = liquorOf(brew, now());
  const mug = {
    kind: 'mug' as const,
    brim: millilitres(380),
    mark: cupful,
    basket: null,
    infuser: 'free' as const,
    material: 'porcelain' as const,
  };
  return (
    <div className="grid gap-3 items-start mt-1" style={{ gridTemplateColumns: '112px 1fr' }}>
      <div>
        <VesselDrawing
          vessel={mug}
          scale={0.72}
          leaf={grams(0)}
          mark={false}
          level
          fill={millilitres(cupful + added)}
          liquor={liquor && diluted(liquor, cupful / (cupful + added))}
          label=""
          extra={({ solved, scale }) => {
            if (added <= 0) return null;
            const z0 = -solved.levelOf(cupful) * scale;
            const r = solved.radiusAt(solved.levelOf(cupful)) * scale;
            return (
              <>
                <path
                  d={`M${-r} ${z0}H${r}`}
                  stroke="#14191d"
                  strokeWidth="1.6"
                  strokeDasharray="5 4"
                />
                <path
                  d={`M${r + 9} ${-solved.levelOf(millilitres(cupful + added)) * scale}V${z0}`}
                  stroke="var(--ink)"
                  strokeWidth="5"
                />
              </>
            );
          }}
        />
        <p className="small">Hot water scalds: pour low and slowly.</p>
      </div>
      <div>{children}</div>
    </div>
  );
}

const SHARE_WORDS: readonly string[] = ['a fifth', 'a quarter', 'a third', 'half'];
/** A cup split at a share that the hand chooses: what is poured off is kept for the second cup. */
function SplitInHand({ brew, cup }: { brew: BarBrew; cup: Rescued }) {
  const units = useUnits();
  const [share, setShare] = useState(cup.share ?? 0.5);
  const brewed = useMemo(() => brewMade(brew, steepedFor(brew)), [brew]);
  const inCup = millilitres(Math.min(CUPFUL, brew.plan.liquor));
  const split = splitCup(brewed, brewCup(brewed), inCup, share);
  const ml = (v: number) => volumeText(millilitres(v), units.volume);
  return (
    <InHand
      brew={brew}
      water={millilitres((split.topUp / inCup) * brew.plan.liquor)}
      from={1 - share}
    >
      <p className="text-[19px] font-semibold" data-testid="rescue">
        Pour off {ml(split.pouredOff)} of {ml(inCup)}, top up with {ml(split.topUp)} hot water
      </p>
      <div className="flex flex-wrap gap-1 mt-1" role="group" aria-label="Pour off">
        {SPLIT_SHARES.map((s, i) => (
          <button
            type="button"
            key={s}
            className="btn slim"
            aria-pressed={s === share}
            onClick={() => setShare(s)}
          >
            {SHARE_WORDS[i]}
          </button>
        ))}
      </div>
      <p className="mt-1">
        Keep the {ml(split.pouredOff)}: with {ml(split.secondTopUp)} hot water it is a second cup of{' '}
        {ml(split.second)}.
      </p>
      <p className="small" aria-live="polite">
        Both cups then: {cupWords(split.taste)}. Taste again.
      </p>
    </InHand>
  );
}

/** What to do with the cup in hand: add water, split the cup in two, or put the leaf back. */
export function CupInHand({
  brew,
  cup,
  onLeafBack,
}: {
  brew: BarBrew;
  cup: Rescued;
  onLeafBack: (more: number) => void;
}) {
  const { text, water } = cup;
  const units = useUnits();
  if (cup.kind === 'split') return <SplitInHand brew={brew} cup={cup} />;
  const [first, ...rest] = text.split('. ');
  return (
    <InHand brew={brew} water={water}>
      <p className="text-[19px] font-semibold" data-testid="rescue">
        {water > 0 ? `Add ${volumeText(water, units.volume)} hot water` : text.split('.')[0]}
      </p>
      <p>
        {water > 0
          ? `to the ${volumeText(brew.plan.liquor, units.volume)} poured. ${text}`
          : rest.join('. ') || first}
      </p>
      {cup.kind === 'returnLeaf' && (
        <div className="flex gap-2 mt-2">
          {LEAF_BACK.map((more) => (
            <button type="button" key={more} className="btn slim" onClick={() => onLeafBack(more)}>
              Leaf back for {minutesText(more)}
            </button>
          ))}
        </div>
      )}
    </InHand>
  );
}
