import { isFromPacket, METHOD_NAMES, METHODS, type Recipe } from '#core/recipes';
import { STYLE_IDS, styleOf } from '#core/styles';
import { healthClaims, missedAllergens } from '#core/teas';
import { type Tea } from '#contracts/teas';
import { useUnits } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useSpoonsQuery } from '../../entities/teas/spoonsApi';
import { NotSaved } from '../../platform/NotSaved';
import { AreaField, CheckField, SelectField, TextField } from '../../ui/fields';
import { Note } from '../../ui/Note';
import { SaveOrLeave } from '../../ui/SaveOrLeave';
import { PacketReading, usePacket } from './Packet';
import { recipeFormOf } from './recipeForm';
import { BlendFields, FirstRecipe, HouseWords, LeafFields, MoreFields } from './teaForm/TeaFields';
import { bagTyped, useSaveTea, useStartingRecipe, useTeaForm } from './teaForm/useTeaForm';
import { readWeighing, WeighingFields } from './WeighingFields';

/** A tea's own facts in the order they are learnt: the packet, the leaf, its weighing, then the first recipe. */
export function TeaForm({ tea, onDone }: { tea: Tea | null; onDone: () => void }) {
  const units = useUnits();
  const { data: shelf } = useSpoonsQuery();
  const { data: book } = useBookQuery();
  const spoons = shelf?.spoons ?? [];
  const form = useTeaForm(tea, units);
  const v = form.watch();
  const read = readWeighing(v, spoons);
  const weighing = read.kind === 'ok' ? read.weighing : null;
  useStartingRecipe({ units, tea, form, v });
  const bag = bagTyped(v, tea);
  const packet = usePacket({ packet: v.packet, style: v.style, method: v.method, weighing, bag });
  const take = (r: Recipe) =>
    form.reset({ ...form.getValues(), ...recipeFormOf(r, units) }, { keepDefaultValues: true });
  const missed = missedAllergens(`${v.blend} ${v.name}`, v.allergens);
  const { setRev, adding, changing, error, save } = useSaveTea({
    tea,
    form,
    units,
    read,
    weighing,
    onDone,
  });
  const said = v.words.split(/,\s*/).filter(Boolean);
  const toggleWord = (w: string) =>
    form.setValue(
      'words',
      (said.includes(w) ? said.filter((x) => x !== w) : [...said, w]).join(', '),
    );
  return (
    <form className="form" onSubmit={save} noValidate>
      <h1>{tea ? tea.name : 'New tea'}</h1>
      <TextField form={form} name="name" label="Name" />
      <AreaField
        form={form}
        name="packet"
        label="What the packet says, word for word"
        hint="For instance: 1 tsp per cup, 80 °C, 2-3 minutes."
      />
      <PacketReading
        packet={packet}
        style={v.style}
        onTake={tea ? null : take}
        taken={isFromPacket(v)}
      />
      <div className="pair">
        <SelectField
          form={form}
          name="style"
          label="Style"
          options={STYLE_IDS.map((s) => [s, styleOf(s).kind] as const)}
          hint={styleOf(v.style).label}
        />
        <SelectField
          form={form}
          name="method"
          label="Usually brewed as"
          options={METHOD_NAMES.map((m) => [m, METHODS[m].label] as const)}
        />
      </div>
      <LeafFields form={form} v={v} />
      <BlendFields form={form} missed={missed} v={v} />
      <WeighingFields form={form} spoons={spoons} legend="Weigh it once: spoons of this tea" />
      {!tea && <FirstRecipe {...{ v, packet, take, form, weighing }} />}
      <TextField form={form} name="words" label="Tasting words" />
      {(book?.vocabulary.length ?? 0) > 0 && (
        <HouseWords book={book} said={said} toggleWord={toggleWord} />
      )}
      <MoreFields form={form} />
      {tea && (
        <CheckField
          form={form}
          name="retired"
          label="Retired: not brewed any more, kept for the brews that used it"
        />
      )}
      <Claims words={[v.name, v.words, v.cautions, v.caffeine].join('. ')} />
      <NotSaved error={error} onKeepMine={setRev} />
      <SaveOrLeave saving={adding.isLoading || changing.isLoading} onLeave={onDone}>
        {tea ? 'Save the tea' : 'Add the tea'}
      </SaveOrLeave>
    </form>
  );
}

/** Words that claim an effect on health are said while they are typed; they are kept as they are. */
function Claims({ words }: { words: string }) {
  const claims = healthClaims(words);
  if (claims.length === 0) return null;
  return (
    <Note bad>
      “{claims.join('”, “')}” may claim an effect on health. Do not claim health effects on cards or
      menus.
    </Note>
  );
}
