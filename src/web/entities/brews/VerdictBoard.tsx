import { Link } from 'react-router';
import type { Liquor } from '#core/colour';
import { type Attribute, isRight, type Mark, type Verdict } from '#core/corrections';
import { ColourCups } from './ColourCups';
import { TasteBoard } from './TasteBoard';

/** Where a cup is judged: colour, taste, all right in one touch, and what else was seen. */
export function VerdictBoard({
  verdict,
  onMark,
  liquorAt,
  colourHint,
  onAllRight,
  remark,
  onRemark,
  laterPath,
}: {
  verdict: Verdict;
  onMark: (what: Attribute | 'colour', mark: Mark) => void;
  /** The house cup, so many times as strong. */
  liquorAt: (strength: number) => Liquor;
  /** How the colour is judged here. */
  colourHint: string;
  onAllRight: () => void;
  remark: string;
  onRemark: (remark: string) => void;
  /** Where one goes to judge later. */
  laterPath: string;
}) {
  return (
    <>
      <h2>
        Colour<small>{colourHint}</small>
      </h2>
      <ColourCups verdict={verdict} onMark={onMark} liquorAt={liquorAt} />
      <h2 className="mt-3">
        Taste<small>only what is off: touch above the line for more, below for less</small>
      </h2>
      <TasteBoard verdict={verdict} onMark={onMark} />
      <div className="foot">
        <button
          type="button"
          className={`btn ${isRight(verdict) ? 'go' : ''}`}
          onClick={onAllRight}
        >
          All as it should be
        </button>
        <input
          className="box fault-box"
          aria-label="Cloudy, or another fault"
          maxLength={200}
          placeholder="Cloudy, or another fault"
          value={remark}
          onChange={(e) => onRemark(e.target.value)}
        />
        <Link className="btn quiet" to={laterPath}>
          Judge later
        </Link>
      </div>
    </>
  );
}
