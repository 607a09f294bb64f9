import { Link } from 'react-router';
import { type Drill, DRILLS } from '#core/training';

/** What is practised, where one is in it, and the way out. */
export function DrillHead({ drill, words }: { drill: Drill; words: string }) {
  return (
    <>
      <h1 className="visually-hidden">{DRILLS[drill].name}</h1>
      <div className="say">
        <span>{DRILLS[drill].name}</span>
        <span className="small text-[16px]">{words}</span>
        <span className="gap" />
        <Link className="btn quiet" to="/school">
          Leave <kbd>Esc</kbd>
        </Link>
      </div>
    </>
  );
}
