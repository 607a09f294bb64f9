import { z } from 'zod';
import type { Fault } from '#contracts/exchange';
import { alike } from '../records';
import type { Here } from '../snapshot';
import type { Step } from '../steps';

export const brief = (v: unknown) =>
  v === undefined ? '' : (typeof v === 'string' ? v : JSON.stringify(v)).slice(0, 60);
export const at = (root: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((o, k) => (o as Record<PropertyKey, unknown> | undefined)?.[k], root);
export function issuesOf(error: z.ZodError, root: unknown, row: number, list: string): Fault[] {
  return error.issues.map((i) => ({
    row,
    column: `${list}${i.path.length ? `.${i.path.join('.')}` : ''}`,
    says: brief(at(root, i.path)),
    why: i.code === 'unrecognized_keys' ? `Not known here: ${i.keys.join(', ')}.` : i.message,
    will: 'refused',
    as: '',
    answers: [],
  }));
}

/** What a file would do, as it is read entry by entry. */
export class JsonPlan {
  readonly steps: Step[] = [];
  readonly faults: Fault[] = [];
  /** Entries that are here already, alike. */
  same = 0;
  private readonly seen = new Set<string>();

  constructor(readonly here: Here) {}

  /** Says what is wrong with an entry; it is left out. */
  refuse(row: number, column: string, says: string, why: string): void {
    this.faults.push({ row, column, says, why, will: 'refused', as: '', answers: [] });
  }

  /** An entry of a list as it should be; null, and said, when it is not. */
  entry<S extends z.ZodType>(
    schema: S,
    given: unknown,
    i: number,
    list: string,
  ): z.infer<S> | null {
    const parsed = schema.safeParse(given);
    if (parsed.success) return parsed.data;
    this.faults.push(...issuesOf(parsed.error, given, i + 1, list));
    return null;
  }

  /** Added, changed, or the same as here. */
  put<T>(
    thing: 'tea' | 'lot' | 'vessel' | 'spoon',
    row: number,
    id: string,
    name: string,
    found: { rev: number; record: T } | null,
    after: T,
  ): void {
    if (found && alike(found.record, after)) this.same += 1;
    else
      this.steps.push(
        (found
          ? { thing, what: 'changed', id, name, row, rev: found.rev, before: found.record, after }
          : { thing, what: 'added', id, name, row, after }) as unknown as Step,
      );
  }

  /** True, and said, when the file brings a thing twice. */
  isTwice(row: number, column: string, key: string): boolean {
    const again = this.seen.has(`${column} ${key}`);
    if (again) this.refuse(row, column, key, 'It is in the file twice.');
    this.seen.add(`${column} ${key}`);
    return again;
  }
}
