import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { lineDiffers, METHOD_NAMES, recipeLines } from '#core/recipes';
import { capital } from '#core/units';
import { USES_COUNTED } from '#contracts/limits';
import type { Version } from '#contracts/recipes';
import type { Tea, TeaPage } from '#contracts/teas';
import { useSession, useUnits } from '../../entities/people/session';
import { useTeaQuery } from '../../entities/teas/api';
import { isMissing } from '../../platform/api';
import { Awaited } from '../../platform/Awaited';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Nothing } from '../../ui/Note';
import { BackForm } from './BackForm';
import { LinesTable } from './versions/LinesTable';
import { TwoCups } from './versions/TwoVersions';
import { VersionsList } from './versions/VersionsList';

/** Two versions of a tea's recipe side by side: values, cups, and the way back. */
export function VersionsPage() {
  const { teaId = '' } = useParams();
  const tea = useTeaQuery(teaId);
  const { data } = tea;
  if (isMissing(tea.error))
    return (
      <main className="page p-6">
        <Nothing>This tea is not in the book.</Nothing>
      </main>
    );
  if (!data) return <Awaited what="the tea" of={[tea]} />;
  return <Versions key={data.tea.id} page={data} />;
}

function Versions({ page: { tea, versions: all, uses } }: { page: TeaPage }) {
  const [params, setParams] = useSearchParams();
  const method = METHOD_NAMES.find((m) => m === params.get('method')) ?? tea.method;
  const versions = all.filter((v) => v.method === method);
  const { role } = useSession();
  const units = useUnits();
  const go = useGo();
  const [back, setBack] = useState(false);
  const numbered = (n: string | null) => versions.find((v) => v.number === Number(n));
  const left =
    numbered(params.get('left')) ??
    versions.find((v) => v.state === 'house') ??
    versions[versions.length - 1];
  const right = numbered(params.get('right')) ?? versions.find((v) => v.id !== left?.id);
  const choose = (side: 'left' | 'right', v: Version) =>
    setParams(
      {
        ...(method === tea.method ? {} : { method }),
        left: String(side === 'left' ? v.number : left?.number),
        right: String(side === 'right' ? v.number : right?.number),
      },
      { replace: true },
    );
  // The pair is fixed as it stands: another lead's version that comes meanwhile must not move it.
  const goBack = (to: Version) => {
    choose('right', to);
    setBack(true);
  };
  /** The next one down the list, round, past the one that the other side has. */
  const next = (side: 'left' | 'right') => {
    const [mine, other] = side === 'left' ? [left, right] : [right, left];
    const list = versions.filter((v) => v.id !== other?.id);
    const v = list[(list.findIndex((x) => x.id === mine?.id) + 1) % list.length];
    if (v) choose(side, v);
  };
  useKeys([
    { key: '[', does: 'Choose the left one', run: () => next('left') },
    { key: ']', does: 'Choose the right one', run: () => next('right') },
    {
      key: 'Escape',
      does: 'Back to the tea',
      run: () => (back ? setBack(false) : go(`/book/${tea.id}`)),
    },
  ]);
  if (!left || !right)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to={`/book/${tea.id}`}>
              To the tea
            </Link>
          }
        >
          This recipe has one version: nothing to compare.
        </Nothing>
      </main>
    );
  const lines = recipeLines(left.recipe, right.recipe, units);
  const differing = lines.filter(lineDiffers).length;
  const used = (v: Version) => {
    const n = uses[v.id] ?? 0;
    if (n === 0) return `none version ${v.number}`;
    if (n >= USES_COUNTED)
      return `${USES_COUNTED.toLocaleString('en')} brews or more used version ${v.number}`;
    return `${n} ${n === 1 ? 'brew' : 'brews'} used version ${v.number}`;
  };
  return (
    <main className="page split compare">
      <section className="work">
        <VersionsList
          tea={tea}
          method={method}
          versions={versions}
          left={left}
          right={right}
          choose={choose}
        />
        <div className="versions-table">
          <LinesTable
            differing={differing}
            tea={tea}
            left={left}
            right={right}
            lines={lines}
            method={method}
          />
          <p className="small mt-2">
            {capital(used(left))}, {used(right)}. A version that was brewed stays as it was.
          </p>
        </div>
      </section>
      <TwoCups tea={tea} left={left} right={right}>
        {role === 'lead' &&
          (back ? (
            <BackForm
              tea={tea}
              to={right}
              newest={versions[0]?.number ?? 0}
              onDone={() => setBack(false)}
            />
          ) : (
            <CompareFoot right={right} goBack={goBack} tea={tea} />
          ))}
      </TwoCups>
    </main>
  );
}

/** Go back to the version at the right, or take a trial for the house. */
function CompareFoot({
  right,
  goBack,
  tea,
}: {
  right: Version;
  goBack: (to: Version) => void;
  tea: Tea;
}) {
  return (
    <div className="foot">
      <button
        type="button"
        className="btn"
        disabled={right.state === 'house'}
        onClick={() => goBack(right)}
      >
        {right.state === 'trial' || right.state === 'draft'
          ? `Take ${right.number} for the house`
          : `Go back to ${right.number}`}
      </button>
      <Link className="btn quiet" to={`/book/${tea.id}`}>
        Leave
      </Link>
    </div>
  );
}
