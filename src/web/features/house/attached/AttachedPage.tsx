import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { usePrintersQuery } from '../../../entities/printers/api';
import { Awaited } from '../../../platform/Awaited';
import { LeadsOnly, ToTheHouse } from '../LeadsOnly';
import { PrinterForm } from './PrinterForm';
import { PrinterList } from './PrinterList';

/** What is attached to this house: label printers, and how a scale, a probe, a colour reader and a till are. */
export const AttachedPage = () => (
  <LeadsOnly says="A lead attaches printers.">
    <Attached />
  </LeadsOnly>
);

function Attached() {
  const printers = usePrintersQuery();
  const { data } = printers;
  const [adding, setAdding] = useState(false);
  if (!data) return <Awaited what="the list of printers" of={[printers]} />;
  return (
    <main className="page split whole house-page">
      <section className="work" role="group" tabIndex={0} aria-label="Label printers">
        <div className="flex items-end gap-3">
          <h1 className="text-[26px] flex-1">Label printers</h1>
          {!adding && (
            <button type="button" className="btn" onClick={() => setAdding(true)}>
              New printer
            </button>
          )}
        </div>
        {adding && <PrinterForm onDone={() => setAdding(false)} />}
        <PrinterList printers={data.printers} />
      </section>
      <section className="paper" aria-label="Other things that are attached">
        <h2>Other devices, and how to practise with each</h2>
        <ul className="mt-1">
          <Thing name="Label printer" practise={<code>npm run printer</code>}>
            Any that takes ZPL or ESC/POS on a port of the shop’s network. The simulated one draws
            each label as a picture.
          </Thing>
          <Thing name="Scale" practise="Practise with a simulated scale, where a weight is typed">
            One that writes its weight to a serial port by USB, at a browser that allows it. Where a
            weight is typed: <i>Connect a scale</i>. Nothing is kept before somebody takes it.
          </Thing>
          <Thing name="Fridge probe" practise={<code>npm run probe</code>}>
            Any small program that sends a reading by HTTP with the probe’s key.{' '}
            <Link className="underline" to="/cold/fridge">
              Cold, Fridge
            </Link>{' '}
            gives the key.
          </Thing>
          <Thing name="Colour reader" practise="Simulated reader, on a recipe’s colours page">
            Any that shows L*, a*, b* under D65: its figures are typed on the colours page of a
            recipe.
          </Thing>
          <Thing name="Till" practise={<code>npm run till</code>}>
            A program with a key.{' '}
            <Link className="underline" to="/house/programs">
              Programs
            </Link>{' '}
            makes the key.
          </Thing>
        </ul>
        <ToTheHouse />
      </section>
    </main>
  );
}

function Thing({
  name,
  practise,
  children,
}: {
  name: string;
  practise: ReactNode;
  children: ReactNode;
}) {
  return (
    <li className="py-2 border-b border-line">
      <b>{name}</b>
      <p className="text-[15px]">{children}</p>
      <p className="small">To practise: {practise}</p>
    </li>
  );
}
