import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { LeadNote, Tea, Version } from '#contracts/book';
import type { Vessel } from '#contracts/shelf';
import { askedOf, cardFaultWords, cardOf } from '#contracts/plan';
import { gramsPerSpoon, densityOf, matchedCup, quartersText } from '#core/recipes';
import { leafFor, SCHOOL_REASON, SCHOOL_WORDS, taperExponent, type KnownPour } from '#core/scaling';
import { styleOf } from '#core/styles';
import { degrees, minutesText, numberText, SPOONS, temperatureText, volumeText, type Grams } from '#core/units';
import { useSettleNoteMutation, useTeaQuery, useVesselsQuery } from '../../app/records';
import { useSession, useUnits } from '../../app/session';
import { dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { STANDING } from '../../ui/standing';
import { Cup, SteepRule, VesselDrawing } from '../../ui/vessel';
import { clockText, houseCup, liquorAfter } from '../bar';
import { TeaForm } from './TeaForm';
import { ToleranceOf } from './Tolerance';
import { useAdopt } from './useAdopt';
import { VersionForm } from './VersionForm';


/** One tea: its house recipe, what it takes in every vessel here, its versions and what brewers noted. */
export function TeaView({ id }: { id: string }) {
  const { data, isError } = useTeaQuery(id);
  const { role } = useSession();
  const navigate = useNavigate();
  const [editing, setEditing] = useState<'version' | 'tea' | null>(null);
  const brew = () => navigate(`/start?tea=${id}`);
  useKeys([
    { key: 'n', does: 'Brew this tea', run: brew },
    { key: 'b', does: 'Scaling board', run: () => navigate(`/book/${id}/board`) },
    { key: 'v', does: 'Versions compared', run: () => navigate(`/book/${id}/versions`) },
    { key: 'i', does: 'What if', run: () => navigate(`/book/${id}/whatif`) },
    ...(role === 'lead' ? [{ key: 'e', does: 'New version', run: () => setEditing('version') }] : []),
    { key: 'Escape', does: 'Back to the index', run: () => (editing ? setEditing(null) : navigate('/book')) },
  ]);
  if (isError && !data) return <section className="tea-page"><Nothing>This tea is not in the book.</Nothing></section>;
  if (!data) return <section className="tea-page"><Loading what="the tea" /></section>;
  const { tea, versions, notes } = data;
  const house = tea.house;
  if (editing === 'version' && house) return <section className="tea-page"><VersionForm tea={tea} house={house} notes={notes} newest={versions[0]?.number ?? house.number} onDone={() => setEditing(null)} /></section>;
  if (editing === 'tea') return <section className="tea-page"><TeaForm tea={tea} onDone={() => setEditing(null)} /></section>;
  return (
    <section className="tea-page" aria-label={tea.name}>
      <div className="flex gap-4 items-center">
        {house && <Cup liquor={houseCup(tea.style, house.recipe)} size={68} />}
        <div className="flex-1"><h1>{tea.name}</h1><p className="small">{[styleOf(tea.style).kind, tea.lot, tea.words].filter(Boolean).join(' · ')}{tea.retired ? ' · retired' : ''}</p></div>
        {house && <Link className="btn" to={`/book/${id}/whatif`}>What if <kbd>I</kbd></Link>}
        <button type="button" className="btn go" onClick={brew} disabled={!house || tea.retired}>Brew <kbd>N</kbd></button>
      </div>
      {house && <HouseRecipe tea={tea} house={house} />}
      <Notes notes={notes} lead={role === 'lead'} onVersion={() => setEditing('version')} />
      {house && <InOurVessels tea={tea} house={house} />}
      {house && <ToleranceOf tea={tea} version={house} />}
      <div className="flex items-end gap-3 mt-4"><h2 className="flex-1">Versions</h2>{versions.length > 1 && <Link className="btn slim" to={`/book/${id}/versions`}>Compare <kbd>V</kbd></Link>}
        {role === 'lead' && <><button type="button" className="btn slim" onClick={() => setEditing('tea')}>Edit the tea</button><button type="button" className="btn slim" onClick={() => setEditing('version')}>New version <kbd>E</kbd></button></>}</div>
      <ul className="versions">{versions.map((v) => <VersionRow key={v.id} v={v} tea={tea} lead={role === 'lead'} />)}</ul>
      {house && <p className="small mt-3 prints"><Printer size={20} strokeWidth={2} aria-hidden="true" /> Wall card to print: {(['a5', 'a4', 'a6'] as const).map((size) => <a key={size} className="btn quiet slim" href={`/api/teas/${id}/wall.pdf?size=${size}`} target="_blank" rel="noreferrer">{size.toUpperCase()}</a>)}</p>}
      {(tea.allergens || tea.note) && <p className="small mt-3">{tea.allergens && <><b>Allergens:</b> {tea.allergens}. </>}{tea.note}</p>}
      <Link className="btn quiet slim mt-3 only-narrow" to="/book">Back to the index</Link>
    </section>
  );
}

function HouseRecipe({ tea, house }: { tea: Tea; house: Version }) {
  const units = useUnits();
  const { recipe } = house;
  return (
    <>
      <div className="facts">
        <div>leaf<b>{numberText(recipe.dose, 2)}<span>g per 100 ml</span></b></div>
        <div>water on the leaf<b>{degrees(recipe.temperature, units.temperature)}<span>°{units.temperature}</span></b></div>
        <div>best at<b>{minutesText(recipe.window.best)}</b></div>
        <div>steeps<b>{1 + recipe.later.length}</b></div>
      </div>
      <SteepRule window={recipe.window} width={619} height={18} liquorAfter={(s) => liquorAfter(tea.style, recipe, s)} />
      <p className="small">Cup colour: {STANDING.toLowerCase()}. {recipe.later.length > 0 && `Later steeps at ${recipe.later.map((s) => minutesText(s)).join(', ')}. `}{recipe.warm ? 'Vessel warmed. ' : ''}{recipe.lid ? 'Lid on. ' : 'Lid off. '}{recipe.note}</p>
    </>
  );
}

/** The scaling table: every vessel of the site to its mark, or what keeps it from being brewed there. */
function InOurVessels({ tea, house }: { tea: Tea; house: Version }) {
  const { data } = useVesselsQuery();
  const { site } = useSession();
  const units = useUnits();
  const vessels = (data?.vessels ?? []).filter((v) => v.siteId === site.id && !v.retired);
  const spoon = SPOONS[tea.spoon];
  const { scaling } = house.recipe;
  const known = knownOf(house, vessels) ?? { pour: null, words: '' };
  const otherSchools = (v: Vessel, leaf: Grams): string => {
    const others: string[] = [];
    const asked = askedOf({ tea, version: house, vessel: v, site, water: v.mark, warmed: house.recipe.warm });
    const plain = leafFor(v.mark, house.recipe.dose, { school: 'linear' });
    if (scaling.school !== 'linear' && Math.abs(plain / leaf - 1) > LEAF_APART) others.push(`linear ${numberText(plain)} g`);
    const matched = known.pour && matchedCup(asked, known.pour);
    if (matched && (Math.abs(matched.leaf / leaf - 1) > LEAF_APART || Math.abs(matched.time - house.recipe.window.best) > TIME_APART)) others.push(`matched ${numberText(matched.leaf)} g, ${minutesText(matched.time)}`);
    return others.join('; ');
  };
  return (
    <>
      <div className="flex items-end gap-3 mt-3"><h2 className="flex-1">In our vessels<small>to the fill mark{tea.weighing ? `; level ${spoon.plural} of ${numberText(gramsPerSpoon(densityOf(tea.weighing), tea.spoon))} g` : ''}{scaling.school === 'tapered' ? `; tapered, water to the power ${numberText(taperExponent(scaling.small, scaling.large), 2)}` : `; leaf ${SCHOOL_WORDS[scaling.school]}`}</small></h2><Link className="btn slim" to={`/book/${tea.id}/board`}>For a service <kbd>B</kbd></Link></div>
      {vessels.length === 0 ? <Nothing>No vessel at {site.name} yet.</Nothing> : (
        <table className="grid-table">
          <thead><tr><th colSpan={2} className="l">vessel</th><th>water</th><th>leaf</th><th>spoons</th><th className="opt">kettle</th><th>best</th><th className="opt l">other schools</th></tr></thead>
          <tbody>{vessels.map((v) => {
            const card = cardOf({ tea, version: house, vessel: v, site, water: v.mark, warmed: house.recipe.warm });
            const drawn = <td className="v"><VesselDrawing vessel={v} scale={0.31} pad={1} mark={false} label="" bowl={false} fill={card.kind === 'card' ? v.mark : undefined} liquor={houseCup(tea.style, house.recipe)} /></td>;
            if (card.kind !== 'card') return <tr key={v.id}>{drawn}<td className="l">{v.name}</td><td>{volumeText(v.mark, units.volume)}</td><td colSpan={5} className="fault">{cardFaultWords(card)}</td></tr>;
            return (
              <tr key={v.id}>{drawn}<td className="l">{v.name}{(card.crowding ?? 0) > 1 ? <span className="small"> crowded</span> : null}</td><td>{volumeText(v.mark, units.volume)}</td><td><b>{numberText(card.leaf)}</b> g</td>
                <td>{card.spoons ? quartersText(card.spoons.quarters) : '–'}{card.spoons && Math.abs(card.spoons.error) >= 0.03 ? <span className="small"> {card.spoons.error > 0 ? '+' : '−'}{numberText(Math.abs(card.spoons.error) * 100, 0)} %</span> : null}</td>
                <td className="opt">{card.heat.kind === 'reachable' ? temperatureText(card.heat.kettleSetting, units.temperature) : card.prewarmNeeded ? 'warm it first' : 'off the boil'}</td><td>{minutesText(house.recipe.window.best)}</td><td className="opt l schools">{otherSchools(v, card.leaf)}</td></tr>
            );
          })}</tbody>
        </table>
      )}
      {vessels.length > 0 && <p className="small mt-1">Matched: leaf and time that give {known.words} in that vessel’s own heat, by the model ({STANDING.toLowerCase()}). {vessels.some((v) => v.infuser === 'free') ? `${SCHOOL_REASON.lifted} ${SCHOOL_REASON.leftIn}` : SCHOOL_REASON.lifted}</p>}
    </>
  );
}

/** A school is told apart where its leaf differs by this share, or its time by so many seconds. */
const LEAF_APART = 0.03;
const TIME_APART = 5;
/** The cup that a match starts from: the recipe's own known one, or its plain dose in a pot of about half a litre. */
function knownOf({ recipe }: Version, vessels: readonly Vessel[]): { pour: KnownPour; words: string } | null {
  if (recipe.scaling.school === 'match') return { pour: recipe.scaling.known, words: `the known cup of ${numberText(recipe.scaling.known.leaf)} g in ${Math.round(recipe.scaling.known.water)} ml` };
  const near = [...vessels].sort((a, b) => Math.abs(a.mark - 500) - Math.abs(b.mark - 500))[0];
  if (!near) return null;
  const plain = recipe.scaling;
  return { pour: { infuser: near.infuser, basket: near.basket, material: near.material, lid: near.lid, water: near.mark, leaf: leafFor(near.mark, recipe.dose, plain) }, words: `the cup of the ${near.name}` };
}

function VersionRow({ v, tea, lead }: { v: Version; tea: Tea; lead: boolean }) {
  const adopting = useAdopt(tea);
  const units = useUnits();
  const { recipe } = v;
  return (
    <li className={v.state === 'retired' ? 'old' : ''}>
      <span>{v.number}</span><b className={v.state === 'house' ? 'font-semibold' : 'font-normal'}>{v.state}</b><span>{v.reason}</span><span className="small">{v.author.name}, {dayText(v.at)}</span>
      <details open={v.state === 'trial'}><summary className="small">What it says</summary><p>{numberText(recipe.dose, 2)} g per 100 ml{recipe.scaling.school === 'linear' ? '' : `, ${SCHOOL_WORDS[recipe.scaling.school]}`}; {temperatureText(recipe.temperature, units.temperature)} on the leaf; {minutesText(recipe.window.earliest)} to {minutesText(recipe.window.latest)}, best {minutesText(recipe.window.best)}; vessel {recipe.warm ? 'warmed' : 'not warmed'}, lid {recipe.lid ? 'on' : 'off'}. {recipe.note}</p><Cup liquor={houseCup(tea.style, recipe)} size={40} label="Predicted cup, style default" />
        {v.state === 'trial' && <span className="flex gap-2"><Link className="btn slim" to={`/start?tea=${tea.id}&trial`}>Brew the trial</Link>{lead && <button type="button" className="btn slim go" disabled={adopting.isSaving} onClick={() => void adopting.adopt(v)}>Make it the house recipe</button>}</span>}
        {adopting.failure && <Note bad><b>Not taken.</b> {adopting.failure.message}</Note>}</details>
    </li>
  );
}

function Notes({ notes, lead, onVersion }: { notes: readonly LeadNote[]; lead: boolean; onVersion: () => void }) {
  const [settle] = useSettleNoteMutation();
  if (notes.length === 0) return null;
  return (
    <div className="mt-3 grid gap-2">
      <h2>Noted at the bar<small>corrections brewers would make</small></h2>
      {notes.slice(0, 4).map((n) => (
        <Note key={n.id} action={lead && <span className="flex gap-1"><button type="button" className="btn slim" onClick={onVersion}>Take it up</button><button type="button" className="btn quiet slim" onClick={() => void settle(n.id)}>Set aside</button></span>}>
          <b>{n.headline}.</b> {n.change} Found {n.found}. <span className="small">{n.by.name}{n.fromTrainee ? ' (trainee)' : ''}, {dayText(n.at)} {clockText(n.at)}. <Link to={`/log/${n.brewId}`}>The brew</Link></span>
        </Note>
      ))}
      {notes.length > 4 && <p className="small">And {notes.length - 4} more.</p>}
    </div>
  );
}
