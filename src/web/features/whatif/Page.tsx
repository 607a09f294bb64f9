import { lazy, Suspense, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useSession } from '../../entities/people/session';
import { useTeaQuery } from '../../entities/teas/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { isMissing } from '../../platform/api';
import { Awaited } from '../../platform/Awaited';
import { useGo } from '../../platform/useGo';
import { plotSize } from '../../ui/chart/plotSize';
import { useKeys } from '../../ui/keys';
import { Nothing } from '../../ui/Note';
import { CourseHead, Rules, WhatIfSentence } from './Controls';
import { COURSE_HEIGHT, COURSE_WIDTH } from './courseSize';
import { CupBesideCup, CupTried, WhatIfFoot, WhatIsShown } from './CupBesideCup';
import { TrialForm } from './TrialForm';
import { brewTried, differs, hottestOnLeaf, houseIn, rangesOf, type Trying } from './trying';

const Course = lazy(() => import('./Course').then((m) => ({ default: m.Course })));
/** Trying begins in the vessel nearest to this. */
const USUAL_ML = 500;

/** What if: leaf, heat, time, vessel and the rest as direct controls; the cup answers at once. */
export function WhatIfPage() {
  const { teaId = '' } = useParams();
  const asked = useTeaQuery(teaId);
  const shelves = useVesselsQuery();
  const [data, shelf] = [asked.data, shelves.data];
  const { site } = useSession();
  const vessels = (shelf?.vessels ?? []).filter((v) => v.siteId === site.id && !v.retired);
  if (isMissing(asked.error))
    return (
      <main className="page p-6">
        <Nothing>This tea is not in the book.</Nothing>
      </main>
    );
  if (!data || !shelf) return <Awaited what="the tea" of={[asked, shelves]} />;
  const { tea } = data;
  const suits = vessels.filter((v) => (tea.method === 'liddedCup') === (v.kind === 'lidded'));
  const first = [...(suits.length ? suits : vessels)].sort(
    (a, b) => Math.abs(a.mark - USUAL_ML) - Math.abs(b.mark - USUAL_ML),
  )[0];
  if (!tea.house || !first)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to={`/book/${teaId}`}>
              To the tea
            </Link>
          }
        >
          It takes a house recipe and a vessel to try things on.
        </Nothing>
      </main>
    );
  return (
    <WhatIf
      key={tea.id}
      tea={tea}
      house={tea.house}
      newest={data.versions[0]?.number ?? tea.house.number}
      vessels={vessels}
      first={first}
    />
  );
}

type Props = { tea: Tea; house: Version; newest: number; vessels: Vessel[]; first: Vessel };
function WhatIf({ tea, house, newest, vessels, first }: Props) {
  const { site } = useSession();
  const go = useGo();
  const { recipe } = house;
  const [tried, setTried] = useState<Trying>(() => houseIn(tea, recipe, first, site));
  const home = useMemo(
    () => houseIn(tea, recipe, tried.vessel, site),
    [tea, recipe, tried.vessel, site],
  );
  const [held, setHeld] = useState<Trying | null>(null);
  const [keeping, setKeeping] = useState(false);
  const against = held ?? home;
  const brew = useMemo(() => brewTried(tea, recipe, tried, site), [tea, recipe, tried, site]);
  const other = useMemo(() => brewTried(tea, recipe, against, site), [tea, recipe, against, site]);
  const set = (change: Partial<Trying>) => setTried((t) => ({ ...t, ...change }));
  const back = () => setTried(home);
  useKeys([
    { key: '0', does: 'Back to the house cup', run: back },
    { key: 'h', does: 'Hold this cup', run: () => setHeld(tried) },
    {
      key: 'Escape',
      does: 'Back to the tea',
      run: () => (keeping ? setKeeping(false) : go(`/book/${tea.id}`)),
    },
  ]);
  const ranges = rangesOf(tea.style, tried.water);
  const unlike = differs(tried, against);
  return (
    <main className="page split whatif">
      <h1 className="visually-hidden">What if: {tea.name}</h1>
      <WhatIfSentence
        tea={tea}
        tried={tried}
        vessels={vessels}
        onVessel={(vessel) =>
          setTried({
            ...houseIn(tea, recipe, vessel, site),
            agitation: tried.agitation,
            altitudeM: tried.altitudeM,
          })
        }
        onTry={set}
        onBack={back}
      />
      <section className="work">
        <Rules tried={tried} home={home} ranges={ranges} recipe={recipe} onTry={set} />
        <CourseHead tried={tried} onTry={set} />
        <div className="course-scroll">
          <Suspense
            fallback={<div className="course" style={plotSize(COURSE_WIDTH, COURSE_HEIGHT)} />}
          >
            <Course
              brew={brew}
              house={home.time}
              window={[recipe.window.earliest, recipe.window.latest]}
              end={ranges.time[1]}
            />
          </Suspense>
        </div>
        <WhatIsShown tried={tried} hottest={hottestOnLeaf(tried, site)} unlike={unlike} />
      </section>
      <section className="paper" aria-label="One cup beside the other">
        <h2>
          One cup beside the other<small>white cup, 3.5 cm deep</small>
        </h2>
        <div className="beside">
          <CupTried name={held ? 'held' : 'held: house'} tried={against} brew={other} />
          <CupTried name="what if" tried={tried} brew={brew} />
        </div>
        <CupBesideCup brew={brew} held={other} tea={tea} />
        {keeping ? (
          <TrialForm
            tea={tea}
            recipe={recipe}
            tried={tried}
            home={home}
            newest={newest}
            words={unlike}
            onDone={() => setKeeping(false)}
          />
        ) : (
          <WhatIfFoot
            differs={unlike.length > 0 || held !== null}
            onHold={() => setHeld(tried)}
            onKeep={() => setKeeping(true)}
          />
        )}
      </section>
    </main>
  );
}
