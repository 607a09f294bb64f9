import { cupsOfShift, DRILLS, HANDS_S, SHIFT_PACE, SHIFT_S, type ShiftGiven } from '#core/training';
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
      <DrillHead
        title={DRILLS.shift.name}
        words={`${place.at} of ${place.of}, level ${given.level}`}
      />
      <section className="work" role="group" aria-label="The shift" tabIndex={0}>
        <p className="text-[24px] font-semibold">
          Serve {given.orders.length} orders in ten minutes. You have {given.cups.length} vessels.
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
          You do one thing at a time. A pour takes {HANDS_S.pour} seconds. To lift the leaf takes{' '}
          {HANDS_S.pull} seconds, and to serve takes {HANDS_S.serve} seconds. The clock of a steep
          begins with the pour.
        </p>
        <p className="mt-2">
          Lift each leaf in its window, and serve every order. A cup that was lifted outside its
          window counts only if nobody tastes the difference.
        </p>
        <p className="mt-2">
          A number key picks a vessel. Space does the next step there. Enter stops the clock and
          starts the clock again.
        </p>
        <p className="small mt-4">
          The clock of the shift runs {pace} times faster than a real clock and stops at{' '}
          {minutesText(SHIFT_S)}. Step by step there is no time limit: the clock waits until you
          press “Next moment”. Both ways count the same.
        </p>
        <p className="small mt-2">
          At the real bar, hot water and steam burn. Set a hot infuser on a saucer.
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
