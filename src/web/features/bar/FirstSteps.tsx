import { Link } from 'react-router';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { PrintLink } from '../../entities/teas/PrintLink';
import { LevelMark } from '../../ui/LevelMark';

type Props = { teas: readonly Tea[]; vessels: readonly Vessel[]; brewed: boolean };

/**
 * From an empty house to the first card on the wall: each step is where it is done, and is ticked off by what is
 * there.
 */
export function FirstSteps({ teas, vessels, brewed }: Props) {
  const tea = teas.find((t) => t.house);
  const steps = [
    {
      words: 'Put a vessel on the shelf',
      why: 'what it holds to the mark and to the brim',
      to: '/shelf/new',
      done: vessels.length > 0,
    },
    {
      words: 'Add a tea from its packet',
      why: 'as it is printed; what it means here is worked out',
      to: '/book/new',
      done: tea !== undefined,
    },
    {
      words: 'Weigh a spoon of this tea',
      why: 'so that spoons become grams',
      to: tea ? `/book/${tea.id}` : '/book',
      done: teas.some((t) => t.weighing !== null),
    },
    {
      words: 'Brew it once, and judge the cup',
      why: 'colour first, then taste',
      to: tea ? `/start?tea=${tea.id}` : '/start',
      done: brewed,
    },
  ];
  const next = steps.find((s) => !s.done);
  return (
    <section className="first-steps" aria-label="First steps">
      <h2>
        To the first card on the wall<small>about ten minutes; in this order or another</small>
      </h2>
      <ol>
        {steps.map((s, i) => (
          <li key={s.words} className={stepLook(s, next)}>
            <svg width="26" height="26" aria-hidden="true">
              <path d="M1 18H25" stroke="var(--ink)" strokeWidth="2" />
              {stepMark(s, next)}
            </svg>
            {s.done ? (
              <span>
                <b>{s.words}</b> <span className="small">done</span>
              </span>
            ) : (
              <Link to={s.to}>
                <b>
                  {i + 1}. {s.words}
                </b>{' '}
                <span className="small">{s.why}</span>
              </Link>
            )}
          </li>
        ))}
        <li className={next ? '' : 'now'}>
          <svg width="26" height="26" aria-hidden="true">
            <path d="M1 18H25" stroke="var(--ink)" strokeWidth="2" />
            {!next && <LevelMark x={13} y={17} size={13} />}
          </svg>
          {tea && vessels.length > 0 ? (
            <PrintLink href={`/api/teas/${tea.id}/wall.pdf`} teas={[tea]} className="">
              <b>5. Print its card</b>{' '}
              <span className="small">for the wall, with a code that opens the brew</span>
            </PrintLink>
          ) : (
            <span>
              <b>5. Print its card</b>{' '}
              <span className="small">when there is a tea and a vessel</span>
            </span>
          )}
        </li>
      </ol>
    </section>
  );
}

type FirstStep = { words: string; why: string; to: string; done: boolean };
/** How a step looks: done, next, or neither. */
function stepLook(s: FirstStep, next: FirstStep | undefined) {
  if (s.done) return 'done';
  if (s === next) return 'now';
  return '';
}

/** Ticked, next, or neither. */
function stepMark(s: FirstStep, next: FirstStep | undefined) {
  if (s.done) return <path d="M7 12l4 5 8-11" fill="none" stroke="var(--ink)" strokeWidth="2.5" />;
  if (s === next) return <LevelMark x={13} y={17} size={13} />;
  return null;
}
