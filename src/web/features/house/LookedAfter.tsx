import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { NewestBackup } from './backups/NewestBackup';

/** What a lead looks after, each on a page of its own, with how it is now. */
export function LookedAfter() {
  return (
    <section>
      <h2>
        Looked after here<small>by leads, for the whole house</small>
      </h2>
      <ul className="mt-1">
        <Row to="/house/backups" name="Backups">
          <NewestBackup />
        </Row>
        <Row to="/house/devices" name="Devices">
          Tablets and phones, how one gets here, and who is signed in
        </Row>
        <Row to="/house/programs" name="Programs">
          Keys for tills, screens and menus
        </Row>
        <Row to="/house/attached" name="Printers and more">
          Label printers, and how scale, probe, colour reader and till are attached
        </Row>
        <Row to="/house/audit" name="Who did what">
          Sign-ins, refusals, changes, files that left
        </Row>
        <Row to="/house/exchange" name="Out and in">
          The book as JSON and CSV, with a look at what an import would change; the whole house
        </Row>
      </ul>
    </section>
  );
}

function Row({ to, name, children }: { to: string; name: string; children: ReactNode }) {
  return (
    <li className="grid grid-cols-[230px_minmax(0,1fr)] items-center gap-3 min-h-[50px] border-b border-line max-[700px]:grid-cols-[minmax(0,1fr)] max-[700px]:py-2 max-[700px]:gap-0">
      <Link className="font-semibold py-2 underline underline-offset-4" to={to}>
        {name}
      </Link>
      <span>{children}</span>
    </li>
  );
}
