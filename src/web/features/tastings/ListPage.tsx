import { Link } from 'react-router';
import type { TastingRow } from '#contracts/tastings';
import { useSession } from '../../entities/people/session';
import { useTastingsQuery } from '../../entities/tastings/setUpApi';
import { useBookQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { useFirstLoad } from '../../platform/useFirstLoad';
import { useGo } from '../../platform/useGo';
import { clockText, dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { exerciseName } from './cups';

const STAGE: Readonly<Record<TastingRow['stage'], string>> = {
  set: 'set up',
  running: 'brewing',
  tasting: 'being tasted',
  revealed: 'revealed',
  stopped: 'stopped',
};

/** Every tasting of the site: what is on, what waits for a sheet, what was found. */
export function TablePage() {
  const { site, role } = useSession();
  const go = useGo();
  const tastings = useTastingsQuery(site.id);
  const { data, isError, refetch } = tastings;
  // Its colour stands before each tasting: drawn later, it would move those below.
  const isLoading = useFirstLoad(tastings, useBookQuery());
  const maySet = role !== 'trainee';
  useKeys([
    { key: 'c', does: 'Read a colour', run: () => go('/table/colour') },
    { key: 'r', does: 'Rescue a cup', run: () => go('/school/rescue') },
    ...(maySet ? [{ key: 'n', does: 'Set up a tasting', run: () => go('/table/new') }] : []),
  ]);
  if (isLoading)
    return (
      <main className="page">
        <Loading what="the table" />
      </main>
    );
  const all = data?.tastings ?? [];
  const owed = all.filter((t) => t.owed);
  // A dial-in stands by its newest round.
  const shown = all.filter((t) => !t.superseded);
  return (
    <main className="page table-page" aria-label="Table">
      <div className="say">
        <h1 className="text-[22px] font-normal">Tastings at {site.name}</h1>
        <span className="gap" />
        <Link className="btn" to="/school/rescue">
          Rescue a cup <kbd>R</kbd>
        </Link>
        <Link className="btn" to="/table/colour">
          Read a colour <kbd>C</kbd>
        </Link>
        {maySet && (
          <Link className="btn go" to="/table/new">
            Set up a tasting <kbd>N</kbd>
          </Link>
        )}
      </div>
      <section className="work">
        {isError && !data && (
          <Note
            bad
            action={
              <button type="button" className="btn" onClick={() => void refetch()}>
                Try again
              </button>
            }
          >
            The tastings could not be fetched.
          </Note>
        )}
        {owed.length > 0 && (
          <div className="owed">
            <h2>Waits for your sheet</h2>
            {owed.map((t) => (
              <Row key={t.id} t={t} taste />
            ))}
          </div>
        )}
        {all.length > 0 && (
          <>
            <h2 className="mt-3">All of them</h2>
            <div className="rows">
              {shown.map((t) => (
                <Row key={t.id} t={t} />
              ))}
            </div>
          </>
        )}
        {all.length === 0 && !isError && (
          <div className="grid gap-3 py-6">
            <svg width="460" height="70" aria-hidden="true">
              {[0, 1, 2, 3].map((i) => (
                <path
                  key={i}
                  d={`M${20 + i * 110} 12c2 34 10 44 40 44s38-10 40-44`}
                  fill="none"
                  stroke="var(--line-2)"
                  strokeWidth="1.5"
                  strokeDasharray="6 5"
                />
              ))}
              <path d="M0 58h460" stroke="var(--ink)" strokeWidth="2" />
            </svg>
            <Nothing
              action={
                maySet ? (
                  <Link className="btn go" to="/table/new">
                    Set one up
                  </Link>
                ) : undefined
              }
            >
              Nothing was tasted together here yet.{' '}
              {maySet
                ? 'A ladder of four times takes a quarter of an hour.'
                : 'A brewer or a lead sets one up.'}
            </Nothing>
          </div>
        )}
      </section>
    </main>
  );
}

function Row({ t, taste = false }: { t: TastingRow; taste?: boolean }) {
  const { data: book } = useBookQuery();
  const tea = book?.teas.find((x) => x.id === t.tea.id);
  return (
    <Link className="tasting-row" to={taste ? `/table/${t.id}/taste` : `/table/${t.id}`}>
      {tea?.house ? <Cup liquor={houseLiquorOf(tea, tea.house.recipe)} size={32} /> : <span />}
      <span className="tea">
        {t.tea.name}
        {t.lot && <small>, {t.lot}</small>}
      </span>
      <span>
        {exerciseName(t)}
        {t.round !== null && `, round ${t.round}`}
      </span>
      <span className="small">
        {dayText(t.at)} {clockText(t.at)}, {t.setBy.name}
      </span>
      <span className="small">
        {t.handedIn} of {t.tasters} submitted
      </span>
      <b className={t.stage === 'revealed' || t.stage === 'stopped' ? 'font-medium' : ''}>
        {STAGE[t.stage]}
      </b>
    </Link>
  );
}
