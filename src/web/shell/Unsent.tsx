import { brewsApi } from '../entities/brews/api';
import { isBrewWrite } from '../entities/brews/writes';
import { isTastingWrite } from '../entities/tastings/writes';
import { giveUp, tryAgain } from '../platform/outbox/outbox';
import { makerOf, type WaitingWrite } from '../platform/outbox/writes';
import { useAppDispatch, useAppSelector } from '../platform/store';
import { clockText } from '../ui/days';

const EVENTS: Readonly<Record<string, string>> = {
  waterOn: 'Water on',
  pull: 'End of the steep',
  undoPull: 'Steep on',
  leafBack: 'Leaf back',
  judge: 'Judged cup',
  close: 'Off the bar, not judged',
  abandon: 'Brew given up',
  undo: 'Undo',
  step: 'Step',
  reading: 'Thermometer reading',
  colour: 'Colour reading',
  solids: 'Refractometer reading',
  pair: 'Two pots together',
  claim: '“It was me”',
};

/** What a write was, in the words of whoever made it. */
function writeText(w: WaitingWrite, teaOf: (brewId: string) => string | undefined): string {
  if (isTastingWrite(w)) return `Tasting, ${clockText(w.body.at)}`;
  if (!isBrewWrite(w)) return 'Lock of this tablet';
  switch (w.kind) {
    case 'start':
      return `Start of ${w.brew.tea.name}, ${clockText(w.body.at)}`;
    case 'event':
      return `${EVENTS[w.body.kind] ?? 'Change'} of ${teaOf(w.brewId) ?? 'a brew'}, ${clockText(w.body.at)}`;
    case 'order':
    case 'orderChange':
      return `Queue: ${w.order.teaName}`;
  }
}

/** Every record that waits on this device: whose it is, what it waits for, and what can be done. */
export function Unsent({ me }: { me: string }) {
  const dispatch = useAppDispatch();
  const waiting = useAppSelector((s) => s.outbox.waiting);
  const bar = useAppSelector((s) => brewsApi.endpoints.bar.select()(s as never).data);
  const started = waiting.flatMap((w) => (isBrewWrite(w) && w.kind === 'start' ? [w.brew] : []));
  const teaOf = (id: string) =>
    [...(bar?.brews ?? []), ...started].find((b) => b.id === id)?.tea.name;
  if (waiting.length === 0) return <p>All records are saved.</p>;
  return (
    <ul className="unsent">
      {waiting.map((w) => {
        const maker = makerOf(w);
        const whose = maker?.device ?? maker?.name ?? '';
        const isOthers = maker !== null && maker.device === null && maker.personId !== me;
        return (
          <li key={w.id}>
            <b>{writeText(w, teaOf)}</b>
            <span className="small">
              {w.aside &&
                `${whose}: set aside. The server failed five times on this record. ${w.aside.why}`}
              {!w.aside && isOthers && `This record waits until ${whose} signs in on this device.`}
              {!w.aside && !isOthers && `${whose}: waits for the server.`}
            </span>
            {w.aside && (
              <span className="flex gap-2">
                <button type="button" className="btn slim" onClick={() => dispatch(tryAgain(w))}>
                  Try again
                </button>
                <button
                  type="button"
                  className="btn slim quiet"
                  onClick={() => dispatch(giveUp(w))}
                >
                  Drop this record
                </button>
              </span>
            )}
          </li>
        );
      })}
    </ul>
  );
}
