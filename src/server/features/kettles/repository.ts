import { asc, eq } from 'drizzle-orm';
import type { Kettle, KettleReading } from '#contracts/kettles';
import type { Tx } from '../../db/pool';
import { kettleReadings, kettles, people } from '../../db/schema';

type ReadingRow = { r: typeof kettleReadings.$inferSelect; by: string };
const asReading = ({ r, by }: ReadingRow): Kettle['readings'][number] => ({
  ...({
    id: r.id,
    kind: r.kind,
    boil: r.boil,
    seconds: r.seconds,
    celsius: r.celsius,
    kettleCelsius: r.kettleCelsius,
    water: r.water,
    ambient: r.ambient,
    simulated: r.simulated,
  } as KettleReading),
  at: r.at.getTime(),
  by: { id: r.personId, name: by },
});
const readingRows = (tx: Tx) =>
  tx
    .select({ r: kettleReadings, by: people.name })
    .from(kettleReadings)
    .innerJoin(people, eq(people.id, kettleReadings.personId));
const OLDEST_FIRST = [asc(kettleReadings.at), asc(kettleReadings.seconds)] as const;

/** Every kettle with its readings, oldest first. */
export async function allKettles(tx: Tx): Promise<Kettle[]> {
  const readings = await readingRows(tx).orderBy(...OLDEST_FIRST);
  return (await tx.select().from(kettles))
    .map((k) => ({
      ...k,
      readings: readings.filter((x) => x.r.kettleId === k.id).map(asReading),
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
}
export async function kettleById(tx: Tx, id: string): Promise<Kettle | undefined> {
  const [row] = await tx.select().from(kettles).where(eq(kettles.id, id));
  if (!row) return undefined;
  const readings = await readingRows(tx)
    .where(eq(kettleReadings.kettleId, id))
    .orderBy(...OLDEST_FIRST);
  return { ...row, readings: readings.map(asReading) };
}
