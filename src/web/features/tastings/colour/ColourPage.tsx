import { useSearchParams } from 'react-router';
import type { ColourStrength } from '#core/fitting';
import type { Brew } from '#contracts/brews';
import type { OpenTasting } from '#contracts/tastings';
import { useBrewQuery } from '../../../entities/brews/api';
import { useBookQuery } from '../../../entities/teas/api';
import { Awaited } from '../../../platform/Awaited';
import { Loading, Nothing } from '../../../ui/Note';
import { useTasting } from '../useTasting';
import { ColourReading } from './ColourReading';
import type { Subject } from './subject';

function subjectOf(
  brew: Brew | null,
  view: OpenTasting | null,
  cup: number,
  keep: (colour: ColourStrength) => void,
): Subject | null {
  if (brew) return { kind: 'brew', brew };
  return view ? { kind: 'cup', view, cup, keep } : null;
}

/**
 * How strong is this cup, by its colour: beside the house cup in one picture, by its rim, or by an instrument's
 * figures.
 */
export function ColourPage() {
  const books = useBookQuery();
  const book = books.data;
  const [params] = useSearchParams();
  const wanted = params.get('brew');
  const { data, isLoading } = useBrewQuery(wanted ?? '', { skip: wanted === null });
  const table = useTasting(params.get('table') ?? '');
  const cup = Number(params.get('cup'));
  if (!book) return <Awaited what="the book" of={[books]} />;
  const teas = book.teas.filter((t) => !t.retired && t.house);
  if (!teas[0])
    return (
      <main className="page p-6">
        <Nothing>The book has no tea with a house recipe yet.</Nothing>
      </main>
    );
  if (wanted && isLoading)
    return (
      <main className="page">
        <Loading what="the brew" />
      </main>
    );
  const brew = data?.brew ?? null;
  const view =
    table.view?.sees === 'all' && table.view.stage !== 'revealed' && table.view.exercise.cups[cup]
      ? table.view
      : null;
  const teaId = brew?.tea.id ?? view?.tea.id ?? params.get('tea');
  return (
    <ColourReading
      teas={teas}
      subject={subjectOf(brew, view, cup, (colour) => table.does({ kind: 'measure', cup, colour }))}
      first={teas.find((t) => t.id === teaId) ?? teas[0]}
    />
  );
}
