import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Liquor } from '#core/colour';
import { type Attribute, isRight, type Mark, type Verdict } from '#core/corrections';
import { ColourCups } from './ColourCups';
import { TasteBoard } from './TasteBoard';

const TASTE_HINT = 'only what is off: touch above the line for more, below for less';

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
  tasteHint = TASTE_HINT,
  faultWords = 'Cloudy, or another fault',
  children,
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
  /** What is said of tasting now. */
  tasteHint?: ReactNode;
  /** What is asked for beside the marks. */
  faultWords?: string;
  /** What else is noted of the cup. */
  children?: ReactNode;
}) {
  return (
    <>
      <h2>
        Colour<small>{colourHint}</small>
      </h2>
      <ColourCups verdict={verdict} onMark={onMark} liquorAt={liquorAt} />
      <h2 className="mt-3">
        Taste<small>{tasteHint}</small>
      </h2>
      <TasteBoard verdict={verdict} onMark={onMark} />
      {children}
      <div className="foot verdict-foot">
        <button
          type="button"
          className={`btn ${isRight(verdict) ? 'go' : ''}`}
          onClick={onAllRight}
        >
          All as it should be
        </button>
        <input
          className="box fault-box"
          aria-label={faultWords}
          maxLength={200}
          placeholder={faultWords}
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
