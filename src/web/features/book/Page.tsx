import { useParams } from 'react-router';
import type { Tea } from '#contracts/teas';
import { useSession } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { CannotRead } from '../../platform/Awaited';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading } from '../../ui/Note';
import { TeaIndex } from './BookIndex';
import { TeaForm } from './TeaForm';
import { TeaView } from './TeaView';

/** Teas at the left, one open at the right; on a narrow screen one at a time. */
export function BookPage() {
  const { teaId } = useParams();
  const { data, isLoading, isError, refetch } = useBookQuery();
  const { role } = useSession();
  const go = useGo();
  const teas = data?.teas ?? [];
  const names = teas.filter((t) => !t.retired).map((t) => t.id);
  const step = (by: number) => {
    const next =
      names[Math.max(0, Math.min(names.length - 1, (teaId ? names.indexOf(teaId) : -1) + by))];
    if (next) go(`/book/${next}`);
  };
  useKeys(
    [
      { key: 'ArrowDown', does: 'Next tea', run: () => step(1) },
      { key: 'ArrowUp', does: 'Tea before', run: () => step(-1) },
    ],
    0.5,
  );
  if (isLoading)
    return (
      <main className="page">
        <Loading what="the book" />
      </main>
    );
  return (
    <main className={`page book ${teaId ? 'open' : ''}`}>
      <h1 className="visually-hidden">Book</h1>
      {isError && !data ? (
        <div className="p-6">
          <CannotRead what="the book" onAgain={() => void refetch()} />
        </div>
      ) : (
        <TeaIndex teas={teas} chosen={teaId} />
      )}
      {sideShown({ teaId, role, go, teas })}
    </main>
  );
}

/** The tea that is open, a new one, or that none is. */
function sideShown({
  teaId,
  role,
  go,
  teas,
}: {
  teaId: string | undefined;
  role: 'trainee' | 'brewer' | 'lead';
  go: ReturnType<typeof useGo>;
  teas: readonly Tea[];
}) {
  if (teaId === 'new' && role === 'lead')
    return (
      <section className="tea-page">
        <TeaForm tea={null} onDone={() => go(-1)} />
      </section>
    );
  if (teaId) return <TeaView key={teaId} id={teaId} />;
  return (
    <section className="tea-page">
      <p className="small pt-6 text-[16px]">
        {teas.length > 0 ? 'Touch a tea to see its recipe and what it takes in each vessel.' : ''}
      </p>
    </section>
  );
}
