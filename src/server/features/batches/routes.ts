import type { Label } from '#core/labels';
import {
  addBatchEvent,
  exportCold,
  getCold,
  printBatchLabel,
  startBatch,
  takeColdRecord,
} from '#contracts/batches';
import { changeColdPlan, getColdPlan } from '#contracts/coldPlans';
import { addFridgeReading, answerFridgeGap, takeFridgeReadings } from '#contracts/fridge';
import type { Deps } from '../../deps';
import { invalid } from '../../http/errors';
import type { routes, Signed } from '../../http/route';
import type { LiveHub } from '../live';
import { type LabelledBatch, labelLines } from './labelFacts';
import { createColdPlanService } from './plan';
import { recordCsv, recordJson, recordOf } from './record';
import { createBatchService } from './service';
import { BATCH_TASKS } from './tasks';

type Cold = ReturnType<typeof createBatchService>;
async function labelledBatch(
  cold: Cold,
  id: string,
  zone: string,
  who: Signed,
  origin: string,
): Promise<LabelledBatch> {
  const batch = await cold.one(id, who);
  const { limits, region } = await cold.place(batch.siteId);
  return {
    batch,
    air: await cold.air(batch.siteId),
    limits,
    clock: { zone, region },
    address: `${origin}/cold/${batch.id}`,
  };
}
/** The label of a batch, for label printers. */
export function batchLabels(deps: Deps, live: Pick<LiveHub, 'nudge'>) {
  const cold = createBatchService(deps, live);
  return async (id: string, zone: string, who: Signed, origin: string): Promise<Label> =>
    labelLines(await labelledBatch(cold, id, zone, who, origin));
}

export function batchRoutes(
  on: ReturnType<typeof routes>,
  deps: Deps,
  live: Pick<LiveHub, 'nudge'>,
) {
  const cold = createBatchService(deps, live);
  on.signed(getCold, ({ who }) => cold.cold(who.siteId));
  const plans = createColdPlanService(deps, live);
  on.signed(getColdPlan, ({ who }) => plans.plan(who.siteId));
  on.signed(changeColdPlan, ({ body, who }) => plans.change(body, who));
  on.signed(startBatch, ({ body, who }) => cold.start(body, who));
  on.signed(addBatchEvent, ({ params, body, who }) => cold.event(params.id, body, who));
  on.signed(answerFridgeGap, ({ body, who }) => cold.answerGap(body, who));
  on.signed(takeFridgeReadings, ({ body, who }) => cold.takeReadings(body, who));
  on.signed(takeColdRecord, ({ body, who }) => cold.takeRecord(body, who));
  on.signed(addFridgeReading, ({ body, who }) => cold.read(body, who));
  on.file(exportCold, async ({ params, query, who }) => {
    if (query.to <= query.from) throw invalid({ to: 'The period ends before it begins.' });
    if (params.table === 'record' && params.form !== 'json')
      throw invalid({ form: 'The whole record is JSON; each table is there as CSV and PDF.' });
    const record = recordOf(await cold.period(who.siteId, query.from, query.to), query.zone);
    if (params.form === 'pdf' && params.table !== 'record')
      return {
        type: 'application/pdf',
        name: `cold ${params.table}.pdf`,
        body: await deps.work.run(BATCH_TASKS.record, {
          record,
          table: params.table,
          zone: query.zone,
        }),
      };
    const csv = params.form === 'csv';
    return {
      type: csv ? 'text/csv; charset=utf-8' : 'application/json; charset=utf-8',
      name: `cold ${params.table}.${params.form}`,
      body: Buffer.from(csv ? recordCsv(record, params.table) : recordJson(record, params.table)),
      save: true,
    };
  });
  on.file(printBatchLabel, async ({ params, query, who, req }) => {
    const origin = `${req.protocol}://${req.get('host') ?? ''}`;
    const labelled = await labelledBatch(cold, params.id, query.zone, who, origin);
    return {
      type: 'application/pdf',
      name: `${labelled.batch.tea.name} ${labelled.batch.vesselName}.pdf`,
      body: await deps.work.run(BATCH_TASKS.label, labelled),
    };
  });
}
