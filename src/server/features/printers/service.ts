import { eq } from 'drizzle-orm';
import type { z } from 'zod';
import { escposOf, type Label, type PrinterDots, zplOf } from '#core/labels';
import { dayAndTime, USUAL_REGION } from '#core/time';
import { epochMs } from '#core/units';
import type { addPrinter, LabelOf, Printer, printOn } from '#contracts/printers';
import type { Tx } from '../../db/pool';
import { printers } from '../../db/schema';
import type { Deps } from '../../deps';
import { notFound } from '../../http/errors';
import type { Signed } from '../../http/route';
import { mustWorkAt } from '../../http/sites';
import { inRecordedTransaction } from '../history';
import { siteById } from '../people';
import { sendTo } from './send';

/** Labels of the records, made where the records are looked after. */
export type LabelSources = {
  readonly batch: (id: string, zone: string, who: Signed, origin: string) => Promise<Label>;
  readonly tea: (id: string, who: Signed, origin: string) => Promise<Label>;
};

const byId = async (tx: Tx, id: string): Promise<Printer | undefined> =>
  (await tx.select().from(printers).where(eq(printers.id, id)))[0];
async function requirePrinter(tx: Tx, id: string): Promise<Printer> {
  const printer = await byId(tx, id);
  if (!printer) throw notFound('That printer');
  return printer;
}

const bytesFor = ({ language, dots }: Printer, label: Label, copies: number): Uint8Array =>
  language === 'zpl'
    ? new TextEncoder().encode(zplOf(label, dots as PrinterDots, copies))
    : escposOf(label, copies);

/** Label printers of the sites, and what is printed on them. */
export function createPrinterService(deps: Deps, sources: LabelSources) {
  const { db, now } = deps;
  /** Said by a test label: that it came, from whom, when. */
  async function testLabel(printer: Printer, zone: string, who: Signed): Promise<Label> {
    const region = (await siteById(db, who.siteId))?.region ?? USUAL_REGION;
    return {
      lines: [
        { words: printer.name, style: 'name' },
        { words: `Test label by ${who.name}`, style: 'usual' },
        { words: 'äöü éèê ñ ß °C', style: 'small' },
        { words: dayAndTime({ zone, region }, epochMs(now())), style: 'block' },
      ],
      code: 'https://limnos.test/label',
    };
  }
  function labelOf(of: LabelOf, printer: Printer, who: Signed, origin: string): Promise<Label> {
    switch (of.kind) {
      case 'batch':
        return sources.batch(of.id, of.zone, who, origin);
      case 'tea':
        return sources.tea(of.id, who, origin);
      case 'test':
        return testLabel(printer, of.zone, who);
    }
  }
  return {
    all: (): Promise<Printer[]> => db.select().from(printers).orderBy(printers.name),
    add: ({ id, ...fields }: z.infer<typeof addPrinter.body>, who: Signed): Promise<Printer> =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        mustWorkAt(who, fields.siteId);
        const there = await byId(tx, id);
        if (there) return there;
        await tx.insert(printers).values({ id, ...fields });
        await record({ thing: 'printer', id, before: null, after: fields });
        return requirePrinter(tx, id);
      }),
    /** Taken out twice it is taken out once. */
    remove: (id: string, who: Signed) =>
      inRecordedTransaction(deps, who, async (tx, record) => {
        const there = await byId(tx, id);
        if (!there) return { removed: true as const };
        mustWorkAt(who, there.siteId);
        await tx.delete(printers).where(eq(printers.id, id));
        const { name, host, port } = there;
        await record({ thing: 'printer', id, before: { name, host, port }, after: {} });
        return { removed: true as const };
      }),
    async print(
      id: string,
      { of, copies }: z.infer<typeof printOn.body>,
      who: Signed,
      origin: string,
    ): Promise<{ bytes: number }> {
      const printer = await requirePrinter(db, id);
      mustWorkAt(who, printer.siteId);
      const bytes = bytesFor(printer, await labelOf(of, printer, who, origin), copies);
      await sendTo(printer, bytes);
      return { bytes: bytes.length };
    },
  };
}
