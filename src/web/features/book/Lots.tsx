import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { densityOf, gramsPerSpoon, METHODS } from '#core/recipes';
import { dayFault, LOT_STATES, LOT_WORDS, lotAgeWords, lotInUse, type LotState } from '#core/teas';
import { type SiteDate, siteDate } from '#core/time';
import { numberText } from '#core/units';
import type { Lot, LotFields, Tea, TeaPage } from '#contracts/teas';
import { History } from '../../entities/history/History';
import { useZone } from '../../entities/people/session';
import { useAddLotMutation } from '../../entities/teas/editApi';
import { useChangeLotMutation } from '../../entities/teas/editApi';
import { sentWeighing, useDialledIn } from '../../entities/teas/lots';
import { useSpoonsQuery } from '../../entities/teas/spoonsApi';
import { failureOf, fieldFaults } from '../../platform/api';
import { now } from '../../platform/clock';
import { newId } from '../../platform/ids';
import { NotSaved } from '../../platform/NotSaved';
import { dateText } from '../../ui/days';
import { AreaField, SelectField, showFaults, TextField } from '../../ui/fields';
import { Note } from '../../ui/Note';
import { SaveOrLeave } from '../../ui/SaveOrLeave';
import { readWeighing, WeighingFields, type WeighingForm, weighingFormOf } from './WeighingFields';

/** What a lot's age and best-before ask, in words; null when they ask nothing. */
const lateWords = (lot: Lot, today: SiteDate): string | null =>
  lot.state === 'finished' ? null : lotAgeWords(lot, today);

/** The lots of a tea, newest first; a new one asks for its dial-in. */
export function Lots({ page: { tea, lots, versions }, lead }: { page: TeaPage; lead: boolean }) {
  const [editing, setEditing] = useState<Lot | 'new' | null>(null);
  const waiting = lots.find((l) => l.state === 'new');
  const shown = lots.slice(0, 6);
  const today = siteDate(useZone(), now());
  if (!lead && lots.length === 0) return null;
  return (
    <section aria-label="Lots">
      <div className="flex items-end gap-3 mt-4">
        <h2 className="flex-1">Lots</h2>
        {lead && editing === null && (
          <button type="button" className="btn slim" onClick={() => setEditing('new')}>
            New lot
          </button>
        )}
      </div>
      {waiting && tea.house && editing === null && <DialIn tea={tea} lot={waiting} lead={lead} />}
      {lots.length === 0 && editing === null && <p className="small">No lot noted yet.</p>}
      <ul className="lots">
        {shown.map((l) => (
          <li key={l.id} className={l.state === 'finished' ? 'old' : ''}>
            <b>{l.name}</b>
            <span>
              {LOT_WORDS[l.state]}
              {l.versionNumber ? `, version ${l.versionNumber}` : ''}
            </span>
            <span className="small">
              {[
                l.arrived && `arrived ${dateText(l.arrived)}`,
                l.harvest,
                l.bestBefore && `best before ${dateText(l.bestBefore)}`,
                l.weighing &&
                  `one ${l.weighing.spoon.name} ${numberText(gramsPerSpoon(densityOf(l.weighing), l.weighing.spoon), 2)} g`,
                l.note,
              ]
                .filter(Boolean)
                .join(' · ')}
              {lateWords(l, today) && <b className="text-warn"> {lateWords(l, today)}</b>}
            </span>
            {lead ? (
              <button
                type="button"
                className="btn quiet slim"
                aria-label={`Edit ${l.name}`}
                onClick={() => setEditing(l)}
              >
                Edit
              </button>
            ) : (
              <span />
            )}
          </li>
        ))}
      </ul>
      {lots.length > shown.length && (
        <p className="small">And {lots.length - shown.length} older.</p>
      )}
      {editing && (
        <LotForm
          key={editing === 'new' ? 'new' : editing.id}
          tea={tea}
          lot={editing === 'new' ? null : editing}
          versions={versions}
          onDone={() => setEditing(null)}
        />
      )}
    </section>
  );
}

/** A new lot is brewed on the house recipe first; when its cup is right it is dialled in. */
function DialIn({ tea, lot, lead }: { tea: Tea; lot: Lot; lead: boolean }) {
  const [dialledIn, { isLoading, error }] = useDialledIn();
  return (
    <Note
      action={
        <span className="flex flex-wrap gap-1">
          <Link className="btn slim go" to={`/table/new?tea=${tea.id}&lot=${lot.id}`}>
            Dial it in
          </Link>
          <Link className="btn slim" to={`/start?tea=${tea.id}&lot=${lot.id}`}>
            Brew it
          </Link>
          {lead && (
            <button
              type="button"
              className="btn slim"
              disabled={isLoading}
              onClick={() => void dialledIn(lot, tea.house?.id ?? null)}
            >
              It is right on version {tea.house?.number}
            </button>
          )}
        </span>
      }
    >
      <b>{lot.name} is new.</b> Taste it on the house recipe; what is off is corrected round by
      round until it is right.{' '}
      {error ? <span className="fault">{failureOf(error).message}</span> : null}
    </Note>
  );
}

type Form = WeighingForm & {
  name: string;
  arrived: string;
  bestBefore: string;
  harvest: string;
  note: string;
  state: LotState;
  versionId: string;
};
function LotForm({
  tea,
  lot,
  versions,
  onDone,
}: {
  tea: Tea;
  lot: Lot | null;
  versions: TeaPage['versions'];
  onDone: () => void;
}) {
  const zone = useZone();
  const { data: shelf } = useSpoonsQuery();
  const spoons = shelf?.spoons ?? [];
  const form = useForm<Form>({
    defaultValues: {
      name: lot?.name ?? '',
      arrived: lot?.arrived ?? (lot ? '' : siteDate(zone, now())),
      bestBefore: lot?.bestBefore ?? '',
      harvest: lot?.harvest ?? '',
      note: lot?.note ?? '',
      state: lot?.state ?? 'new',
      versionId: lot?.versionId ?? '',
      ...weighingFormOf(lot?.weighing ? sentWeighing(lot.weighing) : null, tea.spoon),
    },
  });
  const [id] = useState(() => lot?.id ?? newId());
  const [rev, setRev] = useState(lot?.rev ?? 1);
  const [add, adding] = useAddLotMutation();
  const [change, changing] = useChangeLotMutation();
  const error = adding.error ?? changing.error;
  const former = lotInUse(tea);
  const save = form.handleSubmit(async (v) => {
    const read = readWeighing(v, spoons);
    const faults: [keyof Form, string | null][] = [
      ['name', v.name.trim() === '' ? 'Give it a name.' : null],
      ['arrived', v.arrived ? dayFault(v.arrived) : null],
      ['bestBefore', v.bestBefore ? dayFault(v.bestBefore) : null],
      ['weighed', read.kind === 'bad' ? read.why : null],
    ];
    const found = faults.filter(([, why]) => why !== null);
    found.forEach(([field, why]) => form.setError(field, { message: why ?? '' }));
    if (found.length > 0) return;
    const fields: LotFields = {
      name: v.name,
      arrived: v.arrived || null,
      bestBefore: v.bestBefore || null,
      harvest: v.harvest,
      note: v.note,
      state: v.state,
      versionId: v.versionId || null,
      weighing: read.kind === 'ok' ? sentWeighing(read.weighing) : null,
    };
    try {
      if (lot) await change({ id, body: { ...fields, rev } }).unwrap();
      else await add({ id: tea.id, body: { ...fields, id } }).unwrap();
      onDone();
    } catch (e) {
      showFaults(form, fieldFaults(e), {
        name: 'name',
        arrived: 'arrived',
        bestBefore: 'bestBefore',
        versionId: 'versionId',
        'weighing.weighed': 'weighed',
      });
    }
  });
  const state = form.watch('state');
  return (
    <form className="form mt-2" onSubmit={save} noValidate>
      <h3>{lot ? lot.name : `New lot of ${tea.name}`}</h3>
      <div className="pair">
        <TextField form={form} name="name" label="Name" hint="For instance Lot 12, spring." />
        <TextField form={form} name="arrived" label="Arrived" type="date" />
        <TextField form={form} name="bestBefore" label="Best before" type="date" />
      </div>
      <div className="pair">
        <TextField form={form} name="harvest" label="Harvest" />
        <SelectField
          form={form}
          name="state"
          label="Stands"
          options={LOT_STATES.map((s) => [s, LOT_WORDS[s]] as const)}
          hint={
            state === 'inUse' && former && former.id !== id
              ? `${former.name} is then finished.`
              : undefined
          }
        />
      </div>
      {state !== 'new' && (
        <SelectField
          form={form}
          name="versionId"
          label="Dialled in with"
          options={[
            ['', 'no version'],
            ...versions.map(
              (v) => [v.id, `${METHODS[v.method].label}, version ${v.number}, ${v.state}`] as const,
            ),
          ]}
        />
      )}
      <WeighingFields form={form} spoons={spoons} legend="Its own weighing" />
      <AreaField form={form} name="note" label="Supplier’s note, or ours" />
      <NotSaved error={error} onKeepMine={setRev} />
      <SaveOrLeave saving={adding.isLoading || changing.isLoading} onLeave={onDone}>
        {lot ? 'Save the lot' : 'Add the lot'}
      </SaveOrLeave>
      {lot && <History thing="lot" id={lot.id} />}
    </form>
  );
}
