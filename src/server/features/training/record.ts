import { unparse } from 'papaparse';
import { DRILLS, SKILLS } from '#core/training';
import type { Practice } from '#contracts/training';
import { tableWords } from './recordPaper';

const COLUMNS = [
  'day',
  'kind',
  'skill',
  'drill',
  'level',
  'credit',
  'verdict',
  'reported_wrong',
  'until',
  'note',
  'by',
] as const;
type Row = Readonly<Partial<Record<(typeof COLUMNS)[number], string | number>>>;

/** One person’s record as RFC 4180 text, by day: answers, tastings and sign-offs. How long anything took is not in it. */
export function trainingCsv({ person, answers, signs, tables }: Practice): string {
  const rows: Row[] = [
    ...answers.map((a) => ({
      ...{ day: a.day, kind: 'answer', skill: SKILLS[DRILLS[a.drill].skill] },
      ...{ drill: DRILLS[a.drill].name, level: a.level, credit: Number(a.credit.toFixed(3)) },
      ...{ verdict: a.judged, reported_wrong: a.disputed ? 'yes' : '', by: person.name },
    })),
    ...tables.flatMap((t) =>
      [t.sat && 'tasted', t.led && 'led'].flatMap((kind) =>
        kind ? [{ day: t.day, kind, note: tableWords(t), by: person.name }] : [],
      ),
    ),
    ...signs.map((s) => ({
      ...{ day: s.day, kind: s.kind, skill: SKILLS[s.skill], until: s.until ?? '' },
      ...{ note: s.note, by: s.by },
    })),
  ].sort((a, b) => (a.day < b.day ? -1 : Number(a.day > b.day)));
  return unparse(rows, { columns: [...COLUMNS], newline: '\r\n', escapeFormulae: true });
}
