import { useState } from 'react';
import {
  clockTime,
  dayAndTime,
  siteDate,
  USUAL_REGION,
  wallMoment,
  weekdayAndTime,
} from '#core/time';
import { type EpochMs } from '#core/units';
import type { ColdBatch } from '../../entities/batches/standing';
import type { Doing } from '../../entities/batches/useAct';
import { useBar } from '../../entities/brews/useBar';
import { useClock, useSession } from '../../entities/people/session';
import { useVesselsQuery } from '../../entities/vessels/api';
import { useVesselsInUse } from '../../entities/vessels/useVesselsInUse';
import { oneTap } from '../../ui/keys';
import { Shelve } from './Shelve';

/** What is seldom wanted: another vessel, a mended time, an end that a lead chooses. */
export function MoreActs({ batch, doing }: { batch: ColdBatch; doing: Doing }) {
  const { role } = useSession();
  const { kind } = batch.now.state;
  if (kind !== 'infusing' && kind !== 'drawn') return null;
  return (
    <details className="mt-3">
      <summary className="min-h-[44px]">
        More: {kind === 'drawn' ? 'pour into another vessel, ' : ''}move to fridge or counter,
        correct the start
        {role === 'lead' ? ', change the end' : ''}
      </summary>
      <div className="form">
        {kind === 'drawn' && <Decant batch={batch} doing={doing} />}
        <Shelve batch={batch} doing={doing} />
        <Retime batch={batch} doing={doing} />
        {role === 'lead' && <End batch={batch} doing={doing} />}
      </div>
    </details>
  );
}

/** The liquor goes into a bottle or another pitcher; the old one is free for new leaf. */
function Decant({ batch, doing }: { batch: ColdBatch; doing: Doing }) {
  const { data } = useVesselsQuery();
  const { site } = useSession();
  const inUse = useVesselsInUse(useBar().brews);
  const [to, setTo] = useState('');
  const free = (data?.vessels ?? []).filter(
    (v) =>
      v.siteId === site.id &&
      v.kind === 'pitcher' &&
      !v.retired &&
      inUse.isFree(v.id) &&
      v.brim >= batch.now.ledger.left,
  );
  const vessel = free.find((v) => v.id === to);
  if (free.length === 0)
    return <p className="small">No empty pitcher is large enough for what is left.</p>;
  return (
    <div className="field-row">
      <label htmlFor="decant-to">Pour into</label>
      <div className="with-unit">
        <select id="decant-to" className="box" value={to} onChange={(e) => setTo(e.target.value)}>
          <option value="">choose</option>
          {free.map((v) => (
            <option key={v.id} value={v.id}>
              {v.name}
            </option>
          ))}
        </select>
        <button
          type="button"
          className="btn"
          disabled={!vessel}
          onClick={oneTap(() => {
            if (!vessel) return;
            const from = { id: batch.vesselId, name: batch.vesselName };
            doing.act(
              { kind: 'decant', from, to: { id: vessel.id, name: vessel.name } },
              `now in the ${vessel.name}. Print a new label.`,
            );
          })}
        >
          Move the liquor
        </button>
      </div>
    </div>
  );
}

/** A day and a time of the site's clock. */
function useWhen(first: EpochMs) {
  const clock = useClock();
  const [day, setDay] = useState<string>(() => siteDate(clock.zone, first));
  const [time, setTime] = useState(() =>
    clockTime({ ...clock, region: USUAL_REGION }, first).slice(0, 5),
  );
  const isWhole = /^\d{4}-\d\d-\d\d$/.test(day) && /^\d\d:\d\d$/.test(time);
  return { day, setDay, time, setTime, at: isWhole ? wallMoment(clock.zone, day, time).at : null };
}
function WhenBoxes({ label, when }: { label: string; when: ReturnType<typeof useWhen> }) {
  return (
    <>
      <input
        type="date"
        className="box"
        aria-label={`${label}, day`}
        value={when.day}
        onChange={(e) => when.setDay(e.target.value)}
      />
      <input
        type="time"
        className="box"
        aria-label={`${label}, time`}
        value={when.time}
        onChange={(e) => when.setTime(e.target.value)}
      />
    </>
  );
}

/** The leaf went in earlier or later than was kept: window and end move with it. */
function Retime({ batch, doing }: { batch: ColdBatch; doing: Doing }) {
  const clock = useClock();
  const when = useWhen(batch.leafIn);
  return (
    <div className="field-row">
      <span className="font-semibold">Leaf was in at</span>
      <div className="flex flex-wrap gap-2">
        <WhenBoxes label="Leaf was in at" when={when} />
        <button
          type="button"
          className="btn"
          disabled={when.at === null || when.at === batch.leafIn}
          onClick={oneTap(() => {
            if (when.at === null) return;
            doing.act(
              { kind: 'retime', from: batch.leafIn, to: when.at },
              `leaf was in at ${weekdayAndTime(clock, when.at)}.`,
            );
          })}
        >
          Correct the time
        </button>
      </div>
    </div>
  );
}

/** A lead may end a batch sooner; later only over age, with a reason, and to five days from lift. */
function End({ batch, doing }: { batch: ColdBatch; doing: Doing }) {
  const clock = useClock();
  const when = useWhen(batch.kept.discardAt);
  const [reason, setReason] = useState('');
  return (
    <div className="field-row">
      <span className="font-semibold">Throw out by</span>
      <div className="flex flex-wrap gap-2">
        <WhenBoxes label="Throw out by" when={when} />
        <input
          className="box flex-1 min-w-[160px]"
          aria-label="Reason"
          placeholder="Reason"
          maxLength={200}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
        <button
          type="button"
          className="btn"
          disabled={when.at === null}
          onClick={oneTap(() => {
            const until = when.at;
            if (until === null) return;
            const kind = until < batch.kept.discardAt ? 'shorten' : 'override';
            const done = doing.act(
              { kind, until, reason },
              `throw out by ${dayAndTime(clock, until)}. Print a new label.`,
            );
            if (done) setReason('');
          })}
        >
          Change the end
        </button>
      </div>
    </div>
  );
}
