import { Link } from 'react-router';
import { handlingWords, isCold, leewayWords, spoonDoseText } from '#core/recipes';
import { SCHOOL_WORDS } from '#core/scaling';
import { versionOfTheHouse } from '#core/teas';
import { degrees, minutesText, numberText, temperatureText } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { SiteRecipe, Tea } from '#contracts/teas';
import { SteepRule } from '../../../entities/brews/SteepRule';
import { useSession, useUnits } from '../../../entities/people/session';
import { Cup } from '../../../entities/teas/Cup';
import { houseLiquorOf, liquorAfter } from '../../../entities/teas/liquor';
import { predictionBasis } from '../../../entities/teas/predictionBasis';
import { dayText } from '../../../ui/days';
import { Fact } from '../../../ui/Fact';
import { Note } from '../../../ui/Note';
import { useMove } from '../useMove';
import { LeafFact } from './LeafFact';
import { UseHere } from './SiteRecipes';

export function HouseRecipe({ tea, house }: { tea: Tea; house: Version }) {
  const units = useUnits();
  const { recipe } = house;
  return (
    <>
      <div className="facts">
        <LeafFact tea={tea} recipe={recipe} />
        <Fact label="water on the leaf" unit={`°${units.temperature}`}>
          {degrees(recipe.temperature, units.temperature)}
        </Fact>
        <Fact label="best at">{minutesText(recipe.window.best)}</Fact>
        <Fact label="steeps">{1 + recipe.later.length}</Fact>
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

export function VersionRow({
  v,
  tea,
  sites,
  lead,
}: {
  v: Version;
  tea: Tea;
  sites: readonly SiteRecipe[];
  lead: boolean;
}) {
  const moving = useMove(tea);
  const { site } = useSession();
  const brewedAt = sites.filter((s) => s.version.id === v.id);
  const hasHouse = versionOfTheHouse(tea, v.method) !== null;
  const mayBeOurs =
    lead && hasHouse && v.state !== 'house' && !brewedAt.some((s) => s.siteId === site.id);
  const units = useUnits();
  const { recipe } = v;
  return (
    <li className={v.state === 'retired' ? 'old' : ''}>
      <span>{v.number}</span>
      <b className={v.state === 'house' ? 'font-semibold' : 'font-normal'}>{v.state}</b>
      <span>
        {v.reason}
        {brewedAt.length > 0 && (
          <b className="font-semibold">. Brewed at {brewedAt.map((s) => s.siteName).join(', ')}</b>
        )}
      </span>
      <span className="small">
        {v.author.name}, {dayText(v.at)}
      </span>
      <details open={v.state === 'trial' || v.state === 'draft'}>
        <summary className="small">What it says</summary>
        <p>
          {recipe.spoons && `${spoonDoseText(recipe.spoons, units.volume)}: `}
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
        {mayBeOurs && (
          <div className="flex mt-2">
            <UseHere tea={tea} version={v} />
          </div>
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
