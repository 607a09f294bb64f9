import { useState } from 'react';
import { ROUTES } from '#contracts/routes';
import { useProgramsQuery } from '../../../entities/people/programsApi';
import { Awaited } from '../../../platform/Awaited';
import { LeadsOnly, ToTheHouse } from '../LeadsOnly';
import { ProgramForm } from './ProgramForm';
import { ProgramList } from './ProgramList';

/** Other programs that may ask this house: tills, screens, menus; each with a key of its own. */
export const ProgramsPage = () => (
  <LeadsOnly says="A lead makes keys.">
    <Programs />
  </LeadsOnly>
);

function Programs() {
  const programs = useProgramsQuery(undefined, { pollingInterval: 15_000 });
  const { data } = programs;
  const [adding, setAdding] = useState(false);
  if (!data) return <Awaited what="the programs" of={[programs]} />;
  return (
    <main className="page split whole house-page">
      <section className="work" role="group" tabIndex={0} aria-label="Programs">
        <div className="flex items-end gap-3">
          <h1 className="text-[26px] flex-1">Programs</h1>
          {!adding && (
            <button type="button" className="btn" onClick={() => setAdding(true)}>
              New key
            </button>
          )}
        </div>
        {adding && <ProgramForm onDone={() => setAdding(false)} />}
        <ProgramList programs={data.programs} />
      </section>
      <section className="paper" aria-label="How a program is joined">
        <section>
          <h2>How a program is joined</h2>
          <p className="mt-1">
            A key is good for one site and for what is ticked. The program sends it with every
            request: <code className="break-all">Authorization: Bearer KEY</code>.
          </p>
          <p className="mt-2">
            A till with <i>put orders</i> puts an order up next, where it waits under the till’s
            name. When its steep is ended, the house sends a signed message to the till’s address,
            again and again until it is taken, for nearly nine hours; or the till asks.
          </p>
          <p className="mt-2">
            <a
              className="underline"
              href={ROUTES.readOpenApi.path}
              target="_blank"
              rel="noreferrer"
            >
              Every request, with examples
            </a>{' '}
            (
            <a className="underline" href={ROUTES.getOpenApi.path}>
              OpenAPI 3.1
            </a>
            ). A simulated till for practice: <code className="break-all">npm run till</code>.
          </p>
        </section>
        <ToTheHouse />
      </section>
    </main>
  );
}
