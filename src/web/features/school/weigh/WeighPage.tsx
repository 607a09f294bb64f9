import { useReducer, useState } from 'react';
import { Link } from 'react-router';
import { densityOf, gramsPerSpoon } from '#core/recipes';
import { measureOf } from '#core/teas';
import { SPOONS_WEIGHED } from '#core/training';
import { numberText } from '#core/units';
import type { HouseSpoon } from '#contracts/kettles';
import type { Tea } from '#contracts/teas';
import { useSession } from '../../../entities/people/session';
import { useBookQuery } from '../../../entities/teas/api';
import { useSpoonsQuery } from '../../../entities/teas/spoonsApi';
import { TeaPick } from '../../../entities/teas/TeaPick';
import { useDrillCommands } from '../../../entities/training/useDrillCommands';
import { ScalePanel } from '../../../platform/scale/ScalePanel';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Loading, Nothing } from '../../../ui/Note';
import { PickList } from '../../../ui/PickList';
import { evennessOf, NOTHING_WEIGHED, singlesOf, weighedAfter, weightOf } from './model';
import { SpoonsDrawn } from './SpoonsDrawn';

/** Five spoons of one tea, weighed one by one: how even this hand is. */
export function WeighPage() {
  const { data: book, isError } = useBookQuery();
  const { data: shelf } = useSpoonsQuery();
  if (isError && !book)
    return (
      <main className="page p-6">
        <Nothing action={<Link to="/school">Back to School</Link>}>
          The book is out of reach: no connection to the house’s server.
        </Nothing>
      </main>
    );
  if (!book || !shelf)
    return (
      <main className="page">
        <Loading what="teas and spoons" />
      </main>
    );
  const teas = book.teas.filter((t) => !t.retired);
  const spoons = shelf.spoons.filter((s) => !s.retired);
  const [tea] = teas;
  if (!tea)
    return (
      <main className="page p-6">
        <Nothing action={<Link to="/book">To the book</Link>}>
          Spoons are weighed of a tea of the book, and the book has none yet.
        </Nothing>
      </main>
    );
  return <FiveSpoons teas={teas} spoons={spoons} first={tea} />;
}

function FiveSpoons({
  teas,
  spoons,
  first,
}: {
  teas: readonly Tea[];
  spoons: readonly HouseSpoon[];
  first: Tea;
}) {
  const { site } = useSession();
  const commands = useDrillCommands();
  const go = useGo();
  const [tea, setTea] = useState(first);
  const [picked, setPicked] = useState<HouseSpoon | null>(null);
  const [weighed, act] = useReducer(weighedAfter, NOTHING_WEIGHED);
  const [onScale, setOnScale] = useState(false);
  const spoon = picked ?? spoons.find((s) => s.id === tea.spoon) ?? spoons[0];
  const singles = singlesOf(weighed);
  const keep = () => {
    if (!singles || !spoon || weighed.isKept) return;
    commands.weighSpoons({ siteId: site.id, teaId: tea.id, spoon: spoon.id, singles });
    act({ kind: 'kept' });
  };
  const again = () => act({ kind: 'again' });
  useKeys([
    weighed.isKept
      ? { key: ' ', does: 'Weigh five more', run: again }
      : { key: 'Enter', does: 'Keep these five', run: keep },
    { key: 'z', does: 'Take the last one out', run: () => act({ kind: 'undone' }) },
    { key: 'Escape', does: 'Back to School', run: () => go('/school') },
  ]);
  return (
    <main className="page split diagnose">
      <h1 className="visually-hidden">Weigh five spoons</h1>
      <div className="say">
        <span>Five spoons of</span>
        <TeaPick tea={tea} teas={teas} onPick={setTea} />
        <span>with the</span>
        <PickList
          label="Spoon"
          shown={spoon?.name ?? 'spoon'}
          chosen={spoon}
          choices={spoons.map((s) => ({
            value: s,
            text: s.name,
            words: `${numberText(s.ml)} ml`,
          }))}
          onPick={setPicked}
        />
        <span className="gap" />
        <Link className="btn quiet" to="/school">
          Leave <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work" role="group" aria-label="Five spoons" tabIndex={0}>
        <p className="text-[21px]">
          Fill the spoon, level it with a straight edge, tip the leaf onto the empty scale. Do this
          five times, as you do it at the bar.
        </p>
        <div className="mt-4 flex flex-wrap gap-3">
          {weighed.texts.map((text, i) => (
            <SpoonField
              key={i}
              n={i + 1}
              text={text}
              fault={weighed.faults[i] ?? null}
              isKept={weighed.isKept}
              onType={(typed) => act({ kind: 'typed', at: i, text: typed })}
              onEnter={keep}
            />
          ))}
        </div>
        <SpoonsDrawn weights={weighed.texts.map(weightOf)} />
        <div className="mt-4">
          {onScale ? (
            <ScalePanel
              small
              onTake={(g) => act({ kind: 'taken', grams: g })}
              takeWords="Take this spoon"
            />
          ) : (
            <button type="button" className="btn quiet slim" onClick={() => setOnScale(true)}>
              Weigh them on the scale
            </button>
          )}
        </div>
      </section>
      <section className="paper" aria-label="What they say">
        <h2>How even they are</h2>
        <WhatTheySay tea={tea} spoon={spoon} singles={singles} />
        <div className="foot">
          {weighed.isKept ? (
            <>
              <p role="status">Kept in your record.</p>
              <button type="button" className="btn" onClick={again}>
                Weigh five more <kbd>Space</kbd>
              </button>
            </>
          ) : (
            <button type="button" className="btn go" disabled={!singles} onClick={keep}>
              Keep these five <kbd>Enter</kbd>
            </button>
          )}
        </div>
      </section>
    </main>
  );
}

function SpoonField({
  n,
  text,
  fault,
  isKept,
  onType,
  onEnter,
}: {
  n: number;
  text: string;
  fault: string | null;
  isKept: boolean;
  onType: (text: string) => void;
  onEnter: () => void;
}) {
  const faultId = `spoon-fault-${n}`;
  return (
    <label className="grid gap-1 content-start w-[120px]">
      <span className="text-[15px] font-semibold">Spoon {n}, g</span>
      <input
        className="box"
        inputMode="decimal"
        value={text}
        readOnly={isKept}
        aria-invalid={fault !== null}
        aria-describedby={fault === null ? undefined : faultId}
        onChange={(e) => onType(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Enter') onEnter();
        }}
      />
      {fault !== null && (
        <span className="fault" id={faultId} role="alert">
          {fault}
        </span>
      )}
    </label>
  );
}

const percent = (share: number): string => `${numberText(100 * share)} %`;
/** The five against each other, and against the tea’s own weighing. */
function WhatTheySay({
  tea,
  spoon,
  singles,
}: {
  tea: Tea;
  spoon: HouseSpoon | undefined;
  singles: ReturnType<typeof singlesOf>;
}) {
  if (!singles)
    return (
      <p>
        Weigh {SPOONS_WEIGHED} spoons. A hand is even when single spoons differ by 10 % or less
        (their standard deviation). Then a cup that is too strong has another cause.
      </p>
    );
  const { one, share, isEven } = evennessOf(singles);
  const { weighing } = measureOf(tea);
  const house = weighing && spoon ? gramsPerSpoon(densityOf(weighing), spoon) : null;
  return (
    <>
      <p className="text-[24px] font-semibold" role="status">
        {isEven ? 'Even' : 'Not even yet'}: the spoons differ by {percent(share)}.
      </p>
      <p className="mt-2">
        One holds <b>{numberText(one, 2)}</b> g on average
        {house === null ? '.' : `; in the book one holds ${numberText(house, 2)} g.`}
      </p>
      <p className="mt-2">
        {isEven
          ? 'Your spoons are alike. You can trust the count on the card.'
          : 'Level every spoon with a straight edge. Do not press, shake or knock the spoon.'}
      </p>
      {house !== null && Math.abs(one / house - 1) > 0.1 && (
        <p className="mt-2">
          All your spoons are {one > house ? 'fuller' : 'emptier'} than the book’s. Ask a lead
          whether this lot is other leaf, and weigh the leaf until then.
        </p>
      )}
    </>
  );
}
