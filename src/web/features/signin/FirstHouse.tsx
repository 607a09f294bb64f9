import { useForm, type UseFormReturn } from 'react-hook-form';
import { boilingAt } from '#core/heat';
import { metres, parseWithin, temperatureText } from '#core/units';
import { useBeginHouseMutation } from '../../entities/people/api';
import { emptySite, siteFieldsOf, type SiteForm } from '../../entities/people/siteForm';
import { SiteUnits } from '../../entities/people/SiteUnits';
import { failureOf, fieldFaults } from '../../platform/api';
import { newId } from '../../platform/ids';
import { showFaults, TextField } from '../../ui/fields';
import { Note } from '../../ui/Note';

type Form = SiteForm & { lead: string; secret: string; word: string };

/** The first page of an empty house: its first site and lead. */
export function FirstHousePage({ asksWord }: { asksWord: boolean }) {
  const form = useForm<Form>({ defaultValues: { ...emptySite, lead: '', secret: '', word: '' } });
  const [begin, { error, isLoading }] = useBeginHouseMutation();
  const altitude = parseWithin(form.watch('altitude'), 'Altitude', 'm', -400, 5000);
  const submit = form.handleSubmit(async (v) => {
    const site = siteFieldsOf(v, (name, message) => form.setError(name, { message }));
    if (!site) return;
    try {
      await begin({
        site,
        siteId: newId(),
        lead: { id: newId(), name: v.lead, secret: v.secret },
        word: v.word,
      }).unwrap();
    } catch (e) {
      showFaults(form, fieldFaults(e), {
        'site.name': 'name',
        'lead.name': 'lead',
        'lead.secret': 'secret',
        word: 'word',
      });
    }
  });
  return (
    <div className="shell">
      <header className="head">
        <span className="place">Limnos</span>
        <span className="site">a new house</span>
      </header>
      <main className="page scroll">
        <form className="form p-6 max-w-[680px]" onSubmit={submit} noValidate>
          <h1 className="text-[30px] leading-tight">Begin the house</h1>
          <p>Its first site, and the lead who keeps the recipes. Both can be changed later.</p>
          <TextField form={form} name="name" label="Site" hint="What people call the room." />
          <div className="pair">
            <TextField
              form={form}
              name="altitude"
              label="Altitude"
              unit="m"
              hint={
                altitude.kind === 'ok'
                  ? `Water boils at ${temperatureText(boilingAt(metres(altitude.value)), 'C')} there.`
                  : undefined
              }
            />
          </div>
          <SiteUnits form={form as unknown as UseFormReturn<SiteForm>} />
          <TextField form={form} name="lead" label="Lead’s name" />
          <TextField
            form={form}
            name="secret"
            label="Lead’s passphrase"
            type="password"
            hint="8 letters or more. It is kept only as a hash: nobody can read it back."
          />
          {asksWord && (
            <TextField
              form={form}
              name="word"
              label="Start word"
              hint="The computer that runs Limnos shows this word when Limnos starts. Only its owner can read the word."
            />
          )}
          {error && Object.keys(fieldFaults(error)).length === 0 && (
            <Note bad>{failureOf(error).message} What was typed is kept.</Note>
          )}
          <div>
            <button type="submit" className="btn go" disabled={isLoading}>
              Begin the house
            </button>
          </div>
          <p className="small">
            Local food codes and the site’s own safety plan decide what may be served.
          </p>
        </form>
      </main>
    </div>
  );
}
