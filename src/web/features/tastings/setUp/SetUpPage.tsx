import { useSearchParams } from 'react-router';
import { LEAF_LESSON_IDS } from '#core/tastings';
import { useNamesQuery } from '../../../entities/people/api';
import { useSession } from '../../../entities/people/session';
import { teaFor, vesselsFor } from '../../../entities/tastings/leafLesson';
import { useBookQuery } from '../../../entities/teas/api';
import { useVesselsQuery } from '../../../entities/vessels/api';
import { Awaited } from '../../../platform/Awaited';
import { Nothing } from '../../../ui/Note';
import { SetUp } from './SetUp';

/** A tasting in a minute: kind, tea, vessel and people; leaf, water and one clock for all cups are worked out. */
export function SetUpPage() {
  const books = useBookQuery();
  const shelves = useVesselsQuery();
  const [book, shelf] = [books.data, shelves.data];
  const { site } = useSession();
  // Who may taste stands above the button: drawn later, it would move it.
  const { isLoading: namesCome } = useNamesQuery(site.id);
  const [params] = useSearchParams();
  if (!book || !shelf || namesCome) return <Awaited what="the book" of={[books, shelves]} />;
  const teas = book.teas.filter((t) => !t.retired && t.house);
  const own = shelf.vessels.filter(
    (v) => v.siteId === site.id && !v.retired && v.kind !== 'pitcher',
  );
  const asked = params.get('lesson');
  const lesson = LEAF_LESSON_IDS.find((id) => id === asked) ?? null;
  const vessels = vesselsFor(lesson, own);
  const vessel = vessels.find((v) => v.id === params.get('vessel')) ?? vessels[0];
  if (teas.length === 0 || !vessel)
    return (
      <main className="page p-6">
        <Nothing>
          {teas.length === 0
            ? 'The book has no tea with a house recipe yet.'
            : 'This site has no vessel yet.'}
        </Nothing>
      </main>
    );
  return (
    <SetUp
      teas={teas}
      vessels={vessels}
      firstVessel={vessel}
      // Another lesson or tea is another set-up: nothing of the one before is kept.
      key={params.toString()}
      first={teas.find((t) => t.id === params.get('tea')) ?? teaFor(lesson, teas)}
      lotId={params.get('lot')}
      lesson={lesson}
    />
  );
}
