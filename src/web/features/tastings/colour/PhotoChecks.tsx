import type { PhotoReading } from '#core/colour';

export const ON_TARGET = 'As it should be';

/** No layer is easily poured thinner, cm (from memory). */
export const SHALLOWEST = 0.5;

export const REFUSED = {
  checks: ['Not this picture', 'One thing must be put right first.'],
  tooDark: [
    'Too dark to tell',
    'At this depth a cup so dark looks the same when it is stronger still.',
  ],
  tooPale: ['Too pale to tell', 'There is too little colour in it for a figure.'],
  offCurve: [
    'Not this tea’s colour',
    'This colour is no strength of this tea: another tea, another light, or the circle is not on the liquor.',
  ],
} as const;

const STATES = { inOrder: 'in order', minded: 'minded', notMet: 'not met' } as const;

export const Checks = ({ checks }: { checks: PhotoReading['checks'] }) => (
  <ul className="checks">
    {checks.map((c) => (
      <li key={c.name} className={c.state}>
        <span>{STATES[c.state]}</span>
        <span>{c.words}</span>
      </li>
    ))}
  </ul>
);

export const Shallow = ({ depth, colour }: { depth: number; colour: string }) => {
  const bowl = 'M8 12c2 28 10 40 34 40s32-12 34-40';
  const top = 52 - Math.max(6, depth * 9);
  return (
    <svg width="320" height="66" aria-hidden="true">
      <path d="M12 22c4 22 12 29 30 29s26-7 30-29z" fill={colour} />
      <path d={bowl} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      <path d="M112 36h40m-10-8 10 8-10 8" fill="none" stroke="var(--ink)" strokeWidth="2" />
      <g transform="translate(176 0)">
        <clipPath id="shallow-bowl">
          <path d={`${bowl}z`} />
        </clipPath>
        <rect x="0" y={top} width="90" height="60" fill={colour} clipPath="url(#shallow-bowl)" />
        <path d={bowl} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      </g>
      <path d="M0 53H320" stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
};
