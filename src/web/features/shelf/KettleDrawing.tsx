import type { Kettle } from '#contracts/kettles';

/** A kettle in section, from its own proportions: water to where it is usually filled. */
export function KettleDrawing({ kettle }: { kettle: Pick<Kettle, 'kind' | 'volume' | 'name'> }) {
  const R = Math.max(26, Math.min(50, 24 * Math.cbrt(kettle.volume / 1000) * 1.5));
  const H = R * 1.5;
  const [w, h] = [R * 4.2, H + 16];
  const x = (r: number) => 2 * R + r * R;
  const y = (z: number) => h - 6 - z * H;
  const side = (s: 1 | -1) =>
    `C${x(0.99 * s)} ${y(0.03)} ${x(0.99 * s)} ${y(0.06)} ${x(0.99 * s)} ${y(0.12)}C${x(0.95 * s)} ${y(0.45)} ${x(0.9 * s)} ${y(0.8)} ${x(0.82 * s)} ${y(1)}`;
  const body = `M${x(-0.82)} ${y(1)}C${x(-0.9)} ${y(0.8)} ${x(-0.95)} ${y(0.45)} ${x(-0.99)} ${y(0.12)}C${x(-0.99)} ${y(0.03)} ${x(-0.93)} ${y(0.01)} ${x(-0.8)} ${y(0)}H${x(0.8)}${side(1)}`;
  const level = 0.8;
  return (
    <svg width={w} height={h} viewBox={`0 0 ${w} ${h}`} aria-hidden="true">
      {kettle.kind !== 'jug' && (
        <path
          d={`M${x(0.96)} ${y(0.1)}C${x(1.7)} ${y(0.12)} ${x(1.4)} ${y(0.95)} ${x(2.05)} ${y(1.04)}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="5"
        />
      )}
      {kettle.kind !== 'jug' && (
        <path
          d={`M${x(0.96)} ${y(0.1)}C${x(1.7)} ${y(0.12)} ${x(1.4)} ${y(0.95)} ${x(2.05)} ${y(1.04)}`}
          fill="none"
          stroke="var(--paper)"
          strokeWidth="2"
        />
      )}
      <path
        d={`M${x(-0.86)} ${y(0.95)}C${x(-1.75)} ${y(1.1)} ${x(-1.75)} ${y(0.2)} ${x(-0.97)} ${y(0.25)}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="3"
      />
      <path d={`${body}Z`} fill="var(--paper)" />
      <path
        d={`M${x(-0.9)} ${y(level)}C${x(-0.95)} ${y(0.45)} ${x(-0.96)} ${y(0.4)} ${x(-0.99)} ${y(0.12)}C${x(-0.99)} ${y(0.03)} ${x(-0.93)} ${y(0.01)} ${x(-0.8)} ${y(0)}H${x(0.8)}C${x(0.93)} ${y(0.01)} ${x(0.99)} ${y(0.03)} ${x(0.99)} ${y(0.12)}C${x(0.96)} ${y(0.4)} ${x(0.95)} ${y(0.45)} ${x(0.9)} ${y(level)}Z`}
        fill="var(--water)"
      />
      <path d={body} fill="none" stroke="var(--ink)" strokeWidth="2.2" strokeLinejoin="round" />
      <path d={`M${x(-0.9)} ${y(level)}H${x(0.9)}`} stroke="var(--ink)" strokeWidth="1.4" />
      <path d={`M${x(-0.5)} ${y(level) - 9}h12l-6 8z`} fill="var(--ink)" />
    </svg>
  );
}
