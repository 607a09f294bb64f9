import { Link } from 'react-router';

/** What is practised or read, where one is in it, and the way out. */
export function DrillHead({
  title,
  words,
  leave = 'Leave',
}: {
  title: string;
  words: string;
  leave?: string;
}) {
  return (
    <>
      <h1 className="visually-hidden">{title}</h1>
      <div className="say">
        <span>{title}</span>
        <span className="small text-[16px]">{words}</span>
        <span className="gap" />
        <Link className="btn quiet" to="/school">
          {leave} <kbd>Esc</kbd>
        </Link>
      </div>
    </>
  );
}
