import { Printer } from 'lucide-react';
import { useState } from 'react';
import { engagedHeatCapacity, firstContact, MATERIALS } from '#core/heat';
import { siteBoiling } from '#core/recipes';
import { celsius, grams, millilitres, numberText, temperatureText, volumeText } from '#core/units';
import { PROFILES } from '#core/vessels';
import type { Vessel } from '#contracts/vessels';
import { History } from '../../../entities/history/History';
import { useSession, useUnits } from '../../../entities/people/session';
import { useChangeVesselMutation } from '../../../entities/vessels/api';
import { failureOf } from '../../../platform/api';
import { Sheet } from '../../../ui/Dialog';
import { Note } from '../../../ui/Note';

/** What the wall does to boiling water, cold and warmed: the sums behind every card. */
export function Facts({ vessel }: { vessel: Vessel }) {
  const { site } = useSession();
  const units = useUnits();
  const boiling = siteBoiling(site);
  const at = (wall: number) =>
    firstContact({
      water: grams(vessel.mark),
      waterAt: boiling,
      material: vessel.material,
      capacity: vessel.brim,
      wallGrams: vessel.wallGrams ?? undefined,
      wallAt: celsius(wall),
      leaf: grams(vessel.mark * 0.012),
      leafAt: site.ambient,
    });
  const cold = at(site.ambient);
  return (
    <>
      <h2>
        Heat<small>boiling water straight in, to the mark</small>
      </h2>
      <dl className="spec" style={{ gridTemplateColumns: '90px 1fr' }}>
        <dt>cold</dt>
        <dd>
          <span className="mid">{temperatureText(cold, units.temperature)}</span>
          <p>
            on the leaf
            <em>
              the wall takes {numberText(boiling - cold, 0)} °C of{' '}
              {temperatureText(boiling, units.temperature)}
            </em>
          </p>
        </dd>
        <dt>warmed</dt>
        <dd>
          <span className="mid">{temperatureText(at(75), units.temperature)}</span>
          <p>
            on the leaf<em>wall at about 75 °C: from memory</em>
          </p>
        </dd>
      </dl>
      <p className="small mt-2">
        A {PROFILES[vessel.kind].label} of {MATERIALS[vessel.material].label}: the wall takes up{' '}
        {numberText(
          engagedHeatCapacity(vessel.material, vessel.brim, vessel.wallGrams ?? undefined),
          0,
        )}{' '}
        J a degree{vessel.wallGrams ? ', weighed' : ', the usual for its size'}. Water keeps{' '}
        {volumeText(millilitres(vessel.brim - vessel.mark), units.volume)} below the brim at the
        mark.
        {vessel.basketDepth === null
          ? ''
          : ` Its basket hangs ${numberText(vessel.basketDepth, 0)} mm deep.`}
      </p>
      {vessel.material === 'glass' && (
        <p className="cautions">
          <span>
            <b className="strong">Glass</b> breaks from sudden heat: warm it first, cold liquid
            first.
          </span>
        </p>
      )}
    </>
  );
}

export function LeadActs({
  vessel,
  onEdit,
  onWeigh,
}: {
  vessel: Vessel;
  onEdit: () => void;
  onWeigh: () => void;
}) {
  const { role } = useSession();
  const [change, { error, isLoading }] = useChangeVesselMutation();
  const [asking, setAsking] = useState(false);
  if (role !== 'lead') return null;
  const { id, siteId: _site, rev, retired, ...fields } = vessel;
  const set = (to: boolean) =>
    void change({ id, body: { ...fields, rev, retired: to } })
      .unwrap()
      .then(
        () => setAsking(false),
        () => setAsking(false),
      );
  return (
    <>
      {error && (
        <div className="mt-3">
          <Note bad>{failureOf(error).message}</Note>
        </div>
      )}
      <p className="small mt-3 prints">
        <Printer size={20} strokeWidth={2} aria-hidden="true" /> To print:{' '}
        <a
          className="btn quiet slim"
          href={`/api/vessels/${vessel.id}/pocket.pdf`}
          target="_blank"
          rel="noreferrer"
        >
          Pocket card
        </a>
        <a
          className="btn quiet slim"
          href={`/api/vessels/${vessel.id}/pocket.pdf?size=label62`}
          target="_blank"
          rel="noreferrer"
        >
          Label, 62 mm
        </a>
        <a
          className="btn quiet slim"
          href={`/api/vessels/${vessel.id}/scaling.pdf`}
          target="_blank"
          rel="noreferrer"
        >
          Scaling sheet
        </a>
      </p>
      <History thing="vessel" id={vessel.id} />
      <div className="foot">
        <button type="button" className="btn go" onClick={onWeigh}>
          Weigh it <kbd>W</kbd>
        </button>
        <button type="button" className="btn" onClick={onEdit}>
          Edit <kbd>E</kbd>
        </button>
        {retired ? (
          <button type="button" className="btn" disabled={isLoading} onClick={() => set(false)}>
            Back on the shelf
          </button>
        ) : (
          <button type="button" className="btn" onClick={() => setAsking(true)}>
            Retire
          </button>
        )}
      </div>
      <Sheet title={`Retire the ${vessel.name}?`} open={asking} onClose={() => setAsking(false)}>
        <p>It leaves the shelf and is no longer offered. The brews made in it keep it.</p>
        <div className="flex gap-2 mt-4">
          <button type="button" className="btn go" disabled={isLoading} onClick={() => set(true)}>
            Retire it
          </button>
          <button type="button" className="btn quiet" onClick={() => setAsking(false)}>
            Not yet
          </button>
        </div>
      </Sheet>
    </>
  );
}
