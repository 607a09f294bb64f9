import { type Dispatch, type SetStateAction, useState } from 'react';
import { useForm } from 'react-hook-form';
import { verdictWords } from '#core/corrections';
import { type Method, METHODS, spoonedDensity, startingRecipe } from '#core/recipes';
import { styleOf } from '#core/styles';
import { bagOf, measureOf, versionOfTheHouse } from '#core/teas';
import type { Version } from '#contracts/recipes';
import type { LeadNote, Tea } from '#contracts/teas';
import { useLogQuery } from '../../entities/brews/api';
import { useSession, useUnits } from '../../entities/people/session';
import { NotMade, useNewVersion } from '../../entities/teas/newVersion';
import { clockText, dayText } from '../../ui/days';
import { TextField } from '../../ui/fields';
import { usePacket } from './Packet';
import { RecipeFields } from './RecipeFields';
import { type RecipeForm } from './recipeFields';
import { recipeFormOf, recipeOf } from './recipeForm';
import { StartFrom } from './StartFrom';

type Form = RecipeForm & { reason: string };
type Props = {
  tea: Tea;
  method: Method;
  from: Version | null;
  notes: readonly LeadNote[];
  newest: number;
  onDone: () => void;
};

/**
 * A new version of a method's recipe from the one that stands, or the method's first; the old one stays on the brews
 * that used it.
 */
export function VersionForm({ tea, method, from, notes, newest, onDone }: Props) {
  const units = useUnits();
  const base = from?.recipe ?? startingRecipe(tea.style, method);
  // What is dialled in is the house's own: it no longer says where it began.
  const form = useForm<Form>({
    defaultValues: {
      ...recipeFormOf({ ...base, origin: from ? '' : base.origin }, units),
      reason: reasonToBegin(notes, from, method),
    },
  });
  const { weighing } = measureOf(tea);
  const density = spoonedDensity(weighing, tea.leaf.form);
  const [settled, setSettled] = useState<readonly string[]>(notes[0] ? [notes[0].id] : []);
  const packet = usePacket({
    packet: tea.packet,
    style: tea.style,
    method,
    weighing,
    bag: bagOf(tea),
  });
  const making = useNewVersion(tea, newest);
  const saveAs = (as: 'house' | 'trial' | 'draft') =>
    form.handleSubmit(async (v) => {
      const recipe = recipeOf(v, { method, units, density }, (name, message) =>
        form.setError(name as keyof Form, { message }),
      );
      if (v.reason.trim() === '')
        form.setError('reason', { message: 'Say why: the next lead reads it.' });
      if (!recipe || v.reason.trim() === '') return;
      if (
        await making.save({
          as,
          method,
          recipe,
          reason: v.reason,
          settles: as === 'house' ? [...settled] : [],
        })
      )
        onDone();
    });
  const stands = versionOfTheHouse(tea, method);
  const isLead = useSession().role === 'lead';
  return (
    <form className="form" onSubmit={(e) => void saveAs(isLead ? 'house' : 'draft')(e)} noValidate>
      <h1>{tea.name}</h1>
      <p>
        {from
          ? `From version ${from.number}${from.method === tea.method ? '' : `, ${METHODS[method].label}`}.`
          : `Its first recipe as ${METHODS[method].label}.`}{' '}
        {isLead && stands
          ? `As the house recipe everyone brews it from now on; version ${stands.number} is retired and stays on the brews that used it.`
          : ''}
        {!isLead &&
          'Your version is kept as a draft. A lead puts a draft on trial or makes it the house recipe.'}
      </p>
      <StartFrom
        style={tea.style}
        method={method}
        season={tea.leaf.season}
        packet={packet.view.start}
        now={from?.recipe ?? null}
        except={tea.id}
        taken={form.watch('origin')}
        onTake={(r) =>
          form.reset(
            { ...form.getValues(), ...recipeFormOf(r, units) },
            { keepDefaultValues: true },
          )
        }
      />
      <RecipeFields
        form={form}
        method={method}
        usual={from?.recipe.dose ?? styleOf(tea.style).start.dose}
        spooned={{ density, isWeighed: weighing !== null }}
      />
      <Tasted tea={tea} onPick={(words) => form.setValue('reason', words, { shouldDirty: true })} />
      <TextField
        form={form}
        name="reason"
        label="Why"
        hint="In a line: what was found, what should be better."
      />
      {isLead && notes.length > 0 && (
        <SettledNotes notes={notes} settled={settled} setSettled={setSettled} />
      )}
      <NotMade making={making} />
      <SaveButtons isLead={isLead} isSaving={making.isSaving} saveAs={saveAs} onDone={onDone} />
    </form>
  );
}

/** A lead chooses what the version is; everybody else keeps a draft for a lead. */
function SaveButtons({
  isLead,
  isSaving,
  saveAs,
  onDone,
}: {
  isLead: boolean;
  isSaving: boolean;
  saveAs: (as: 'house' | 'trial' | 'draft') => () => Promise<void>;
  onDone: () => void;
}) {
  return (
    <div className="flex flex-wrap gap-2">
      <button type="submit" className="btn go" disabled={isSaving}>
        {isLead ? 'Make it the house recipe' : 'Keep as draft'}
      </button>
      {isLead && (
        <>
          <button
            type="button"
            className="btn"
            disabled={isSaving}
            onClick={() => void saveAs('trial')()}
          >
            Put on trial
          </button>
          <button
            type="button"
            className="btn"
            disabled={isSaving}
            onClick={() => void saveAs('draft')()}
          >
            Keep as draft
          </button>
        </>
      )}
      <button type="button" className="btn quiet" onClick={onDone}>
        Leave it
      </button>
    </div>
  );
}

/** What stands as the reason until it is typed: the newest note, or that it is the first recipe. */
function reasonToBegin(notes: readonly LeadNote[], from: Version | null, method: Method) {
  if (notes[0]) return `${notes[0].headline}: ${notes[0].found}`.slice(0, 200);
  if (from) return '';
  return `First recipe as ${METHODS[method].label}`;
}

/** Brewers' notes that this version answers. */
function SettledNotes({
  notes,
  settled,
  setSettled,
}: {
  notes: readonly LeadNote[];
  settled: readonly string[];
  setSettled: Dispatch<SetStateAction<readonly string[]>>;
}) {
  return (
    <fieldset className="grid gap-1">
      <legend className="text-[15px] font-semibold">Settles these notes</legend>
      {notes.slice(0, 8).map((n) => (
        <label className="check" key={n.id}>
          <input
            type="checkbox"
            checked={settled.includes(n.id)}
            onChange={(e) =>
              setSettled((s) => (e.target.checked ? [...s, n.id] : s.filter((x) => x !== n.id)))
            }
          />
          {n.headline}, {n.by.name}
        </label>
      ))}
    </fieldset>
  );
}

/**
 * The last cups of this tea that were judged off: one of them can be the reason. Its place is kept while they are
 * fetched: what came in late would move the buttons below from under a finger.
 */
function Tasted({ tea, onPick }: { tea: Tea; onPick: (words: string) => void }) {
  const { data, isLoading } = useLogQuery({ teaId: tea.id, verdict: 'off' });
  const cups = (data?.brews ?? [])
    .filter((b) => b.verdict)
    .slice(0, 8)
    .map((b) => {
      const found = b.verdict ? verdictWords(b.verdict) : '';
      return {
        id: b.id,
        words:
          `Tasted ${dayText(b.startedAt)} ${clockText(b.startedAt)}, ${b.plan.vessel.name}, ${b.judgedBy?.name ?? b.startedBy.name}: ${found}`.slice(
            0,
            300,
          ),
      };
    });
  return (
    <label className="field-row">
      <span className="as-label">From a tasted cup</span>
      <select
        className="box"
        aria-label="From a tasted cup"
        value=""
        disabled={cups.length === 0}
        onChange={(e) => {
          const cup = cups.find((c) => c.id === e.target.value);
          if (cup) onPick(cup.words);
        }}
      >
        <option value="">{cupsWords(cups.length, isLoading)}</option>
        {cups.map((c) => (
          <option key={c.id} value={c.id}>
            {c.words}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What stands in the list until a cup is picked. */
function cupsWords(cups: number, isLoading: boolean) {
  if (isLoading) return 'fetching the cups';
  return cups > 0 ? 'choose a judged cup' : 'every judged cup of this tea was right';
}
