import { isCold, lineDiffers, type Method, type RecipeLine } from '#core/recipes';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import { SteepRule } from '../../../entities/brews/SteepRule';
import { Cup } from '../../../entities/teas/Cup';
import { liquorAfter } from '../../../entities/teas/liquor';
import { dayText } from '../../../ui/days';

/** The two recipes line by line; what differs is bold. */
export function LinesTable({
  differing,
  tea,
  left,
  right,
  lines,
  method,
}: {
  differing: number;
  tea: Tea;
  left: Version;
  right: Version;
  lines: RecipeLine[];
  method: Method;
}) {
  return (
    <table>
      <thead>
        <tr>
          <th className="small">
            {differing === 0
              ? 'no line differs'
              : `${differing} ${differing === 1 ? 'line differs' : 'lines differ'}`}
          </th>
          <Head tea={tea} v={left} />
          <Head tea={tea} v={right} />
        </tr>
      </thead>
      <tbody>
        {lines.map((l) => (
          <tr key={l.name} className={lineDiffers(l) ? 'differs' : ''}>
            <th scope="row">{l.name}</th>
            <td>{l.left}</td>
            <td>
              {lineDiffers(l) ? <b>{l.right}</b> : l.right}
              {l.change && <span className="small"> {l.change}</span>}
            </td>
          </tr>
        ))}
        {!isCold(method) && (
          <tr>
            <th scope="row">Steep</th>
            {[left, right].map((v) => (
              <td key={v.id}>
                <SteepRule
                  window={v.recipe.window}
                  width={214}
                  height={16}
                  liquorAfter={(s) => liquorAfter(tea, v.recipe, s)}
                />
              </td>
            ))}
          </tr>
        )}
      </tbody>
    </table>
  );
}

function Head({ tea, v }: { tea: Tea; v: Version }) {
  const liquor = isCold(v.method) ? null : liquorAfter(tea, v.recipe, v.recipe.window.best);
  return (
    <th scope="col">
      <span className="flex gap-3 items-center">
        {liquor && <Cup liquor={liquor} size={48} />}
        <span>
          <b className="block text-[24px] leading-[1.1]">Version {v.number}</b>
          <span className="small">
            {v.state}, {dayText(v.at)}
          </span>
        </span>
      </span>
    </th>
  );
}
