import { useState } from 'react';

const SPILLS = ['spilled', 'over-steeped by a slip', 'wrong leaf', 'leaf in the cup'];

export function Spilled({
  codes,
  onOut,
}: {
  codes: readonly { cup: number; code: string; out: string | null }[];
  onOut: (cup: number, reason: string) => void;
}) {
  const [cup, setCup] = useState<number | null>(null);
  return (
    <div className="grid gap-4">
      <div className="toggles" role="group" aria-label="Cup">
        {codes
          .filter((c) => c.out === null)
          .map((c) => (
            <button
              type="button"
              key={c.cup}
              className="toggle"
              aria-pressed={cup === c.cup}
              onClick={() => setCup(c.cup)}
            >
              {c.code}
            </button>
          ))}
      </div>
      <p>It is left out of the result, and the result says so.</p>
      <div className="flex flex-wrap gap-2">
        {SPILLS.map((r) => (
          <button
            type="button"
            key={r}
            className="btn"
            disabled={cup === null}
            onClick={() => cup !== null && onOut(cup, r)}
          >
            {r}
          </button>
        ))}
      </div>
    </div>
  );
}

export function Mixed({
  codes,
  onSwap,
}: {
  codes: readonly string[];
  onSwap: (a: string, b: string) => void;
}) {
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [a, b] = picked;
  return (
    <div className="grid gap-4">
      <p>Touch the two whose labels stood on each other’s bowl.</p>
      <div className="toggles" role="group" aria-label="Codes">
        {codes.map((c) => (
          <button
            type="button"
            key={c}
            className="toggle"
            aria-pressed={picked.includes(c)}
            onClick={() =>
              setPicked((p) => (p.includes(c) ? p.filter((x) => x !== c) : [...p, c].slice(-2)))
            }
          >
            {c}
          </button>
        ))}
      </div>
      <div>
        <button
          type="button"
          className="btn go"
          disabled={!a || !b}
          onClick={() => a && b && onSwap(a, b)}
        >
          {a && b ? `Swap ${a} and ${b}` : 'Choose two'}
        </button>
      </div>
    </div>
  );
}
