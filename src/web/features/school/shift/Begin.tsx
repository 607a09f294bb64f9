import { cupsOfShift, SHIFT_PACE, SHIFT_S, type ShiftGiven } from '#core/training';
import { minutesText } from '#core/units';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { DrillHead } from '../DrillHead';
import type { Place } from '../Sitting';

/** Before a shift: what comes, how long each hand takes, and at which pace. */
export function Begin({
  given,
  place,
  onBegin,
}: {
  given: ShiftGiven;
  place: Place;
  onBegin: (isStepped: boolean) => void;
}) {
  const go = useGo();
  const pace = SHIFT_PACE[given.level];
  useKeys([
    { key: 'Enter', does: 'Begin', run: () => onBegin(false) },
    { key: 's', does: 'Begin step by step', run: () => onBegin(true) },
    { key: 'Escape', does: 'Leave', run: () => go('/school') },
  ]);
  return (
    <main className="page split diagnose">
      <DrillHead drill="shift" words={`${place.at} of ${place.of}, level ${given.level}`} />
      <section className="work" role="group" aria-label="The shift" tabIndex={0}>
        <p className="text-[24px] font-semibold">
          {given.orders.length} orders in ten minutes, {given.cups.length} vessels, one pair of
          hands.
        </p>
        <p className="mt-2">
          Only one tea is brewed in each vessel. One thing goes wrong during the shift.
        </p>
        <table className="skill-table mt-4">
          <thead>
            <tr>
              <th scope="col">Vessel and tea</th>
              <th scope="col">Best</th>
              <th scope="col">Window</th>
            </tr>
          </thead>
          <tbody>
            {cupsOfShift(given).map((cup, i) => (
              <tr key={cup.vessel}>
                <th scope="row">
                  {i + 1} · {cup.vessel}
                  <br />
                  <span className="tea">{cup.tea}</span>
                </th>
                <td>{minutesText(cup.seconds)}</td>
                <td>
                  {minutesText(cup.earliest)} to {minutesText(cup.latest)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section className="paper" aria-label="How it is run">
        <h2>How to run the shift</h2>
        <p className="mt-2">
          A pour takes 20 seconds, to lift the leaf 10, to serve 10. The clock of a steep begins
          with the pour.
        </p>
        <p className="mt-2">
          Serve every order, with its leaf out in its window. A cup outside its window counts if
          nobody tastes the difference.
        </p>
        <p className="mt-2">
          Keys: a number picks a vessel, Space does what is next there. Enter stops the clock and
          starts the clock again.
        </p>
        <p className="small mt-4">
          The shift lasts {minutesText(SHIFT_S)} by its own clock, which runs {pace} times faster
          than yours. Step by step there is no time limit: the clock stands until you send it to the
          next moment. Both count alike.
        </p>
        <p className="small mt-2">
          At the real bar: hot water and steam burn. Set a hot infuser on a saucer.
        </p>
        <div className="foot">
          <button type="button" className="btn go" onClick={() => onBegin(false)}>
            Begin, {pace} times faster <kbd>Enter</kbd>
          </button>
          <button type="button" className="btn" onClick={() => onBegin(true)}>
            Step by step <kbd>S</kbd>
          </button>
        </div>
      </section>
    </main>
  );
}
