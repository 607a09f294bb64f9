import { z } from 'zod';
import { isStanding, nowOf } from '#core/cold';
import { instantOfIso } from '#core/time';
import { Batch, type RecordFault } from '#contracts/batches';
import { type BatchEventBody } from '#contracts/batchEvents';
import type { Tx } from '../../db/pool';
import { allPeople } from '../people';
import { allLots, allTeas, allVersions } from '../teas';
import { allVessels } from '../vessels';
import { type ReadIn, secondOf } from './readingsIn';
import { knownBatches } from './repository';

// The whole record for an inspection, taken in again: batches that ended, with all that was done to them, and the
// readings of the fridge. What a batch was made of is looked for here by its id, then by its name.

const RecordFile = z.object({
  begun: z.array(Batch),
  temperatures: z.array(z.object({ at: z.string(), celsius: z.number() })),
});

/** A batch as it is kept here. */
export type BatchIn = {
  readonly batch: Batch;
  readonly teaId: string;
  readonly versionId: string;
  readonly lotId: string | null;
  readonly vesselId: string;
  /** By name; all of them are people of this house. */
  readonly personOf: ReadonlyMap<string, string>;
};
export type RecordIn = {
  readonly fresh: readonly BatchIn[];
  /** Batches that are here already, and those that had not ended when the record was made. */
  readonly known: number;
  readonly standing: number;
  readonly readings: readonly ReadIn[];
  readonly faults: readonly RecordFault[];
};

const fault = (where: string, why: string): RecordFault => ({ where, why });
const nothing = (faults: readonly RecordFault[]): RecordIn => ({
  ...{ fresh: [], known: 0, standing: 0, readings: [], faults },
});

const PARTS: Readonly<Record<string, string>> = { begun: 'batch', temperatures: 'temperature' };
/** A part of the file as it is called on the screen. */
const partWords = ([list, at]: readonly PropertyKey[]): string => {
  const part = PARTS[String(list)];
  return part === undefined || typeof at !== 'number' ? 'the file' : `${part} ${at + 1}`;
};
function fileOf(text: string): z.infer<typeof RecordFile> | readonly RecordFault[] {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return [
      fault('the file', 'This file is no record. Choose a file that “Everything, JSON” saved.'),
    ];
  }
  const read = RecordFile.safeParse(json);
  if (read.success) return read.data;
  // The first of each part: one wrong form makes many.
  const byPart = new Map(
    read.error.issues.map(({ path }) => [partWords(path), path.slice(2).join(', ')] as const),
  );
  return [...byPart].map(([part, field]) =>
    fault(part, field === '' ? 'This part is missing or damaged.' : `“${field}” cannot be read.`),
  );
}

type Here = {
  readonly teas: Awaited<ReturnType<typeof allTeas>>;
  readonly versions: Awaited<ReturnType<typeof allVersions>>;
  readonly vessels: Awaited<ReturnType<typeof allVessels>>;
  readonly lots: Awaited<ReturnType<typeof allLots>>;
  readonly people: ReadonlyMap<string, string>;
};
/** The same record here: by its id, else the only one that is called so. */
function found<T extends { readonly id: string; readonly name: string }>(
  all: readonly T[],
  id: string,
  name: string,
): T | undefined {
  return all.find((x) => x.id === id) ?? all.find((x) => x.name === name);
}

/** A batch with the records it rests on here, or what is missing. */
function batchIn(batch: Batch, siteId: string, here: Here): BatchIn | RecordFault[] {
  const where = `${batch.tea.name}, ${batch.vesselName}, ${new Date(batch.leafIn).toISOString()}`;
  const tea = found(here.teas, batch.tea.id, batch.tea.name);
  const version = here.versions.find(
    (v) =>
      v.teaId === tea?.id &&
      (v.id === batch.versionId ||
        (v.number === batch.versionNumber && v.method === batch.plan.method)),
  );
  const vessel = found(
    here.vessels.filter((v) => v.siteId === siteId),
    batch.vesselId,
    batch.vesselName,
  );
  const names = new Set([batch.startedBy.name, ...batch.events.map((e) => e.by)]);
  const strangers = [...names].filter((n) => !here.people.has(n));
  const faults = [
    ...(tea ? [] : [fault(where, `No tea here is called “${batch.tea.name}”.`)]),
    ...(tea && !version
      ? [fault(where, `${tea.name} has no version ${batch.versionNumber} of that method here.`)]
      : []),
    ...(vessel ? [] : [fault(where, `No vessel of this site is called “${batch.vesselName}”.`)]),
    ...strangers.map((n) => fault(where, `Nobody here is called “${n}”.`)),
  ];
  if (!tea || !version || !vessel || faults.length > 0) return faults;
  const lots = here.lots.filter((l) => l.teaId === tea.id);
  const lot = batch.lot && found(lots, batch.lot.id, batch.lot.name);
  if (batch.lot && !lot) return [fault(where, `${tea.name} has no lot “${batch.lot.name}” here.`)];
  return {
    ...{ batch, teaId: tea.id, versionId: version.id, vesselId: vessel.id },
    ...{ lotId: lot?.id ?? null, personOf: here.people },
  };
}

function readingsOf(file: z.infer<typeof RecordFile>): {
  readonly readings: readonly ReadIn[];
  readonly faults: readonly RecordFault[];
} {
  const bySecond = new Map<number, ReadIn>();
  const faults: RecordFault[] = [];
  file.temperatures.forEach(({ at, celsius }, i) => {
    const instant = instantOfIso(at);
    if (instant === null) faults.push(fault(`temperature ${i + 1}`, `“${at}” is no time.`));
    else bySecond.set(secondOf(instant), { at: instant, celsius });
  });
  return { readings: [...bySecond.values()].sort((a, b) => a.at - b.at), faults };
}

/** What a record has that is not here yet, and what keeps it out. */
export async function recordIn(tx: Tx, siteId: string, text: string): Promise<RecordIn> {
  const file = fileOf(text);
  if (!('begun' in file)) return nothing(file);
  const known = await knownBatches(
    tx,
    file.begun.map((b) => b.id),
  );
  const unknown = file.begun.filter((b) => !known.has(b.id));
  const ended = unknown.filter((b) => !isStanding(nowOf(b).state));
  const here: Here = {
    teas: await allTeas(tx),
    versions: await allVersions(tx),
    vessels: await allVessels(tx),
    lots: await allLots(tx),
    people: new Map((await allPeople(tx)).map((p) => [p.name, p.id])),
  };
  const tried = ended.map((b) => batchIn(b, siteId, here));
  const { readings, faults } = readingsOf(file);
  return {
    fresh: tried.flatMap((t) => ('batch' in t ? [t] : [])),
    known: file.begun.length - unknown.length,
    standing: unknown.length - ended.length,
    readings,
    faults: [...tried.flatMap((t) => ('batch' in t ? [] : t)), ...faults],
  };
}

/** What is kept of an event besides its own columns. */
export const bodyOf = ({ by: _by, flag: _flag, ...body }: Batch['events'][number]) =>
  body as BatchEventBody;
