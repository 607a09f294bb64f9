import { useCallback, useMemo } from 'react';
import { colourOfBrew } from '#core/colour';
import { type DrillFacts, houseCupOf, type ShiftCup } from '#core/training';
import { minutesText, type Seconds, seconds } from '#core/units';
import { SteepRule } from '../../../entities/brews/SteepRule';
import { Cup } from '../../../entities/teas/Cup';

type Given = { readonly facts: DrillFacts };

/** The house cup of a tea after so long. */
function useLiquorAfter(cup: ShiftCup) {
  const { brew } = useMemo(() => houseCupOf(cup), [cup]);
  return useCallback((s: Seconds) => colourOfBrew({ ...brew, time: s }, s), [brew]);
}

/** The window of a house recipe. */
export function ClockLesson({ facts: { shift } }: Given) {
  const [cup] = shift;
  return (
    <>
      <p>
        The clock begins when the water meets the leaf. Lift the leaf out within the bracket; the
        triangle is the best moment. On the bar the level rises to the pull line at that moment.
      </p>
      {cup && <Window cup={cup} />}
      <p className="mt-4">
        If two pots would be due at the same moment, wait 20 seconds before the second pour. The bar
        tells you.
      </p>
    </>
  );
}
const WIDE = 640;
function Window({ cup }: { cup: ShiftCup }) {
  const liquorAfter = useLiquorAfter(cup);
  return (
    <figure className="m-0 mt-4">
      <SteepRule
        window={{
          ...{ earliest: seconds(cup.earliest), best: seconds(cup.seconds) },
          latest: seconds(cup.latest),
        }}
        width={WIDE}
        liquorAfter={liquorAfter}
      />
      <figcaption className="mt-2">
        <b className="tea">{cup.tea}</b>, {cup.vessel}
      </figcaption>
    </figure>
  );
}

/** One tea lifted early, right and late. */
export function ColourLesson({ facts: { shift } }: Given) {
  const [cup] = shift;
  return (
    <>
      <p>
        Look at a cup from above, on white, in daylight if you can. Compare a cup with the house
        cup, not with your memory.
      </p>
      {cup && <ThreeCups cup={cup} />}
      <p className="mt-4">
        Within one tea, a darker cup is a stronger cup. Between two teas, colour says little: a pale
        tea can be strong. If you cannot see the colours apart, each colour drill offers figures.
      </p>
    </>
  );
}
const SHARES = [
  ['lifted early', 0.4],
  ['house cup', 1],
  ['lifted late', 2.5],
] as const;
function ThreeCups({ cup }: { cup: ShiftCup }) {
  const liquorAfter = useLiquorAfter(cup);
  return (
    <>
      <div className="porcelain three mt-4">
        {SHARES.map(([name, share]) => {
          const s = seconds(Math.round(cup.seconds * share));
          return (
            <figure key={name}>
              <Cup liquor={liquorAfter(s)} size={140} label={`Cup ${name}`} />
              <figcaption>
                {name}, {minutesText(s)}
              </figcaption>
            </figure>
          );
        })}
      </div>
      <p className="mt-2">
        <b className="tea">{cup.tea}</b>, {cup.vessel}
      </p>
    </>
  );
}
