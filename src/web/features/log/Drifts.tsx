import { Link } from 'react-router';
import type { Drift } from '#core/trends';
import type { Trends } from '#contracts/log';
import { dayText } from '../../ui/days';

/** Where a line's evidence is. */
function linkOf(d: Drift): string {
  switch (d.by) {
    case 'tea':
      return `/log/trends?tea=${d.of}`;
    case 'vessel':
      return `/log/trends?vessel=${d.of}`;
    case 'hour':
      return `/log/trends?hour=${d.of}`;
    case 'lot':
      return `/log/trends?lot=${d.of}&of=colour`;
    case 'kettle':
      return `/log/trends?kettle=${encodeURIComponent(d.of)}&of=verdict`;
    case 'crowded':
      return '/log?pull=outside';
  }
}

export function Drifts({
  data,
  siteName,
  lead,
}: {
  data: Trends;
  siteName: string;
  lead: boolean;
}) {
  return (
    <>
      <h2 className="drift-head">
        What drifts
        <small>
          {data.since === null ? `at ${siteName}` : `at ${siteName}, since ${dayText(data.since)}`}
        </small>
      </h2>
      <ol className="drifts">
        {data.drifts.map((d) => (
          <li key={d.headline}>
            <div>
              <b>{d.headline}</b>
              <span className="small">{d.evidence}</span>
            </div>
            <Link className="btn quiet slim" to={linkOf(d)}>
              See<span className="visually-hidden">: {d.headline}</span>
            </Link>
          </li>
        ))}
        <li>
          <div>
            <b>{lastLine(data)}</b>
            <span className="small">{data.looked} brews looked at</span>
          </div>
        </li>
      </ol>
      <p className="small mt-3">
        A line needs eight brews on either side and a chance under 1 in 200.{' '}
        {lead
          ? 'What one person does is shown to them, and to leads as training evidence, not here.'
          : 'Your own figures: pick “my own” above. Nobody else’s are shown.'}
      </p>
    </>
  );
}

/** The last line of what drifts: nothing else, too few, or nothing. */
function lastLine(data: Trends) {
  if (data.drifts.length) return 'Nothing else has moved';
  if (data.looked < 20) return 'Too few brews to tell';
  return 'Nothing has moved';
}
