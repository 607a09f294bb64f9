import { Link } from 'react-router';
import { volumeText } from '#core/units';
import { useKettlesQuery } from '../../entities/kettles/api';
import { useSession, useUnits } from '../../entities/people/session';
import { factsOf } from './kettle';
import { KettleDrawing } from './KettleDrawing';

/** The site's kettles, urns and jugs, with how each is known. */
export function Kettles() {
  const { data } = useKettlesQuery();
  const { site, role } = useSession();
  const units = useUnits();
  const here = (data?.kettles ?? []).filter((k) => k.siteId === site.id && !k.retired);
  return (
    <section aria-label="Kettles">
      <div className="flex items-end gap-3 mt-6">
        <h2 className="flex-1 text-[20px]">
          Kettles<small>read once, each says how long to wait for a heat</small>
        </h2>
        {role === 'lead' && (
          <Link className="btn slim" to="/shelf/kettles/new">
            New kettle
          </Link>
        )}
      </div>
      {here.length === 0 ? (
        <p className="small">No kettle at {site.name} yet: recipe cards use a usual kettle.</p>
      ) : (
        <ul className="kettles">
          {here.map((k) => {
            const { fit } = factsOf(k, site);
            return (
              <li key={k.id}>
                <Link to={`/shelf/kettles/${k.id}`}>
                  <KettleDrawing kettle={k} />
                  <b>{k.name}</b>
                  <span className="small">
                    {volumeText(k.volume, units.volume)},{' '}
                    {fit.kind === 'fitted' ? `fitted, ${fit.readings} readings` : 'not read yet'}
                    {site.kettle.name === k.name ? ', used by recipe cards' : ''}
                  </span>
                </Link>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
