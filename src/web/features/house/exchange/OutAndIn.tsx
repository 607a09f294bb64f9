import { TABLES } from '#contracts/exchange';
import { ROUTES } from '#contracts/routes';
import { useImportsQuery } from '../../../entities/exchange/api';
import { Before } from './Outcome';

/** The ways out, the way in, and what was brought in before. */
export function OutAndIn({ onChoose, wrong }: { onChoose: () => void; wrong: string }) {
  const { data } = useImportsQuery();
  return (
    <>
      <h1 className="text-[28px]">Exchange</h1>
      <h2 className="mt-4">
        Bring in
        <small>
          a book of this house’s format, or a table of teas, lots, recipes or vessels as CSV
        </small>
      </h2>
      <p>
        Drop a file here or choose one. It is read first: you see what it would add and change, and
        every fault by row and column. Nothing is written until you confirm it.
      </p>
      <div className="mt-2">
        <button type="button" className="btn go" onClick={onChoose}>
          Choose a file
        </button>
      </div>
      {wrong && (
        <p className="fault mt-2" role="alert">
          {wrong}
        </p>
      )}
      <h2 className="mt-6">Take out</h2>
      <ul className="take-out">
        <li>
          <b>The whole book</b>
          <span className="small">
            teas, lots, recipes with every version, scoops, vessels; it comes back in as it went out
          </span>
          <a className="btn slim" href="/api/exchange/book.json" download>
            JSON
          </a>
        </li>
        {TABLES.map((t) => (
          <li key={t}>
            <b>
              {t[0]?.toUpperCase()}
              {t.slice(1)}
            </b>
            <span className="small">a table, each unit in its header</span>
            <span className="flex gap-2">
              <a className="btn slim" href={`/api/exchange/${t}.csv`} download>
                CSV, 1.5
              </a>
              <a className="btn slim" href={`/api/exchange/${t}.csv?comma=comma`} download>
                CSV, 1,5
              </a>
            </span>
          </li>
        ))}
      </ul>
      <h2 className="mt-6">
        The whole house<small>to leave with, to look into, to begin elsewhere</small>
      </h2>
      <ul className="take-out">
        <li>
          <b>Everything</b>
          <span className="small">
            brews, cups, tastings, cold batches, training, people and pictures as JSON Lines and CSV
            with their schemas. PINs, keys and paired devices stay behind
          </span>
          <a className="btn slim" href={ROUTES.exportHouse.path} download>
            ZIP
          </a>
        </li>
      </ul>
      <p className="small mt-2">
        Names of people are in it. It goes in again on a machine with an empty house, with{' '}
        <code>npm run whole-house</code>. To guard against loss use Backups: a backup is checked and
        can be sealed.
      </p>
      <h2 className="mt-6">Brought in before</h2>
      {(data?.imports ?? []).length === 0 ? (
        <p className="small">Nothing yet.</p>
      ) : (
        <ul className="take-out">
          {data?.imports.map((i) => (
            <Before key={i.id} one={i} />
          ))}
        </ul>
      )}
    </>
  );
}
