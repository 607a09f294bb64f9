import { Link } from 'react-router';
import { MATERIALS } from '#core/heat';
import { volumeText } from '#core/units';
import { INFUSERS } from '#core/vessels';
import type { Vessel } from '#contracts/vessels';
import { useBarLayout } from '../../entities/brews/useBarLayout';
import { useKettlesQuery } from '../../entities/kettles/api';
import { useSession, useUnits } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useSpoonsQuery } from '../../entities/teas/spoonsApi';
import { useVesselsQuery } from '../../entities/vessels/api';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { CannotRead } from '../../platform/Awaited';
import { useFirstLoad } from '../../platform/useFirstLoad';
import { Loading, Nothing } from '../../ui/Note';
import { Kettles } from './Kettles';
import { Spoons } from './Spoons';

/** So many vessels stand on a shelf, and so many on a narrow screen's, smaller. */
const PER_SHELF = { desk: 5, tablet: 4, phone: 2 } as const;
const SCALE = { desk: 0.8, tablet: 0.7, phone: 0.62 } as const;

/** The site's vessels, standing on their shelves at one scale. */
export function ShelfPage() {
  const { data, isLoading, isError, refetch } = useVesselsQuery();
  const { site, role } = useSession();
  const { kind } = useBarLayout(1);
  if (isLoading)
    return (
      <main className="page">
        <Loading what="the shelf" />
      </main>
    );
  const here = (data?.vessels ?? []).filter((v) => v.siteId === site.id);
  const standing = here.filter((v) => !v.retired);
  const retired = here.filter((v) => v.retired);
  const perShelf = PER_SHELF[kind];
  const rows = Array.from({ length: Math.ceil(standing.length / perShelf) }, (_, i) =>
    standing.slice(i * perShelf, (i + 1) * perShelf),
  );
  return (
    <main className="page scroll">
      <div className="p-6 pt-4">
        <div className="flex items-center gap-4 mb-1">
          <h1 className="text-[22px] flex-1">
            {standing.length} {standing.length === 1 ? 'vessel' : 'vessels'}{' '}
            <span className="small text-[16px] font-normal">
              at one scale; the tick is the fill mark. Touch one to open it
            </span>
          </h1>
          {role === 'lead' && (
            <Link className="btn go" to="/shelf/new">
              New vessel
            </Link>
          )}
        </div>
        {isError && <CannotRead what="the shelf" onAgain={() => void refetch()} />}
        {standing.length === 0 ? (
          <Nothing
            action={
              role === 'lead' && (
                <Link className="btn go" to="/shelf/new">
                  New vessel
                </Link>
              )
            }
          >
            No vessel at {site.name} yet. Measure each once with a scale.
          </Nothing>
        ) : (
          <div className="shelf-list">
            {rows.map((row) => (
              <Row key={row[0]?.id} row={row} perShelf={perShelf} scale={SCALE[kind]} />
            ))}
          </div>
        )}
        <UnderTheVessels retired={retired} />
      </div>
    </main>
  );
}

/** What stands under the vessels, drawn together: one after the other, the later would move the earlier. */
function UnderTheVessels({ retired }: { retired: readonly Vessel[] }) {
  const kettles = useKettlesQuery();
  const spoons = useSpoonsQuery();
  const book = useBookQuery();
  const loads = useFirstLoad(kettles, spoons, book);
  if (loads) return <Loading what="kettles and spoons" />;
  return (
    <>
      <Kettles />
      <Spoons />
      {retired.length > 0 && (
        <p className="small mt-4">
          Retired:{' '}
          {retired.map((v, i) => (
            <span key={v.id}>
              {i > 0 && ', '}
              <Link to={`/shelf/${v.id}`}>{v.name}</Link>
            </span>
          ))}
        </p>
      )}
    </>
  );
}

function Row({
  row,
  perShelf,
  scale,
}: {
  row: readonly Vessel[];
  perShelf: number;
  scale: number;
}) {
  const units = useUnits();
  const grid = { gridTemplateColumns: `repeat(${perShelf}, minmax(0, 1fr))` };
  return (
    <div>
      <div className="board" style={grid}>
        {row.map((v) => (
          <Link key={v.id} to={`/shelf/${v.id}`} tabIndex={-1} aria-hidden="true">
            <VesselDrawing vessel={v} scale={scale} label="" bowl={v.kind === 'tasting'} />
          </Link>
        ))}
      </div>
      <div className="tags" style={grid}>
        {row.map((v) => (
          <Link className="tag no-underline" key={v.id} to={`/shelf/${v.id}`}>
            <b>{v.name}</b>
            {volumeText(v.mark, units.volume)} to the mark, brim {volumeText(v.brim, units.volume)}
            <br />
            <span className="use">
              {MATERIALS[v.material].label}, {INFUSERS[v.infuser].label}
            </span>
          </Link>
        ))}
      </div>
    </div>
  );
}
