import type { ReactNode } from 'react';
import type { Tasting, TastingAct } from '#core/tastings';
import { Sheet } from '../../../ui/Dialog';
import { Measured } from './Measured';
import { Mixed, Spilled } from './mishaps';

export type OpenSheet = 'measured' | 'spilled' | 'codes' | 'other' | 'stop' | null;
const TITLES = {
  spilled: 'Which one was spilled?',
  measured: 'What an instrument said',
  codes: 'Which codes were mixed up?',
  other: 'Which one was poured off?',
  stop: 'Stop this tasting?',
} as const;

function Stop({ onStop, onClose }: { onStop: () => void; onClose: () => void }) {
  return (
    <>
      <p>The tasting is over. What was submitted is kept.</p>
      <div className="flex gap-2 mt-4">
        <button type="button" className="btn" onClick={onStop}>
          Stop it
        </button>
        <button type="button" className="btn quiet" onClick={onClose}>
          Go on
        </button>
      </div>
    </>
  );
}

/** What goes otherwise than planned: spilled, mixed up, another first, measured, stopped. */
export function RunSheets({
  id,
  now,
  open,
  codeOf,
  act,
  onClose,
}: {
  id: string;
  now: Tasting;
  open: OpenSheet;
  codeOf: (cup: number) => string;
  act: (act: TastingAct) => void;
  onClose: () => void;
}) {
  const done = (a: TastingAct) => {
    act(a);
    onClose();
  };
  const cups = now.cups.map((c, i) => ({ ...c, cup: i, code: codeOf(i) }));
  const steeping = cups.filter(
    (c) => c.pulled === null && c.poured !== null && c.excluded === null,
  );
  const inside: Record<keyof typeof TITLES, ReactNode> = {
    spilled: (
      <Spilled
        codes={cups.map(({ cup, code, excluded }) => ({ cup, code, out: excluded }))}
        onOut={(cup, reason) => done({ kind: 'exclude', cup, reason })}
      />
    ),
    measured: (
      <Measured
        id={id}
        cups={cups.filter((c) => c.pulled !== null && c.excluded === null)}
        onSolids={(cup, solids) => act({ kind: 'measure', cup, solids })}
      />
    ),
    codes: <Mixed codes={Object.keys(now.cupOf)} onSwap={(a, b) => done({ kind: 'swap', a, b })} />,
    other: (
      <div className="toggles">
        {steeping.map(({ cup, code }) => (
          <button
            type="button"
            key={cup}
            className="btn"
            onClick={() => done({ kind: 'pull', cup })}
          >
            {code}
          </button>
        ))}
      </div>
    ),
    stop: <Stop onStop={() => done({ kind: 'stop', reason: '' })} onClose={onClose} />,
  };
  return (
    <>
      {(Object.keys(TITLES) as (keyof typeof TITLES)[]).map((name) => (
        <Sheet key={name} title={TITLES[name]} open={open === name} onClose={onClose}>
          {inside[name]}
        </Sheet>
      ))}
    </>
  );
}
