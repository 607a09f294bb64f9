import { pathOf, ROUTES } from '#contracts/routes';

/** All answers and sign-offs of one person: as a page to print, and as a file. */
export function RecordLinks({ personId, of }: { personId: string; of: string }) {
  return (
    <>
      <a
        className="btn quiet"
        href={pathOf(ROUTES.printTraining, { personId })}
        target="_blank"
        rel="noreferrer"
      >
        {of}, one page
      </a>
      <a className="btn quiet" href={pathOf(ROUTES.exportTraining, { personId })} download>
        {of} as CSV
      </a>
    </>
  );
}
