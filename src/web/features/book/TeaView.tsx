import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import {
  handlingWords,
  isCold,
  leewayWords,
  type Method,
  METHOD_NAMES,
  METHODS,
} from '#core/recipes';
import { SCHOOL_WORDS } from '#core/scaling';
import { styleOf } from '#core/styles';
import { leafAdvice, leafWords } from '#core/teas';
import { capital, degrees, minutesText, numberText, temperatureText } from '#core/units';
import { bagOf, measureOf } from '#contracts/recipeSelection';
import type { LeadNote, Tea, Version } from '#contracts/teas';
import { SteepRule } from '../../entities/brews/SteepRule';
import { History } from '../../entities/history/History';
import { useSession, useUnits } from '../../entities/people/session';
import { useSettleNoteMutation } from '../../entities/teas/api';
import { useTeaQuery } from '../../entities/teas/api';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf, liquorAfter } from '../../entities/teas/liquor';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { useGo } from '../../platform/useGo';
import { clockText, dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { ColdRecipe } from './ColdRecipe';
import { InOurVessels } from './InOurVessels';
import { LeafPhoto } from './LeafPhoto';
import { Lots } from './Lots';
import { MeasuredColour } from './MeasuredColour';
import { PacketReading, usePacket } from './Packet';
import { TeaForm } from './TeaForm';
import { ToleranceOf } from './Tolerance';
import { useMove } from './useMove';
import { VersionForm } from './VersionForm';

/** One tea: its house recipe, what it takes in every vessel here, its versions and what brewers noted. */
export function TeaView({ id }: { id: string }) {
  const { data, isError } = useTeaQuery(id);
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
    { key: 'i', does: 'What if', run: () => go(`/book/${id}/whatif`) },
    ...(lead ? [{ key: 'e', does: 'New version', run: () => setEditing('version') }] : []),
    {
      key: 'Escape',
      does: 'Back to the index',
      run: () => (editing ? setEditing(null) : go('/book')),
    },
  ]);
  if (isError && !data)
    return (
      <section className="tea-page">
        <Nothing>This tea is not in the book.</Nothing>
      </section>
    );
  if (!data)
    return (
      <section className="tea-page">
        <Loading what="the tea" />
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
          from={house ?? shown?.trial ?? null}
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
        <button
          type="button"
          className="btn go"
          onClick={brew}
          disabled={!tea.house || tea.retired}
        >
          Brew <kbd>N</kbd>
        </button>
      </div>
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
      {house ? (
        isCold(at) ? (
          <ColdRecipe tea={tea} house={house} />
        ) : (
          <HouseRecipe tea={tea} house={house} />
        )
      ) : (
        <Nothing
          action={
            lead && (
              <button type="button" className="btn" onClick={() => setEditing('version')}>
                Make its first recipe
              </button>
            )
          }
        >
          No house recipe as {METHODS[at].label} yet.
        </Nothing>
      )}
      {at === tea.method && (
        <Notes notes={notes} lead={lead} onVersion={() => setEditing('version')} />
      )}
      {house && !isCold(at) && <InOurVessels tea={tea} house={house} />}
      {tea.house && at === tea.method && (
        <p className="small mt-2">
          {predictionBasis(tea)}.{' '}
          {role !== 'trainee' && (
            <>
              <Link className="underline" to={`/book/${id}/fit`}>
                {tea.fitted ? 'What its own cups say' : 'Fit it to this house'}
              </Link>
              .{' '}
            </>
          )}
          <Link className="underline" to={`/book/${id}/colours`}>
            {tea.swatches ? 'Its measured colours' : 'Its colours'}
          </Link>
        </p>
      )}
      {house && !isCold(at) && <ToleranceOf tea={tea} version={house} />}
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
        {lead && (
          <button type="button" className="btn slim" onClick={() => setEditing('version')}>
            New version <kbd>E</kbd>
          </button>
        )}
      </div>
      <ul className="versions">
        {mine.map((v) => (
          <VersionRow key={v.id} v={v} tea={tea} lead={lead} />
        ))}
      </ul>
      <Lots page={data} lead={lead} />
      <AboutTea tea={tea} lead={lead} onEdit={() => setEditing('tea')} />
      {tea.house && (
        <p className="small mt-3 prints">
          <Printer size={20} strokeWidth={2} aria-hidden="true" /> Wall card to print:{' '}
          {(['a5', 'a4', 'a6'] as const).map((size) => (
            <a
              key={size}
              className="btn quiet slim"
              href={`/api/teas/${id}/wall.pdf?size=${size}`}
              target="_blank"
              rel="noreferrer"
            >
              {size.toUpperCase()}
            </a>
          ))}{' '}
          <a
            className="btn quiet slim"
            href={`/api/teas/${id}/label.pdf`}
            target="_blank"
            rel="noreferrer"
          >
            Label, 62 mm
          </a>
        </p>
      )}
      {lead && <History thing="tea" id={tea.id} />}
      <Link className="btn quiet slim mt-3 only-narrow" to="/book">
        Back to the index
      </Link>
    </section>
  );
}

/** The methods this tea has a recipe for; a lead adds another. */
function MethodTabs({
  tea,
  at,
  lead,
  onPick,
  onNew,
}: {
  tea: Tea;
  at: Method;
  lead: boolean;
  onPick: (m: Method) => void;
  onNew: (m: Method) => void;
}) {
  const has = METHOD_NAMES.filter(
    (m) => m === tea.method || m === at || tea.recipes.some((r) => r.method === m),
  );
  const more = METHOD_NAMES.filter((m) => !has.includes(m));
  if (has.length < 2 && !lead) return null;
  return (
    <div className="method-tabs" role="group" aria-label="Methods">
      {has.map((m) => (
        <button type="button" key={m} aria-pressed={m === at} onClick={() => onPick(m)}>
          {capital(METHODS[m].label)}
        </button>
      ))}
      {lead && (
        <select
          className="box"
          aria-label="Recipe for another method"
          value=""
          onChange={(e) => onNew(e.target.value as Method)}
        >
          <option value="">another method</option>
          {more.map((m) => (
            <option key={m} value={m}>
              {METHODS[m].label}
            </option>
          ))}
        </select>
      )}
    </div>
  );
}

/** What is known of the leaf itself: the packet beside what it means here, the blend, cautions. */
function AboutTea({ tea, lead, onEdit }: { tea: Tea; lead: boolean; onEdit: () => void }) {
  const advice = leafAdvice(tea.leaf).join(' ');
  const packet = usePacket({
    packet: tea.packet,
    style: tea.style,
    method: tea.method,
    weighing: measureOf(tea).weighing,
    bag: bagOf(tea),
  });
  return (
    <section aria-label="The leaf">
      <div className="flex items-end gap-3 mt-4">
        <h2 className="flex-1">The leaf</h2>
        {lead && (
          <button type="button" className="btn slim" onClick={onEdit}>
            Edit the tea
          </button>
        )}
      </div>
      <LeafPhoto tea={tea} lead={lead} />
      {tea.packet && (
        <>
          <p>The packet: “{tea.packet}”</p>
          <PacketReading packet={packet} style={tea.style} onTake={null} />
        </>
      )}
      {tea.blend && <p>Blended with {tea.blend}.</p>}
      {tea.allergens && (
        <p>
          <b>Allergens:</b> {tea.allergens}.
        </p>
      )}
      {tea.colour && <MeasuredColour tea={tea} colour={tea.colour} />}
      <p className="small">
        {[advice, tea.caffeine && `${tea.caffeine}.`, tea.cautions, tea.note]
          .filter(Boolean)
          .join(' ')}
      </p>
    </section>
  );
}

function HouseRecipe({ tea, house }: { tea: Tea; house: Version }) {
  const units = useUnits();
  const { recipe } = house;
  return (
    <>
      <div className="facts">
        <div>
          leaf
          <b>
            {numberText(recipe.dose, 2)}
            <span>g per 100 ml</span>
          </b>
        </div>
        <div>
          water on the leaf
          <b>
            {degrees(recipe.temperature, units.temperature)}
            <span>°{units.temperature}</span>
          </b>
        </div>
        <div>
          best at<b>{minutesText(recipe.window.best)}</b>
        </div>
        <div>
          steeps<b>{1 + recipe.later.length}</b>
        </div>
      </div>
      <SteepRule
        window={recipe.window}
        width={619}
        height={18}
        liquorAfter={(s) => liquorAfter(tea, recipe, s)}
      />
      <p className="small">
        Cup colour: {tea.swatches ? 'as measured here' : predictionBasis(tea).toLowerCase()}.{' '}
        {recipe.later.length > 0 &&
          `Later steeps at ${recipe.later.map((w) => minutesText(w.best)).join(', ')}. `}
        {recipe.warm ? 'Vessel warmed. ' : ''}
        {recipe.lid ? 'Lid on. ' : 'Lid off. '}
        {handlingWords(recipe).join(' ')} {recipe.note} {leewayWords(recipe)}
        {recipe.origin && ` From ${recipe.origin}: not dialled in yet.`}
      </p>
    </>
  );
}

function VersionRow({ v, tea, lead }: { v: Version; tea: Tea; lead: boolean }) {
  const moving = useMove(tea);
  const units = useUnits();
  const { recipe } = v;
  return (
    <li className={v.state === 'retired' ? 'old' : ''}>
      <span>{v.number}</span>
      <b className={v.state === 'house' ? 'font-semibold' : 'font-normal'}>{v.state}</b>
      <span>{v.reason}</span>
      <span className="small">
        {v.author.name}, {dayText(v.at)}
      </span>
      <details open={v.state === 'trial' || v.state === 'draft'}>
        <summary className="small">What it says</summary>
        <p>
          {numberText(recipe.dose, 2)} g per 100 ml
          {recipe.scaling.school === 'linear'
            ? ''
            : `, ${SCHOOL_WORDS[recipe.scaling.school]}`};{' '}
          {temperatureText(recipe.temperature, units.temperature)} on the leaf;{' '}
          {minutesText(recipe.window.earliest)} to {minutesText(recipe.window.latest)}, best{' '}
          {minutesText(recipe.window.best)}; vessel {recipe.warm ? 'warmed' : 'not warmed'}, lid{' '}
          {recipe.lid ? 'on' : 'off'}. {handlingWords(recipe).join(' ')} {recipe.note}
        </p>
        {!isCold(v.method) && (
          <Cup
            liquor={houseLiquorOf(tea, recipe)}
            size={40}
            label={`Predicted cup, ${predictionBasis(tea).toLowerCase()}`}
          />
        )}
        {v.state === 'trial' && (
          <span className="flex gap-2">
            {v.method === tea.method && !isCold(v.method) && (
              <Link className="btn slim" to={`/start?tea=${tea.id}&trial`}>
                Brew the trial
              </Link>
            )}
            {lead && <Moves v={v} moving={moving} />}
          </span>
        )}
        {v.state === 'draft' && lead && (
          <span className="flex gap-2">
            <Moves v={v} moving={moving} />
          </span>
        )}
      </details>
      {moving.failure && (
        <Note bad>
          <b>Not taken.</b> {moving.failure.message}
        </Note>
      )}
    </li>
  );
}

/** What a lead can make of a version that is not the house's yet. */
function Moves({ v, moving }: { v: Version; moving: ReturnType<typeof useMove> }) {
  const go = (to: 'house' | 'trial' | 'retired', words: string, main = false) => (
    <button
      type="button"
      className={`btn slim ${main ? 'go' : ''}`}
      disabled={moving.isSaving}
      onClick={() => void moving.move(v, to)}
    >
      {words}
    </button>
  );
  return (
    <>
      {go('house', 'Make it the house recipe', true)}
      {v.state === 'draft' && go('trial', 'Put on trial')}
      {go('retired', 'Set aside')}
    </>
  );
}

function Notes({
  notes,
  lead,
  onVersion,
}: {
  notes: readonly LeadNote[];
  lead: boolean;
  onVersion: () => void;
}) {
  const [settle] = useSettleNoteMutation();
  if (notes.length === 0) return null;
  return (
    <div className="mt-3 grid gap-2">
      <h2>
        Noted at the bar<small>corrections brewers would make</small>
      </h2>
      {notes.slice(0, 4).map((n) => (
        <Note
          key={n.id}
          action={
            lead && (
              <span className="flex gap-1">
                <button type="button" className="btn slim" onClick={onVersion}>
                  Take it up
                </button>
                <button type="button" className="btn quiet slim" onClick={() => void settle(n.id)}>
                  Set aside
                </button>
              </span>
            )
          }
        >
          <b>{n.headline}.</b> {n.change} Found {n.found}.{' '}
          <span className="small">
            {n.by.name}
            {n.fromTrainee ? ' (trainee)' : ''}, {dayText(n.at)} {clockText(n.at)}.{' '}
            <Link to={`/log/${n.brewId}`}>The brew</Link>
          </span>
        </Note>
      ))}
      {notes.length > 4 && <p className="small">And {notes.length - 4} more.</p>}
    </div>
  );
}
