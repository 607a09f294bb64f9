import { v7 } from 'uuid';
import { dayFault, LOT_STATES, LOT_WORDS } from '#core/teas';
import type { LotFields } from '#contracts/teas';
import { lotRecord } from '../../teas';
import { alike } from '../records';
import { type Doing, type Out, type Read, teaNamed, twice } from './shared';

export const lotRows = ({ here }: Doing, out: Out) => {
  const seen = new Map<string, number>();
  return (r: Read) => {
    const tea = teaNamed(r, here);
    const name = r.text('lot', 60);
    if (name === '') r.fault('lot', 'This cell is empty.');
    if (!tea || name === '') return null;
    twice(r, 'lot', seen, `${tea.id} ${name.toLowerCase()}`);
    const found =
      here.lots.find((l) => l.teaId === tea.id && l.name.toLowerCase() === name.toLowerCase()) ??
      null;
    const was = found ? lotRecord(found) : null;
    const day = (column: 'arrived' | 'bestBefore') => {
      if (!r.has(column)) return was?.[column] ?? null;
      const says = r.says(column);
      const fault = says === '' ? null : dayFault(says);
      if (fault) r.fault(column, fault);
      return says || null;
    };
    const [arrived, bestBefore] = [day('arrived'), day('bestBefore')];
    if (arrived && bestBefore && bestBefore < arrived && !dayFault(bestBefore))
      r.fault('bestBefore', `Before it arrived (${arrived}).`);
    const state = r.has('state')
      ? r.oneOf('state', LOT_STATES, (s) => LOT_WORDS[s], was?.state ?? 'new')
      : (was?.state ?? 'new');
    if (
      state === 'inUse' &&
      here.lots.some((l) => l.teaId === tea.id && l.state === 'inUse' && l.id !== found?.id)
    )
      r.fault(
        'state',
        'Another lot of this tea is in use. Put this one in use on its page, when the other is finished.',
      );
    if (!state) return null;
    const after: LotFields = {
      name: found?.name ?? name,
      arrived,
      bestBefore,
      harvest: r.has('harvest') ? r.text('harvest', 60) : (was?.harvest ?? ''),
      note: r.has('note') ? r.text('note', 300) : (was?.note ?? ''),
      state,
      weighing: was?.weighing ?? null,
      versionId: was?.versionId ?? null,
    };
    return () => {
      const title = `${tea.name}, ${name}`;
      if (found && was && alike(was, after)) out.same += 1;
      else
        out.steps.push(
          found && was
            ? {
                thing: 'lot',
                what: 'changed',
                id: found.id,
                name: title,
                row: r.row,
                rev: found.rev,
                before: { ...was, teaId: tea.id },
                after: { ...after, teaId: tea.id },
              }
            : {
                thing: 'lot',
                what: 'added',
                id: v7(),
                name: title,
                row: r.row,
                after: { ...after, teaId: tea.id },
              },
        );
    };
  };
};
