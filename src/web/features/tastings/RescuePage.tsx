import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { rescueTask, type RescueTaskKind } from '#core/corrections';
import { seeded } from '#core/numeric';
import { houseBrew, type Recipe } from '#core/recipes';
import type { Tea } from '#contracts/teas';
import { useBookQuery } from '../../entities/teas/api';
import { TeaPick } from '../../entities/teas/TeaPick';
import { Loading, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { OneTask } from './rescue/OneTask';

const KINDS: readonly { value: RescueTaskKind | 'any'; text: string }[] = [
  { value: 'any', text: 'anything' },
  { value: 'over', text: 'over-steeped' },
  { value: 'weak', text: 'too weak' },
  { value: 'blend', text: 'two to blend' },
  { value: 'extract', text: 'an extract to let down' },
];
const freshSeed = () => Math.floor(Math.random() * 2 ** 31);

/** Made-up cups to rescue: an answer first, then what it would come to; nothing real is poured away. */
export function RescuePage() {
  const { data: book } = useBookQuery();
  const [params] = useSearchParams();
  if (!book)
    return (
      <main className="page">
        <Loading what="the book" />
      </main>
    );
  const teas = book.teas.filter((t) => !t.retired && t.house);
  const first = teas.find((t) => t.id === params.get('tea')) ?? teas[0];
  if (!first)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/book">
              To the book
            </Link>
          }
        >
          The book has no tea with a house recipe yet.
        </Nothing>
      </main>
    );
  return <Trainer teas={teas} first={first} seed={Number(params.get('seed')) || freshSeed()} />;
}

function Trainer({ teas, first, seed: from }: { teas: readonly Tea[]; first: Tea; seed: number }) {
  const [tea, setTea] = useState(first);
  const [kind, setKind] = useState<RescueTaskKind | 'any'>('any');
  const [seed, setSeed] = useState(from);
  const [done, setDone] = useState<readonly ('right' | 'near' | 'off')[]>([]);
  const { recipe } = tea.house as { recipe: Recipe };
  const task = useMemo(
    () => rescueTask(houseBrew(tea, recipe), seeded(seed), kind === 'any' ? undefined : kind),
    [tea, recipe, seed, kind],
  );
  return (
    <main className="page split rescue-page">
      <h1 className="visually-hidden">Rescue a cup</h1>
      <div className="say">
        <span>Rescue</span>
        <PickList
          label="Fault"
          shown={KINDS.find((k) => k.value === kind)?.text ?? ''}
          chosen={kind}
          choices={KINDS}
          onPick={setKind}
        />
        <span>of</span>
        <TeaPick tea={tea} teas={teas} onPick={setTea} />
        <span className="gap" />
        <span className="small text-[16px]">
          simulated, nothing is poured away
          {done.length > 0
            ? ` · ${done.filter((d) => d === 'right').length} of ${done.length} right`
            : ''}
        </span>
      </div>
      <OneTask
        key={`${tea.id}${seed}${kind}`}
        task={task}
        tea={tea}
        onScored={(s) => setDone((d) => [...d, s])}
        onNext={() => setSeed((s) => s + 1)}
      />
    </main>
  );
}
