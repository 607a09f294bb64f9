import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import {
  type BoardAsk,
  boardOf,
  type BoardVessel,
  cardFaultWords,
  isCold,
  METHODS,
  planServing,
  quartersText,
} from '#core/recipes';
import { measureOf } from '#core/teas';
import {
  epochMs,
  type Millilitres,
  numberText,
  parseVolume,
  parseWithin,
  temperatureText,
  volumeText,
} from '#core/units';
import type { Tea, Version } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useSession, useUnits } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { TeaPick } from '../../entities/teas/TeaPick';
import { useVesselsQuery } from '../../entities/vessels/api';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { now } from '../../platform/clock';
import { useGo } from '../../platform/useGo';
import { clockText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { TypedPick } from '../../ui/TypedPick';
import { LeafMakes, Takes } from './BoardTakes';

/** The recipes of a tea that the board can scale: cold ones stand on the tea's own page. */
const hotRecipes = (t: Tea) => t.recipes.filter((r) => r.house && !isCold(r.method));

/** The scaling board: a recipe in every vessel of the site, and what it takes to serve so many cups by a time. */
export function BoardPage() {
  const { teaId = '' } = useParams();
  const [params] = useSearchParams();
  const { data: book } = useBookQuery();
  const { data: shelf } = useVesselsQuery();
  const { site } = useSession();
  if (!book || !shelf)
    return (
      <main className="page">
        <Loading what="the board" />
      </main>
    );
  const teas = book.teas.filter((t) => !t.retired && hotRecipes(t).length > 0);
  const tea = teas.find((t) => t.id === teaId);
  const chosen =
    tea &&
    (hotRecipes(tea).find((r) => r.method === params.get('method')) ??
      hotRecipes(tea).find((r) => r.method === tea.method) ??
      hotRecipes(tea)[0]);
  const vessels = shelf.vessels.filter(
    (v) => v.siteId === site.id && !v.retired && v.kind !== 'pitcher',
  );
  if (!tea || !chosen?.house || vessels.length === 0)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/book">
              To the book
            </Link>
          }
        >
          {tea ? `No vessel at ${site.name} yet.` : 'This tea has no hot house recipe.'}
        </Nothing>
      </main>
    );
  return (
    <Board key={chosen.house.id} tea={tea} house={chosen.house} teas={teas} vessels={vessels} />
  );
}

const MINUTE = 60_000;
/** The next quarter of an hour that leaves time to brew. */
const soon = () => Math.ceil((now() + 20 * MINUTE) / (15 * MINUTE)) * 15 * MINUTE;
const readClock = (text: string): { kind: 'ok'; value: number } | { kind: 'bad'; why: string } => {
  const m = /^\s*(\d{1,2})[:.](\d{2})\s*$/.exec(text);
  if (!m || Number(m[1]) > 23 || Number(m[2]) > 59)
    return { kind: 'bad', why: 'A time, such as 15:00.' };
  const d = new Date(now());
  d.setHours(Number(m[1]), Number(m[2]), 0, 0);
  return {
    kind: 'ok',
    value: d.getTime() < now() - MINUTE ? d.getTime() + 86_400_000 : d.getTime(),
  };
};

type Asked =
  { kind: 'cups'; cups: number; cup: number; by: number } | { kind: 'leaf'; leaf: number };

function Board({
  tea,
  house,
  teas,
  vessels,
}: {
  tea: Tea;
  house: Version;
  teas: Tea[];
  vessels: Vessel[];
}) {
  const { site } = useSession();
  const units = useUnits();
  const go = useGo();
  const [asked, setAsked] = useState<Asked>(() => ({
    kind: 'cups',
    cups: 12,
    cup: 180,
    by: soon(),
  }));
  const [price, setPrice] = useState<number | null>(null);
  useKeys([{ key: 'Escape', does: 'Back to the tea', run: () => go(`/book/${tea.id}`) }]);
  const ask: BoardAsk = {
    tea: { style: tea.style, fitted: tea.fitted, ...measureOf(tea) },
    recipe: house.recipe,
    method: isCold(house.method) ? 'pot' : house.method,
    site,
    warmed: house.recipe.warm,
  };
  const shelf: BoardVessel[] = vessels.map((v) => ({ id: v.id, facts: v }));
  const vesselOf = (b: BoardVessel) => vessels.find((v) => v.id === b.id) as Vessel;
  const serving =
    asked.kind === 'cups'
      ? planServing(ask, shelf, {
          cups: asked.cups,
          cup: asked.cup as Millilitres,
          by: epochMs(asked.by),
        })
      : null;
  return (
    <main className="page split board-page">
      <h1 className="visually-hidden">Scaling board: {tea.name}</h1>
      <div className="say">
        {asked.kind === 'cups' ? (
          <>
            <span>Pour</span>
            <TypedPick
              label="Cups"
              text={`${asked.cups} cups`}
              typed={String(asked.cups)}
              read={(t) => parseWithin(t, 'A service', 'cups', 1, 200)}
              onValue={(cups) => setAsked({ ...asked, cups: Math.round(cups) })}
            />
            <span>of</span>
            <TypedPick
              label="Cup"
              text={volumeText(asked.cup as Millilitres, units.volume)}
              typed={volumeText(asked.cup as Millilitres, units.volume)}
              read={(t) => {
                const v = parseVolume(t, units.volume);
                return v.kind === 'ok' && (v.value < 20 || v.value > 20_000)
                  ? { kind: 'bad', why: 'A cup or jug holds 20 ml to 20 l.' }
                  : v;
              }}
              onValue={(cup) => setAsked({ ...asked, cup })}
            />
          </>
        ) : (
          <>
            <span>I have</span>
            <TypedPick
              label="Leaf"
              text={`${numberText(asked.leaf)} g`}
              typed={numberText(asked.leaf)}
              read={(t) => parseWithin(t, 'Leaf', 'g', 0.1, 5000)}
              onValue={(leaf) => setAsked({ kind: 'leaf', leaf })}
            />
          </>
        )}
        <span>of</span>
        <TeaPick
          tea={tea}
          teas={teas}
          onPick={(t) => go(`/book/${t.id}/board`, { replace: true })}
        />
        {hotRecipes(tea).length > 1 && (
          <>
            <span>as</span>
            <PickList
              label="Method"
              shown={METHODS[house.method].label}
              chosen={house.method}
              choices={hotRecipes(tea).map((r) => ({
                value: r.method,
                text: METHODS[r.method].label,
              }))}
              onPick={(m) => go(`/book/${tea.id}/board?method=${m}`, { replace: true })}
            />
          </>
        )}
        {asked.kind === 'cups' && (
          <>
            <span>by</span>
            <TypedPick
              label="By"
              text={clockText(asked.by)}
              typed={clockText(asked.by)}
              read={readClock}
              onValue={(by) => setAsked({ ...asked, by })}
            />
          </>
        )}
        <span className="gap" />
        <button
          type="button"
          className="btn quiet"
          onClick={() =>
            setAsked(
              asked.kind === 'cups'
                ? { kind: 'leaf', leaf: 11 }
                : { kind: 'cups', cups: 12, cup: 180, by: soon() },
            )
          }
        >
          {asked.kind === 'cups' ? 'I have so many grams' : 'So many cups'}
        </button>
      </div>
      <section className="work">
        {serving?.kind === 'planned' &&
          serving.rounds.map((r, i) => (
            <div className="round" key={i}>
              <div>
                <b>Round {i + 1}</b>
                <span className="small">pour on</span>
                <b className="t">{clockText(r.pourFrom)}</b>
                {r.pours.length > 1 && <span className="small">then each 0:30</span>}
                <span className="small">lift from</span>
                <b className="t">{clockText(r.liftFrom)}</b>
              </div>
              <div className="shelfline">
                {r.pours.map((p) => (
                  <div key={p.vessel.id}>
                    <VesselDrawing
                      vessel={vesselOf(p.vessel)}
                      scale={0.56}
                      label=""
                      bowl={false}
                      fill={p.water}
                      leaf={p.card.leaf}
                      liquor={houseLiquorOf(tea, house.recipe)}
                      level
                    />
                    <p>
                      <b>{numberText(p.card.leaf)} g</b>{' '}
                      <span className="small">
                        {vesselOf(p.vessel).name}
                        {Math.abs(p.water - vesselOf(p.vessel).mark) > 1
                          ? ` to ${volumeText(p.water, units.volume)}`
                          : ''}
                        , {numberText(p.card.liquor / (asked as { cup: number }).cup)} cups
                      </span>
                    </p>
                  </div>
                ))}
              </div>
            </div>
          ))}
        <table className="grid-table plain">
          <thead>
            <tr>
              <th colSpan={2} className="l">
                one round of each
              </th>
              <th>water</th>
              <th>leaf</th>
              <th>spoons</th>
              <th>rounding</th>
              <th className="opt">pours</th>
              <th className="l">
                {asked.kind === 'leaf' ? `with ${numberText(asked.leaf)} g` : 'for this tea'}
              </th>
            </tr>
          </thead>
          <tbody>
            {boardOf(ask, shelf).map(({ vessel, card }) => {
              const v = vesselOf(vessel);
              const drawn = (
                <td className="v">
                  <VesselDrawing
                    vessel={v}
                    scale={0.31}
                    pad={1}
                    mark={false}
                    label=""
                    bowl={false}
                    fill={card.kind === 'card' ? v.mark : undefined}
                    liquor={houseLiquorOf(tea, house.recipe)}
                  />
                </td>
              );
              if (card.kind !== 'card')
                return (
                  <tr key={v.id}>
                    {drawn}
                    <td className="l">{v.name}</td>
                    <td>{volumeText(v.mark, units.volume)}</td>
                    <td colSpan={5} className="fault">
                      {cardFaultWords(card)}
                    </td>
                  </tr>
                );
              const words =
                asked.kind === 'leaf'
                  ? withLeaf(asked.leaf, card.leaf, card.water, card.liquor)
                  : (card.crowding ?? 0) > 1
                    ? 'crowded: slower and paler'
                    : card.heat.kind === 'outOfReach'
                      ? card.prewarmNeeded
                        ? 'warm it first'
                        : `at most ${temperatureText(card.onLeaf, units.temperature)} on the leaf`
                      : 'good';
              return (
                <tr key={v.id}>
                  {drawn}
                  <td className="l">{v.name}</td>
                  <td>{volumeText(v.mark, units.volume)}</td>
                  <td>
                    <b>{numberText(card.leaf)}</b> g
                  </td>
                  <td>{card.spoons ? quartersText(card.spoons.quarters) : '–'}</td>
                  <td>
                    {card.spoons
                      ? `${card.spoons.error >= 0 ? '+' : '−'}${Math.abs(Math.round(card.spoons.error * 100))} %`
                      : '–'}
                  </td>
                  <td className="opt">{volumeText(card.liquor, units.volume)}</td>
                  <td className={`l ${words === 'good' ? '' : 'font-semibold'}`}>{words}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </section>
      <section className="paper" aria-label="What it takes">
        {asked.kind === 'leaf' ? (
          <LeafMakes ask={ask} leaf={asked.leaf} />
        ) : (
          serving && (
            <Takes
              serving={serving}
              cup={asked.cup}
              cups={asked.cups}
              tea={tea}
              house={house}
              vesselOf={vesselOf}
              price={price}
              onPrice={setPrice}
            />
          )
        )}
        <div className="foot">
          {serving?.kind === 'planned' && serving.rounds[0]?.pours[0] ? (
            <Link
              className="btn go"
              to={`/start?tea=${tea.id}&vessel=${serving.rounds[0].pours[0].vessel.id}&water=${serving.rounds[0].pours[0].water}`}
            >
              Start the first: {vesselOf(serving.rounds[0].pours[0].vessel).name}
            </Link>
          ) : null}
          <Link className="btn quiet" to={`/book/${tea.id}`}>
            Leave
          </Link>
        </div>
      </section>
    </main>
  );
}

/** What so much leaf does for a vessel that wants `wanted`. */
function withLeaf(leaf: number, wanted: number, water: number, liquor: number): string {
  if (leaf >= wanted * 2) return `${Math.floor(leaf / wanted)} times full`;
  if (leaf >= wanted - 0.05) return `once full, ${numberText(leaf - wanted)} g left`;
  return `to ${Math.round((water * leaf) / wanted / 5) * 5} ml: ${Math.round((liquor * leaf) / wanted)} ml pour`;
}
