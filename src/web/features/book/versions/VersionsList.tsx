import { type Method, METHODS } from '#core/recipes';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import { dayText } from '../../../ui/days';

/** Every version of this recipe, to be put at the left or the right. */
export function VersionsList({
  tea,
  method,
  versions,
  left,
  right,
  choose,
}: {
  tea: Tea;
  method: Method;
  versions: readonly Version[];
  left: Version;
  right: Version;
  choose: (side: 'left' | 'right', v: Version) => void;
}) {
  return (
    <div className="versions-list">
      <h1 className="tea text-[22px]">{tea.name}</h1>
      {method !== tea.method && <p className="small">{METHODS[method].label}</p>}
      <ul>
        {versions.map((v) => (
          <li key={v.id} className={v === left || v === right ? 'on' : ''}>
            <b>{v.number}</b>
            <div>
              <p>
                <b>{v.state}</b>
                {sideOf(v, left, right)}
              </p>
              <p className="small">{v.reason}</p>
              <p className="small">
                {v.author.name}, {dayText(v.at)}
              </p>
              <span className="flex gap-2">
                <button
                  type="button"
                  className="btn slim"
                  disabled={v === left || v === right}
                  onClick={() => choose('left', v)}
                  aria-label={`Version ${v.number} at the left`}
                >
                  Left
                </button>
                <button
                  type="button"
                  className="btn slim"
                  disabled={v === left || v === right}
                  onClick={() => choose('right', v)}
                  aria-label={`Version ${v.number} at the right`}
                >
                  Right
                </button>
              </span>
            </div>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Which side of the comparison a version is on. */
function sideOf(v: Version, left: Version, right: Version) {
  if (v === left) return ', left';
  if (v === right) return ', right';
  return '';
}
