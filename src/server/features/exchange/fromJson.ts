import { z } from 'zod';
import { ExchangeFile, type Fault } from '#contracts/exchange';
import { DEEPEST, depthOf } from '../../http/body';
import { issuesOf, JsonPlan } from './json/plan';
import { readSpoons } from './json/spoons';
import { readTeas } from './json/teas';
import { readVessels } from './json/vessels';
import { alike } from './records';
import type { Here } from './snapshot';
import type { Step } from './steps';

/** What a file would do. */
export type Planned = {
  readonly steps: Step[];
  readonly faults: Fault[];
  readonly rows: number;
  readonly same: number;
};

const MOST_ENTRIES = 20_000;
/** Reads the house's own document. Each entry stands or falls by itself; its row is its place in its list. */
export function planJson(
  text: string,
  here: Here,
): Planned | { readonly kind: 'bad'; readonly why: string } {
  if (depthOf(Buffer.from(text)) > DEEPEST)
    return { kind: 'bad', why: 'This is not a tea book: its lists are nested too deeply.' };
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (e) {
    return { kind: 'bad', why: `This is not JSON: ${(e as Error).message.slice(0, 120)}.` };
  }
  const loose = z
    .looseObject({
      format: z.literal('limnos-book'),
      version: z.literal(1),
      vocabulary: z.array(z.unknown()),
      spoons: z.array(z.unknown()),
      teas: z.array(z.unknown()),
      vessels: z.array(z.unknown()),
    })
    .safeParse(raw);
  if (!loose.success)
    return {
      kind: 'bad',
      why: 'This is not a tea book of this house’s format: “format” must be “limnos-book”, “version” 1, with vocabulary, spoons, teas and vessels.',
    };
  const file = loose.data;
  const entries =
    file.vocabulary.length + file.spoons.length + file.teas.length + file.vessels.length;
  if (entries > MOST_ENTRIES)
    return {
      kind: 'bad',
      why: `The file has ${entries} entries: at most ${MOST_ENTRIES} at once.`,
    };
  const plan = new JsonPlan(here);
  readVocabulary(plan, file.vocabulary);
  const spoonIds = readSpoons(plan, file.spoons);
  readTeas(plan, file.teas, spoonIds);
  readVessels(plan, file.vessels);
  const { steps, faults, same } = plan;
  return { steps, faults, same, rows: file.spoons.length + file.teas.length + file.vessels.length };
}

/** The house's own words, as one list. */
function readVocabulary(plan: JsonPlan, given: readonly unknown[]): void {
  const words = z.array(z.string().max(30)).max(80).safeParse(given);
  if (!words.success) plan.faults.push(...issuesOf(words.error, given, 1, 'vocabulary'));
  else if (!alike(words.data, plan.here.vocabulary))
    plan.steps.push({
      thing: 'vocabulary',
      id: 'house',
      name: 'the list of words',
      row: 1,
      what: 'changed',
      before: plan.here.vocabulary,
      after: words.data,
    });
}
/** The schema of the document, for docs/formats. */
export const exchangeSchema = () =>
  z.toJSONSchema(ExchangeFile, { io: 'input', unrepresentable: 'any' });
