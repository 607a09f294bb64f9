import { useForm } from 'react-hook-form';
import type { GuestSheet } from '#contracts/guests';
import { useJoinAsGuestMutation } from '../../../entities/tastings/guestApi';
import { type ApiFailure, failureOf, fieldFaults } from '../../../platform/api';
import { clockText } from '../../../ui/days';
import { showFaults, TextField } from '../../../ui/fields';
import { Loading, Note } from '../../../ui/Note';
import { TasterSheet } from '../sheet/TasterSheet';
import { guestStage } from './model';
import { useGuest, useGuestPass } from './useGuest';

type Form = { code: string; name: string };

/** The door: the code of the table and a name. A code in the address is there already. */
function Door({ onSit }: { onSit: (pass: string) => void }) {
  const form = useForm<Form>({
    defaultValues: {
      code: new URLSearchParams(window.location.search).get('code') ?? '',
      name: '',
    },
  });
  const [join, { error, isLoading }] = useJoinAsGuestMutation();
  const submit = form.handleSubmit(async ({ code, name }) => {
    try {
      onSit((await join({ code, name }).unwrap()).pass);
    } catch (e) {
      showFaults(form, fieldFaults(e), { code: 'code', name: 'name' });
    }
  });
  return (
    <main className="page scroll">
      <form className="form p-6 max-w-[440px]" onSubmit={(e) => void submit(e)} noValidate>
        <h1 className="text-[30px] leading-tight">Taste with us</h1>
        <p>You need no account. The code is read out at the table and is good for one hour.</p>
        <TextField form={form} name="code" label="Code" hint="Six letters or figures." />
        <TextField
          form={form}
          name="name"
          label="Your name"
          hint="Any name will do. The name stays with your sheet at this table."
        />
        {error && Object.keys(fieldFaults(error)).length === 0 && (
          <Note bad>{failureOf(error).message} What you typed is kept.</Note>
        )}
        <div>
          <button type="submit" className="btn go" disabled={isLoading}>
            Sit down
          </button>
        </div>
      </form>
    </main>
  );
}

/** What to know before the first spoon. */
const Before = ({ allergens }: Pick<GuestSheet, 'allergens'>) => (
  <p className="cautions guest-before">
    {allergens && (
      <span className="strong">
        <b>Allergens: {allergens}.</b>
      </span>
    )}
    <span>
      Ask before you taste if anything must not be in your cup. Hot liquor scalds: let a spoon cool.
    </span>
  </p>
);

/** What a guest reads once there is nothing to write. */
function Said({ sheet, onLeave }: { sheet: GuestSheet; onLeave: () => void }) {
  const stage = guestStage(sheet);
  return (
    <main className="page p-6 content-start">
      {stage === 'stopped' && <p>This tasting was stopped. What you wrote is kept.</p>}
      {stage === 'submitted' && (
        <p>
          <b>Thank you, {sheet.seat.name}.</b> Your sheet is in
          {sheet.handedIn !== null && `, at ${clockText(sheet.handedIn)}`}. When every sheet is in,
          ask at the table what was in each cup.
        </p>
      )}
      {stage === 'revealed' && (
        <p>
          <b>The cups are revealed.</b> Ask at the table what they were. Your codes:{' '}
          {sheet.codes.join(', ')}.
        </p>
      )}
      <div className="mt-6">
        <button type="button" className="btn quiet" onClick={onLeave}>
          Leave the table
        </button>
      </div>
    </main>
  );
}

/** Why the sheet cannot be read: the hour is over, or the server is away. */
function NotRead({
  why,
  onTry,
  onLeave,
}: {
  why: ApiFailure;
  onTry: () => void;
  onLeave: () => void;
}) {
  return (
    <main className="page p-6 content-start">
      <Note bad>{why.message} What you wrote on this phone is kept on it.</Note>
      <div className="flex flex-wrap gap-2 mt-4">
        <button type="button" className="btn go" onClick={onTry}>
          Try again
        </button>
        <button type="button" className="btn quiet" onClick={onLeave}>
          Type another code
        </button>
      </div>
    </main>
  );
}

function Seated({ pass, onLeave }: { pass: string; onLeave: () => void }) {
  const { sheet, write, unsent, why, isLoading, refetch } = useGuest(pass);
  const isOver = why?.kind === 'answer' && why.code === 'guest.over';
  if (why && (isOver || !sheet))
    return <NotRead why={why} onTry={() => void refetch()} onLeave={onLeave} />;
  if (!sheet) return <main className="page">{isLoading && <Loading what="your sheet" />}</main>;
  if (guestStage(sheet) !== 'tasting' && unsent === 0)
    return <Said sheet={sheet} onLeave={onLeave} />;
  if (sheet.handedIn !== null)
    return (
      <main className="page p-6 taste-page">
        <p>Your sheet is on this phone and is sent as soon as there is a connection.</p>
      </main>
    );
  return (
    <>
      <aside aria-label="Before you taste">
        <Before allergens={sheet.allergens} />
        {unsent > 0 && why && (
          <Note>Not sent yet. Your marks wait on this phone, and the phone tries again.</Note>
        )}
      </aside>
      <TasterSheet
        id={sheet.tastingId}
        view={sheet}
        taster={sheet.seat.id}
        seat={{ ...sheet, name: sheet.seat.name, served: sheet.codes }}
        words={sheet.words}
        who="guest"
        does={(act) => {
          if (act.kind === 'keep') write({ kind: 'keep', code: act.code, sheet: act.sheet });
          else write({ kind: 'handIn', order: act.order, choice: act.choice });
        }}
      />
    </>
  );
}

/** A guest's phone at a table: the door, then one's own sheet. It shows nothing else of the house. */
export function GuestPage() {
  const { pass, sit, leave } = useGuestPass();
  return (
    <div className="shell guest">
      <header className="head">
        <span className="place">Table</span>
        <span className="site">for guests</span>
      </header>
      {pass ? <Seated key={pass} pass={pass} onLeave={leave} /> : <Door onSit={sit} />}
    </div>
  );
}
