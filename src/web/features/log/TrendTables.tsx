import { errorText, type GroupRow } from '#core/trends';
import type { Trends } from '#contracts/log';

export function Tables({ data }: { data: Trends }) {
  const one = (title: string, rows: GroupRow[]) =>
    rows.length > 0 && (
      <section key={title} className="mb-5">
        <table className="plain">
          <caption className="text-left font-bold text-[15px]">{title}</caption>
          <thead>
            <tr>
              <th scope="col">&nbsp;</th>
              <th scope="col" className="r">
                brews
              </th>
              <th scope="col" className="r">
                mean pull
              </th>
              <th scope="col" className="r">
                over 8 s late
              </th>
              <th scope="col" className="r">
                judged
              </th>
              <th scope="col" className="r">
                right
              </th>
              <th scope="col" className="r">
                not clear
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.key}>
                <th scope="row">{r.name}</th>
                <td className="r">{r.n}</td>
                <td className="r">{r.meanError === null ? '' : errorText(r.meanError)}</td>
                <td className="r">{r.late}</td>
                <td className="r">{r.judged}</td>
                <td className="r">
                  {r.judged ? `${r.right}, ${Math.round((100 * r.right) / r.judged)} %` : ''}
                </td>
                <td className="r">{r.looked ? `${r.notClear} of ${r.looked}` : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    );
  return (
    <div>
      {one('By tea', data.tables.tea)}
      {one('By vessel', data.tables.vessel)}
      {one('By kettle', data.tables.kettle)}
      {one('By hour of day', data.tables.hour)}
    </div>
  );
}
