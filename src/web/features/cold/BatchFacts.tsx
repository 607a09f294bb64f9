import { METHODS } from '#core/recipes';
import { dayAndTime, weekdayAndTime } from '#core/time';
import { numberText, readingText, temperatureText, volumeText } from '#core/units';
import type { ColdBatch } from '../../entities/batches/standing';
import { lengthWords } from '../../entities/batches/words';
import { useClock, useUnits } from '../../entities/people/session';
import { Fact } from '../../ui/Fact';

const BECAUSE = {
  keep: 'the keep limit ends then',
  aged: 'the batch was warm and ages faster',
  warm: 'the batch is too warm for four hours in all',
  counter: 'the hours of a counter brew, counted from leaf in, end then',
  shortened: 'a lead chose an earlier time',
  extended: 'a lead allowed a later time',
} as const;

/** What it was begun with, and until when it keeps, with the reason. */
export function BatchFacts({ batch }: { batch: ColdBatch }) {
  const units = useUnits();
  const clock = useClock();
  const { plan, kept } = batch;
  return (
    <>
      <div className="facts mt-3">
        <Fact label="leaf" unit="g">
          {numberText(plan.leaf)}
        </Fact>
        <Fact label="water" unit={`at ${temperatureText(plan.waterAt, units.temperature)}`}>
          {volumeText(plan.water, units.volume)}
        </Fact>
        <Fact label="leaf in">{weekdayAndTime(clock, batch.leafIn)}</Fact>
        <Fact label="throw out by">{weekdayAndTime(clock, kept.discardAt)}</Fact>
      </div>
      <p className="small mt-2">
        {METHODS[plan.method].label}, house recipe {batch.versionNumber}
        {batch.lot ? `, ${batch.lot.name}` : ''}
        {plan.ice > 0 ? `, ${numberText(plan.ice, 0)} g of the water as ice` : ''}; started by{' '}
        {batch.startedBy.name}; throw out by {dayAndTime(clock, kept.discardAt)}, because{' '}
        {BECAUSE[kept.because]}
        {kept.warmMinutes > 0 &&
          kept.because !== 'warm' &&
          `; warm for ${lengthWords(kept.warmMinutes)} in all`}
        .
        {kept.ifStays && (
          <b>
            {' '}
            At the last reading the fridge was warmer than{' '}
            {readingText(plan.keeping.limit, units.temperature)}. If the fridge stays so warm, throw
            the batch out by {dayAndTime(clock, kept.ifStays.discardAt)}.
          </b>
        )}
      </p>
    </>
  );
}
