import { useState } from 'react';
import { type Factor, isColdCup, longestCup, type PlannedCup, SHORTEST_CUP } from '#core/tastings';
import {
  celsius,
  millilitres,
  minutesText,
  type Parsed,
  parseDuration,
  parseWithin,
  temperatureText,
  volumeText,
} from '#core/units';
import { useUnits } from '../../entities/people/session';

type Props = {
  n: number;
  cup: PlannedCup;
  /** What differs in the exercise. */ strong: Factor | null;
  onValue: (what: Factor, v: number) => void;
};
const readSeconds = (t: string, cup: PlannedCup): Parsed<number> => {
  const r = parseDuration(t);
  if (r.kind === 'bad' || (r.value >= SHORTEST_CUP && r.value <= longestCup(cup))) return r;
  const why = isColdCup(cup)
    ? 'A time from 0:05 to 48:00 h, such as 10:00 h.'
    : 'A time from 0:05 to 60:00, such as 2:30.';
  return { kind: 'bad', why };
};
/** The four figures of a cup, as cells of a row; each is typed over in place. */
export function CupFigures({ n, cup: c, strong, onValue }: Props) {
  const units = useUnits();
  const of = (what: Factor) => ({
    value: c[what],
    strong: strong === what,
    onValue: (v: number) => onValue(what, v),
  });
  return (
    <>
      <td>
        <Figure
          label={`Cup ${n}, leaf`}
          text={`${c.grams} g`}
          read={(t) => parseWithin(t, 'A cup’s leaf', 'g', 0.1, 200)}
          {...of('grams')}
        />
      </td>
      <td>
        <Figure
          label={`Cup ${n}, water`}
          text={volumeText(millilitres(c.water), units.volume)}
          read={(t) => parseWithin(t, 'A cup’s water', 'ml', 10, 5000)}
          {...of('water')}
        />
      </td>
      <td>
        <Figure
          label={`Cup ${n}, heat`}
          text={temperatureText(celsius(c.celsius), units.temperature)}
          read={(t) => parseWithin(t, 'Its heat', '°C', 2, 100)}
          {...of('celsius')}
        />
      </td>
      <td>
        <Figure
          label={`Cup ${n}, time`}
          text={minutesText(c.seconds)}
          read={(t) => readSeconds(t, c)}
          {...of('seconds')}
        />
      </td>
    </>
  );
}

type FigureProps = {
  label: string;
  value: number;
  text: string;
  read: (t: string) => Parsed<number>;
  onValue: (v: number) => void;
  strong: boolean;
};
/** A figure of the table that is typed over in place; what is wrong stands under it. */
function Figure({ label, value, text, read, onValue, strong }: FigureProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  if (typed === null)
    return (
      <button
        type="button"
        className={`figure ${strong ? 'strong' : ''}`}
        aria-label={`${label}: ${text}, change`}
        onClick={() => setTyped(text.includes(':') ? text : String(value))}
      >
        {text}
      </button>
    );
  const done = () => {
    const r = read(typed);
    if (r.kind === 'bad') return setWrong(r.why);
    onValue(r.value);
    setTyped(null);
    setWrong(null);
  };
  return (
    <form
      className="figure-form"
      onSubmit={(e) => {
        e.preventDefault();
        done();
      }}
    >
      <input
        className="box"
        aria-label={label}
        autoFocus
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={done}
        aria-invalid={wrong !== null}
        onKeyDown={(e) => {
          if (e.key === 'Escape') {
            setTyped(null);
            setWrong(null);
          }
        }}
      />
      {wrong && (
        <span className="fault" role="alert">
          {wrong}
        </span>
      )}
    </form>
  );
}
