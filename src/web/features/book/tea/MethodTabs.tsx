import { type Method, METHOD_NAMES, METHODS } from '#core/recipes';
import { capital } from '#core/units';
import type { Tea } from '#contracts/teas';

/** The methods this tea has a recipe for; a lead adds another. */
export function MethodTabs({
  tea,
  at,
  lead,
  onPick,
  onNew,
}: {
  tea: Tea;
  at: Method;
  lead: boolean;
  onPick: (m: Method) => void;
  onNew: (m: Method) => void;
}) {
  const has = METHOD_NAMES.filter(
    (m) => m === tea.method || m === at || tea.recipes.some((r) => r.method === m),
  );
  const more = METHOD_NAMES.filter((m) => !has.includes(m));
  if (has.length < 2 && !lead) return null;
  return (
    <div className="method-tabs" role="group" aria-label="Methods">
      {has.map((m) => (
        <button type="button" key={m} aria-pressed={m === at} onClick={() => onPick(m)}>
          {capital(METHODS[m].label)}
        </button>
      ))}
      {lead && (
        <select
          className="box"
          aria-label="Recipe for another method"
          value=""
          onChange={(e) => onNew(e.target.value as Method)}
        >
          <option value="">another method</option>
          {more.map((m) => (
            <option key={m} value={m}>
              {METHODS[m].label}
            </option>
          ))}
        </select>
      )}
    </div>
  );
}
