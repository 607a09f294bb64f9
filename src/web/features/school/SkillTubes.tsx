import { ENOUGH, type Seen, SKILLS } from '#core/training';
import { seenWords, signWords, type SkillStand } from '#core/training';
import { numberText } from '#core/units';
import { dateText } from '../../ui/days';

const TUBE = 34;
const EVERY = 75;
const TOP = 12;
const BASE = 220;
const y = (share: number) => BASE - share * (BASE - TOP);

const figureOf = (s: SkillStand): string => numberText(100 * s.evidence.bound, 0);

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
  return (
    <>
      <svg
        width={width}
        height={BASE + 6}
        viewBox={`0 0 ${width} ${BASE + 6}`}
        className="max-w-full h-auto"
        aria-hidden="true"
      >
        {stands.map((s, i) => {
          const x = i * EVERY + 20;
          const { bound, n } = s.evidence;
          const edge =
            n > 0 ? { stroke: 'var(--ink)' } : { stroke: 'var(--line-2)', strokeDasharray: '4 4' };
          // The figure stands in the tube under its level; above the line, under the line.
          const figure = Math.max(y(bound), line) + 22;
          return (
            <g key={s.skill}>
              {n > 0 && (
                <>
                  <rect x={x} y={TOP} width={TUBE} height={BASE - TOP} fill="var(--paper)" />
                  <rect
                    x={x}
                    y={y(bound)}
                    width={TUBE}
                    height={BASE - y(bound)}
                    fill="var(--line)"
                  />
                  <path d={`M${x} ${y(bound)}h${TUBE}`} stroke="var(--ink)" strokeWidth="2" />
                </>
              )}
              <path
                d={`M${x} ${TOP}V${BASE}M${x + TUBE} ${TOP}V${BASE}`}
                strokeWidth="2"
                {...edge}
              />
              {n > 0 && (
                <text
                  x={x + TUBE / 2}
                  y={Math.min(figure, BASE - 6)}
                  fontSize="17"
                  fontWeight="600"
                  textAnchor="middle"
                  fill="var(--ink)"
                >
                  {figureOf(s)}
                </text>
              )}
            </g>
          );
        })}
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
