import { dayAndTime } from '#core/time';
import type { EpochMs } from '#core/units';
import type { Backup } from '#contracts/backups';
import { useClock } from '../../../entities/people/session';
import { agoText } from '../../../ui/ago';
import { checkedText, holdsText, sizeText } from './words';

/** Every backup there is, the newest first. */
export function BackupList({ backups, now }: { backups: readonly Backup[]; now: number }) {
  const clock = useClock();
  if (backups.length === 0) return null;
  return (
    <div className="overflow-x-auto min-w-0">
      <table className="grid-table plain">
        <thead>
          <tr>
            <th className="l">made</th>
            <th className="l opt">holds</th>
            <th className="l">checked</th>
            <th>size</th>
          </tr>
        </thead>
        <tbody>
          {backups.map((b) => (
            <tr key={b.name}>
              <td className="l whitespace-nowrap">
                {dayAndTime(clock, b.at as EpochMs)}
                <div className="small">{agoText(b.at, now)}</div>
              </td>
              <td className="l opt">
                {b.holds ? holdsText(b.holds) : 'not noted'}
                <div className="small break-all">{b.name}</div>
              </td>
              <td className="l">
                {checkedText(b)}
                {b.faults.length > 0 && <div className="fault">{b.faults.join('; ')}</div>}
              </td>
              <td className="whitespace-nowrap">
                {sizeText(b.bytes)}
                <div className="small">{b.sealed ? 'sealed' : 'not sealed'}</div>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
