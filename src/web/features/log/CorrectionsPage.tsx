import { Link } from 'react-router';
import { LEVER_WORDS } from '#core/corrections';
import type { Tally } from '#core/trends';
import { useCorrectionsQuery } from '../../entities/brews/logApi';
import { useSession } from '../../entities/people/session';
import { CannotRead } from '../../platform/Awaited';
import { useGo } from '../../platform/useGo';
import { dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';

/** What came of corrections: the next judged cup of the same tea, better, the same or worse. */
export function CorrectionsPage() {
  const { site } = useSession();
  const go = useGo();
  const { data, isLoading, isError, refetch } = useCorrectionsQuery(site.id);
  useKeys([{ key: 'Escape', does: 'To the trends', run: () => go('/log/trends') }]);
  if (isLoading)
    return (
      <main className="page">
        <Loading what="the results of corrections" />
      </main>
    );
  if (isError || !data)
    return (
      <main className="page p-6">
        <CannotRead what="the results of corrections" onAgain={() => void refetch()} />
      </main>
    );
  const { record: r } = data;
  return (
    <main className="page corrections-page" aria-label="Corrections">
      <div className="say">
        <h1 className="text-[22px] font-normal">Results of corrections at {site.name}</h1>
        {data.since !== null && (
          <span className="small">
            {data.looked} judged brews since {dayText(data.since)}
          </span>
        )}
        <span className="gap" />
        <Link className="btn quiet" to="/log/trends">
          To the trends <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work" role="group" tabIndex={0} aria-label="Results">
        <p className="headline">{r.words}</p>
        {r.taken.n === 0 ? (
          <Nothing>No correction was taken and judged again yet.</Nothing>
        ) : (
          <>
            <Bars
              rows={[
                { name: 'taken', ...r.taken },
                { name: 'taken, from all cups', ...r.ofAllCups },
                { name: 'not taken', ...r.notTaken },
              ]}
              title="Taken, and not"
            />
            <p className="mt-3">{r.ofAllCups.words}</p>
            <div className="two-tables">
              <Bars rows={r.byTea.slice(0, 12)} title="By tea" />
              <Bars
                rows={r.byLever.map((l) => ({ ...l, name: LEVER_WORDS[l.key] }))}
                title="By what was turned"
              />
            </div>
          </>
        )}
        <p className="small mt-3">
          A cup is better when its marks, all together, are fewer than the one before. Whether the
          next cup was really brewed as proposed is not known
          {r.waiting > 0
            ? `; ${r.waiting} taken ${r.waiting === 1 ? 'one waits' : 'ones wait'} for the next cup of ${r.waiting === 1 ? 'its' : 'their'} tea`
            : ''}
          .
        </p>
      </section>
    </main>
  );
}
function Bars({
  rows,
  title,
}: {
  rows: readonly (Tally & { readonly name: string })[];
  title: string;
}) {
  return (
    <table className="grid-table plain outcome" aria-label={title}>
      <thead>
        <tr>
          <th className="l">{title.toLowerCase()}</th>
          <th className="l wide">better, same, worse</th>
          <th>better</th>
          <th>of</th>
          <th>95 %, exact</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((t) => (
          <tr key={t.name}>
            <td className="l">{t.name}</td>
            <td className="l">
              <svg width="220" height="18" aria-hidden="true">
                {t.n > 0 && (
                  <>
                    <rect
                      x="0"
                      y="3"
                      width={(220 * t.better) / t.n}
                      height="12"
                      fill="var(--ink)"
                    />
                    <rect
                      x={(220 * t.better) / t.n}
                      y="3"
                      width={(220 * t.same) / t.n}
                      height="12"
                      fill="none"
                      stroke="var(--ink)"
                    />
                    <rect
                      x={(220 * (t.better + t.same)) / t.n}
                      y="3"
                      width={(220 * t.worse) / t.n}
                      height="12"
                      fill="url(#hatch)"
                      stroke="var(--warn)"
                    />
                  </>
                )}
              </svg>
            </td>
            <td>{t.better}</td>
            <td>{t.n}</td>
            <td>
              {t.n > 0
                ? `${Math.round(t.interval[0] * 100)} to ${Math.round(t.interval[1] * 100)} %`
                : ''}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
