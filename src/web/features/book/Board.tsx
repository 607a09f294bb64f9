import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { type BoardAsk, type BoardVessel, isCold, planServing } from '#core/recipes';
import { measureOf } from '#core/teas';
import { epochMs, type Millilitres } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { Awaited } from '../../platform/Awaited';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Nothing } from '../../ui/Note';
import { BoardSentence, hotRecipes, usualService } from './board/BoardSentence';
import { BoardTable } from './board/BoardTable';
import { RoundOfPours } from './board/RoundOfPours';
import { LeafMakes, Takes } from './BoardTakes';

/** The scaling board: a recipe in every vessel of the site, and what it takes to serve so many cups by a time. */
export function BoardPage() {
  const { teaId = '' } = useParams();
  const [params] = useSearchParams();
  const books = useBookQuery();
  const shelves = useVesselsQuery();
  const [book, shelf] = [books.data, shelves.data];
  const { site } = useSession();
  if (!book || !shelf) return <Awaited what="the board" of={[books, shelves]} />;
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
  const go = useGo();
  const [asked, setAsked] = useState(usualService);
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
      <BoardSentence asked={asked} tea={tea} teas={teas} method={house.method} onAsk={setAsked} />
      <section className="work">
        {asked.kind === 'cups' &&
          serving?.kind === 'planned' &&
          serving.rounds.map((round, i) => (
            <RoundOfPours
              key={i}
              number={i + 1}
              round={round}
              cup={asked.cup}
              tea={tea}
              house={house}
              vesselOf={vesselOf}
            />
          ))}
        <BoardTable
          ask={ask}
          shelf={shelf}
          asked={asked}
          tea={tea}
          house={house}
          vesselOf={vesselOf}
        />
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
