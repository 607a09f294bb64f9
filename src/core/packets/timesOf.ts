import { seconds } from '#core/units';
import { type Context, isLimit, timeRole } from './context';
import type { Field, TimeRange } from './packet';

/** A longer time is of keeping, s. */
const LONGEST = 72 * 3600;

/** How long the boiled water stands, and how long the first steep takes. */
export function timesOf(context: Context): { wait: Field<TimeRange>; steep: Field<TimeRange> } {
  const times = context.quantities.flatMap((q) => {
    if (q.unit.of !== 'time' || q.doubtful) return [];
    const { seconds: per } = q.unit;
    const range: TimeRange = {
      from: seconds(Math.round(q.low * per)),
      to: seconds(Math.round(q.high * per)),
    };
    if (!(range.from > 0) || range.to > LONGEST) return [];
    return [{ q, range, role: timeRole(context, q), limit: isLimit(context, q) }];
  });
  const field = (list: typeof times): Field<TimeRange> => {
    const one = list.find((t) => !t.limit) ?? list[0];
    return one ? { value: one.range, used: [one.q] } : null;
  };
  return {
    wait: field(times.filter((t) => t.role === 'cool')),
    steep: field(times.filter((t) => t.role === 'steep')),
  };
}
