import { type BrewFacts, whatChanged } from '#core/brews';
import { lotAgeWords } from '#core/teas';
import { siteDate } from '#core/time';
import { epochMs } from '#core/units';
import type { Brew } from '#contracts/brews';
import { useLogQuery } from '../../entities/brews/api';
import { useZone } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { weekdayText } from '../../ui/days';

const factsOf = (brew: Brew, zone: string): BrewFacts => ({
  day: siteDate(zone, epochMs(brew.startedAt)),
  lot: brew.lot?.name ?? null,
  kettle: brew.kettle,
  vessel: brew.plan.vessel.name,
  version: brew.versionNumber,
  water: brew.plan.brewWater ?? null,
});

/** Before a recipe is changed for a flat cup: what was different when this tea was last right here. */
export function WhatChanged({ brew }: { brew: Brew }) {
  const zone = useZone();
  const { data: book } = useBookQuery();
  const { data, isError } = useLogQuery({
    ...{ siteId: brew.siteId, teaId: brew.tea.id, verdict: 'right' },
    to: epochMs(brew.startedAt),
  });
  const last = data?.brews[0];
  if (isError) return <p className="small">What changed cannot be read just now.</p>;
  if (!data) return null;
  if (!last) return <p className="small">No earlier cup of this tea was right here.</p>;
  const lot = book?.teas
    .find((tea) => tea.id === brew.tea.id)
    ?.lots.find(({ id }) => id === brew.lot?.id);
  const age = lot && lotAgeWords(lot, factsOf(brew, zone).day);
  const changes = [
    ...(lot && age ? [`${lot.name}: ${age}.`] : []),
    ...whatChanged(factsOf(last, zone), factsOf(brew, zone)),
  ];
  return (
    <section aria-label="What changed" className="mb-4">
      <h2>
        What changed<small>since the last right cup, {weekdayText(last.startedAt)}</small>
      </h2>
      {changes.length === 0 ? (
        <p>Lot, water, kettle and vessel are as they were. Look at the leaf itself: is it stale?</p>
      ) : (
        <ul className="list-disc pl-5">
          {changes.map((change) => (
            <li key={change}>{change}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
