import { ENOUGH, type Seen, SKILLS } from '#core/training';
import { seenWords, signWords, type SkillStand } from '#core/training';
import { numberText } from '#core/units';
import { dateText } from '../../ui/days';

const TUBE = 34;
const EVERY = 75;
const TOP = 12;
const BASE = 190;
const y = (share: number) => BASE - share * (BASE - TOP);

const figureOf = (s: SkillStand): string => numberText(100 * s.evidence.bound, 0);

/** The name of a skill, a word or two to a line: as wide as its tube's place. */
const NAME_LINE = 16;
const nameLines = (s: SkillStand): string[] =>
  SKILLS[s.skill].split(' ').reduce<string[]>((lines, word) => {
    const last = lines.at(-1);
    if (last === undefined || last.length + word.length > 8) return [...lines, word];
    return [...lines.slice(0, -1), `${last} ${word}`];
  }, []);

/** One tube: filled to the level, with its figure; dashed where nothing was answered. */
function Tube({ stand, x, line }: { stand: SkillStand; x: number; line: number }) {
  const { bound, n } = stand.evidence;
  const level = y(bound);
  const edge =
    n > 0 ? { stroke: 'var(--ink)' } : { stroke: 'var(--line-2)', strokeDasharray: '4 4' };
  // The figure stands in the tube under its level; above the line, under the line.
  const figure = Math.min(Math.max(level, line) + 22, BASE - 6);
  const middle = { x: x + TUBE / 2, textAnchor: 'middle', fill: 'var(--ink)' } as const;
  return (
    <g>
      {n > 0 && (
        <>
          <rect x={x} y={TOP} width={TUBE} height={BASE - TOP} fill="var(--paper)" />
          <rect x={x} y={level} width={TUBE} height={BASE - level} fill="var(--line)" />
          <path d={`M${x} ${level}h${TUBE}`} stroke="var(--ink)" strokeWidth="2" />
          <path d={`M${x} ${level}l-11 -6v12z`} fill="var(--ink)" />
        </>
      )}
      <path d={`M${x} ${TOP}V${BASE}M${x + TUBE} ${TOP}V${BASE}`} strokeWidth="2" {...edge} />
      {n > 0 && (
        <text {...middle} y={figure} fontSize="17" fontWeight="600">
          {figureOf(stand)}
        </text>
      )}
      {nameLines(stand).map((words, i) => (
        <text key={words} {...middle} y={BASE + (i + 1) * NAME_LINE + 2} fontSize="15">
          {words}
        </text>
      ))}
    </g>
  );
}

/** Ten tubes: the level is what the answers can mean at the least, the line is enough. Grey: it is no tea. */
export function SkillTubes({
  stands,
  seen,
}: {
  stands: readonly SkillStand[];
  seen: readonly Seen[];
}) {
  const width = EVERY * stands.length + 60;
  const line = y(ENOUGH);
  const height = BASE + 10 + NAME_LINE * Math.max(0, ...stands.map((s) => nameLines(s).length));
  return (
    <>
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="max-w-full h-auto"
        aria-hidden="true"
      >
        {stands.map((stand, i) => (
          <Tube key={stand.skill} stand={stand} x={i * EVERY + 20} line={line} />
        ))}
        <path d={`M0 ${line}H${width}`} stroke="var(--ink)" strokeWidth="2" />
        <text
          x={width}
          y={line - 6}
          fontSize="14"
          fontWeight="600"
          textAnchor="end"
          fill="var(--ink)"
        >
          enough
        </text>
        <path d={`M0 ${BASE}H${width}`} stroke="var(--ink)" strokeWidth="3" />
      </svg>
      <div className="overflow-auto">
        <table className="grid-table plain skill-table">
          <thead>
            <tr>
              <th scope="col">Skill</th>
              <th scope="col">Level</th>
              <th scope="col">Answers</th>
              <th scope="col">Answers at level 3</th>
              <th scope="col">Seen in the shop</th>
              <th scope="col">Signed</th>
            </tr>
          </thead>
          <tbody>
            {stands.map((s) => (
              <tr key={s.skill}>
                <th scope="row">{SKILLS[s.skill]}</th>
                <td>{s.evidence.n > 0 ? figureOf(s) : ''}</td>
                <td>{s.answers === 0 ? 'none' : s.answers}</td>
                <td>{workWords(s)}</td>
                <td>{seenWords(s.skill, seen)}</td>
                <td>{signWords(s.sign, dateText)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

const LACKS = { answers: 'more answers', days: 'more days', bound: 'a higher level' } as const;
/** What the evidence is, or what it lacks. */
function workWords({ evidence, answers }: SkillStand): string {
  if (answers === 0) return '';
  if (evidence.n === 0) return 'none yet';
  const { n, enough, lacks } = evidence;
  return enough ? `${n}, enough` : `${n}; needs ${lacks.map((l) => LACKS[l]).join(', ')}`;
}
