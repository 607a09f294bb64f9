import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { isCold, type Method, METHODS } from '#core/recipes';
import { styleOf } from '#core/styles';
import { leafWords, versionOfTheHouse } from '#core/teas';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import { History } from '../../entities/history/History';
import { useSession } from '../../entities/people/session';
import { PrintOn } from '../../entities/printers/PrintOn';
import { useTeaQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { PrintLink } from '../../entities/teas/PrintLink';
import { useVesselsQuery } from '../../entities/vessels/api';
import { isMissing } from '../../platform/api';
import { Unread } from '../../platform/Awaited';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Nothing } from '../../ui/Note';
import { ColdRecipe } from './ColdRecipe';
import { InOurVessels } from './InOurVessels';
import { Lots } from './Lots';
import { AboutTea, Notes } from './tea/AboutTea';
import { GuestCard } from './tea/GuestCard';
import { HouseRecipe, VersionRow } from './tea/HouseRecipe';
import { MethodTabs } from './tea/MethodTabs';
import { SiteRecipes } from './tea/SiteRecipes';
import { TeaForm } from './TeaForm';
import { ToleranceOf } from './Tolerance';
import { VersionForm } from './VersionForm';

/** One tea: its house recipe, what it takes in every vessel here, its versions and what brewers noted. */
export function TeaView({ id }: { id: string }) {
  const asked = useTeaQuery(id);
  const { data } = asked;
  // What it takes in each vessel stands above its versions: drawn later, it would move them under a finger.
  const { isLoading: vesselsCome } = useVesselsQuery();
  const { role } = useSession();
  const go = useGo();
  const [editing, setEditing] = useState<'version' | 'tea' | null>(null);
  const [method, setMethod] = useState<Method | null>(null);
  const brew = () => go(`/start?tea=${id}`);
  const lead = role === 'lead';
  useKeys([
    { key: 'n', does: 'Brew this tea', run: brew },
    { key: 'b', does: 'Scaling board', run: () => go(`/book/${id}/board`) },
    { key: 'v', does: 'Versions compared', run: () => go(`/book/${id}/versions`) },
    { key: 'c', does: 'What the cups say', run: () => go(`/book/${id}/advice`) },
    { key: 'i', does: 'What if', run: () => go(`/book/${id}/whatif`) },
    { key: 'e', does: lead ? 'New version' : 'Draft a version', run: () => setEditing('version') },
    {
      key: 'Escape',
      does: 'Back to the index',
      run: () => (editing ? setEditing(null) : go('/book')),
    },
  ]);
  if (isMissing(asked.error) && !data)
    return (
      <section className="tea-page">
        <Nothing>This tea is not in the book.</Nothing>
      </section>
    );
  if (!data || vesselsCome)
    return (
      <section className="tea-page">
        <Unread what="the tea" of={[asked]} />
      </section>
    );
  const { tea, versions, notes } = data;
  const at = method ?? tea.method;
  const shown = tea.recipes.find((r) => r.method === at);
  const house = shown?.house ?? null;
  const mine = versions.filter((v) => v.method === at);
  if (editing === 'version')
    return (
      <section className="tea-page">
        <VersionForm
          key={at}
          tea={tea}
          method={at}
          from={versionOfTheHouse(tea, at) ?? shown?.trial ?? null}
          notes={at === tea.method ? notes : []}
          newest={mine[0]?.number ?? 0}
          onDone={() => setEditing(null)}
        />
      </section>
    );
  if (editing === 'tea')
    return (
      <section className="tea-page">
        <TeaForm tea={tea} onDone={() => setEditing(null)} />
      </section>
    );
  return (
    <section className="tea-page" aria-label={tea.name}>
      <TeaHead tea={tea} id={id} brew={brew} />
      <MethodTabs
        tea={tea}
        at={at}
        lead={lead}
        onPick={(m) => setMethod(m)}
        onNew={(m) => {
          setMethod(m);
          setEditing('version');
        }}
      />
      <SiteRecipes tea={tea} sites={data.sites.filter((s) => s.method === at)} lead={lead} />
      {recipeShown({ house, at, tea, lead, onNew: () => setEditing('version') })}
      {at === tea.method && (
        <Notes notes={notes} lead={lead} onVersion={() => setEditing('version')} />
      )}
      {house && !isCold(at) && <InOurVessels tea={tea} house={house} />}
      {tea.house && at === tea.method && <Basis tea={tea} role={role} id={id} />}
      {house && !isCold(at) && <ToleranceOf tea={tea} version={house} />}
      <VersionsHead
        tea={tea}
        at={at}
        mine={mine}
        id={id}
        lead={lead}
        onNew={() => setEditing('version')}
      />
      <ul className="versions">
        {mine.map((v) => (
          <VersionRow key={v.id} v={v} tea={tea} sites={data.sites} lead={lead} />
        ))}
      </ul>
      <Lots page={data} lead={lead} />
      <AboutTea tea={tea} lead={lead} onEdit={() => setEditing('tea')} />
      {tea.house && <Prints tea={tea} />}
      {lead && <History thing="tea" id={tea.id} />}
      <Link className="btn quiet slim mt-3 only-narrow" to="/book">
        Back to the index
      </Link>
    </section>
  );
}

/** The house recipe as this method, hot or cold; said where there is none. */
function recipeShown({
  house,
  at,
  tea,
  lead,
  onNew,
}: {
  house: Version | null;
  at: Method;
  tea: Tea;
  lead: boolean;
  onNew: () => void;
}) {
  if (house && isCold(at)) return <ColdRecipe tea={tea} house={house} />;
  if (house) return <HouseRecipe tea={tea} house={house} />;
  return (
    <Nothing
      action={
        <button type="button" className="btn" onClick={onNew}>
          {lead ? 'Make its first recipe' : 'Draft its first recipe'}
        </button>
      }
    >
      No house recipe as {METHODS[at].label} yet.
    </Nothing>
  );
}

/** The tea's name with its cup, and what is done with it. */
function TeaHead({ tea, id, brew }: { tea: Tea; id: string; brew: () => void }) {
  return (
    <div className="tea-head">
      {tea.house && <Cup liquor={houseLiquorOf(tea, tea.house.recipe)} size={68} />}
      <div className="tea-name">
        <h1>{tea.name}</h1>
        <p className="small">
          {[
            styleOf(tea.style).kind,
            leafWords(tea.leaf),
            tea.lots.find((l) => l.state === 'inUse')?.name,
            tea.words,
          ]
            .filter(Boolean)
            .join(' · ')}
          {tea.retired ? ' · retired' : ''}
        </p>
      </div>
      {tea.house && (
        <Link className="btn" to={`/book/${id}/whatif`}>
          What if <kbd>I</kbd>
        </Link>
      )}
      <button type="button" className="btn go" onClick={brew} disabled={!tea.house || tea.retired}>
        Brew <kbd>N</kbd>
      </button>
    </div>
  );
}

/** What the predictions of this tea rest on. */
function Basis({ tea, role, id }: { tea: Tea; role: 'trainee' | 'brewer' | 'lead'; id: string }) {
  return (
    <p className="small mt-2">
      <Link className="underline" to={`/book/${id}/advice`}>
        What the cups say <kbd>C</kbd>
      </Link>
      . {predictionBasis(tea)}.{' '}
      {role !== 'trainee' && (
        <>
          <Link className="underline" to={`/book/${id}/fit`}>
            {tea.fitted ? 'How this tea was fitted' : 'Fit it to this house'}
          </Link>
          .{' '}
        </>
      )}
      <Link className="underline" to={`/book/${id}/colours`}>
        {tea.swatches ? 'Its measured colours' : 'Its colours'}
      </Link>
    </p>
  );
}

/** Versions, compared or a new one. */
function VersionsHead({
  tea,
  at,
  mine,
  id,
  lead,
  onNew,
}: {
  tea: Tea;
  at: Method;
  mine: readonly Version[];
  id: string;
  lead: boolean;
  onNew: () => void;
}) {
  return (
    <div className="flex items-end gap-3 mt-4">
      <h2 className="flex-1">
        Versions{tea.recipes.length > 1 && <small>{METHODS[at].label}</small>}
      </h2>
      {mine.length > 1 && (
        <Link
          className="btn slim"
          to={`/book/${id}/versions${at === tea.method ? '' : `?method=${at}`}`}
        >
          Compare <kbd>V</kbd>
        </Link>
      )}
      <button type="button" className="btn slim" onClick={onNew}>
        {lead ? 'New version' : 'Draft a version'} <kbd>E</kbd>
      </button>
    </div>
  );
}

/** Cards and labels to print. */
function Prints({ tea }: { tea: Tea }) {
  return (
    <p className="small mt-3 prints">
      <Printer size={20} strokeWidth={2} aria-hidden="true" /> Wall card to print:{' '}
      {(['a5', 'a4', 'a6'] as const).map((size) => (
        <PrintLink key={size} href={`/api/teas/${tea.id}/wall.pdf?size=${size}`} teas={[tea]}>
          {size.toUpperCase()}
        </PrintLink>
      ))}{' '}
      <PrintLink href={`/api/teas/${tea.id}/label.pdf`} teas={[tea]}>
        Label, 62 mm
      </PrintLink>{' '}
      <PrintOn of={{ kind: 'tea', id: tea.id }} /> <GuestCard tea={tea} />
    </p>
  );
}
