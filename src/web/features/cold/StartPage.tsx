import { useRef } from 'react';
import { Link } from 'react-router';
import { cardFaultWords, METHODS } from '#core/recipes';
import { celsius, parseTemperature, temperatureText, volumeText } from '#core/units';
import { liquorOfStyle } from '../../entities/batches/liquor';
import { useBatchCommands } from '../../entities/batches/useBatchCommands';
import { useLimits, useSession, useUnits } from '../../entities/people/session';
import { TeaPick } from '../../entities/teas/TeaPick';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { TypedPick } from '../../ui/TypedPick';
import { StartCard } from './StartCard';
import { type ColdChoice, useColdChoice } from './useColdChoice';

const SCALE = 0.55;

/** Leaf in: this tea, cold, in that pitcher; what to weigh and pour stands at the right. */
export function StartPage() {
  const choice = useColdChoice();
  const commands = useBatchCommands();
  const units = useUnits();
  const go = useGo();
  const started = useRef(false);
  const { tea, version, vessel, planned, takenBy } = choice;
  const { counterAllowed = false } = useLimits();
  const isAllowed = version?.method !== 'counter' || counterAllowed;
  const canStart = planned?.kind === 'plan' && takenBy === null && isAllowed;
  const start = () => {
    // A double tap starts one batch.
    if (started.current || !canStart || !tea || !version || !vessel) return;
    started.current = true;
    const id = commands.start({
      ...{ tea, lot: choice.lot, version, vessel, plan: planned.plan },
      planned: choice.plannedId,
    });
    go(`/cold/${id}`);
  };
  useKeys([
    { key: 'Enter', does: 'Leaf in', run: start },
    { key: 'Escape', does: 'Back to Cold', run: () => go('/cold') },
  ]);
  if (choice.loading)
    return (
      <main className="page">
        <Loading what="cold recipes and pitchers" />
      </main>
    );
  if (!tea || !version || !vessel || !planned) return <NothingToStart choice={choice} />;
  return (
    <main className="page split">
      <h1 className="visually-hidden">Start a cold batch</h1>
      <ColdSentence choice={choice} tea={tea} />
      <section className="work">
        <h2>
          Pitcher
          <small>
            {choice.water === vessel.mark
              ? 'filled to the mark'
              : `filled with ${volumeText(planned.kind === 'plan' ? planned.plan.water : vessel.mark, units.volume)}`}
          </small>
        </h2>
        <Pitchers choice={choice} />
        {takenBy !== null && (
          <Note bad>
            <b>{takenBy}</b> Empty the pitcher first, or choose another.
          </Note>
        )}
        {!isAllowed && (
          <Note bad>
            <b>Counter brews are off in this house.</b> A lead can allow them under House, Limits.
          </Note>
        )}
        {planned.kind !== 'plan' && (
          <Note bad>
            <b>{cardFaultWords(planned)}</b>
          </Note>
        )}
      </section>
      {planned.kind === 'plan' ? (
        <StartCard
          tea={tea}
          version={version}
          vessel={vessel}
          planned={planned}
          fridge={choice.fridge}
          canStart={canStart}
          onStart={start}
        />
      ) : (
        <section className="paper" aria-label="Card" />
      )}
    </main>
  );
}

/** What is brewed, how, and with water how cold. */
function ColdSentence({
  choice,
  tea,
}: {
  choice: ColdChoice;
  tea: NonNullable<ColdChoice['tea']>;
}) {
  const units = useUnits();
  const { version, methods } = choice;
  const read = (text: string) => {
    const typed = parseTemperature(text, units.temperature);
    if (typed.kind === 'bad') return typed;
    if (typed.value < 0 || typed.value > 40)
      return { kind: 'bad' as const, why: 'Use cold water: 0 to 40 °C.' };
    return typed;
  };
  return (
    <div className="say">
      <span>Brew</span>
      <TeaPick tea={tea} teas={choice.teas} onPick={(t) => choice.pickTea(t.id)} />
      <span>, method</span>
      <PickList
        label="Method"
        shown={version ? METHODS[version.method].label : ''}
        chosen={version?.method}
        choices={methods.map((m) => ({ value: m, text: METHODS[m].label }))}
        onPick={choice.pickMethod}
      />
      <span>with water at</span>
      <TypedPick
        label={`Water, °${units.temperature}`}
        text={temperatureText(choice.waterAt, units.temperature)}
        typed=""
        read={read}
        onValue={(v) => choice.pickWaterAt(celsius(v))}
      />
      <span className="gap" />
      <Link className="btn quiet" to="/cold">
        Leave <kbd>Esc</kbd>
      </Link>
    </div>
  );
}

/** The site's pitchers, one touch each; what stands in one is said under it. */
function Pitchers({ choice }: { choice: ColdChoice }) {
  const { vessels, vessel, inUse } = choice;
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(140px,1fr))] gap-3 mt-2">
      {vessels.map((v) => {
        const taken = inUse.batchIn.get(v.id);
        const brew = inUse.brewIn.get(v.id);
        return (
          <button
            type="button"
            key={v.id}
            className="pitcher-pick"
            aria-pressed={v.id === vessel?.id}
            onClick={() => choice.pickVessel(v.id)}
          >
            <VesselDrawing
              vessel={v}
              scale={SCALE}
              label=""
              fill={taken ? v.mark : undefined}
              liquor={taken ? liquorOfStyle(taken.tea.style) : null}
            />
            <b>{v.name}</b>
            <span className="small">
              {inUse.isFree(v.id) ? 'free' : `holds ${(taken ?? brew)?.tea.name}`}
            </span>
          </button>
        );
      })}
    </div>
  );
}

/** What lacks before a batch can be started, and who adds it. */
function NothingToStart({ choice }: { choice: ColdChoice }) {
  const { site, role } = useSession();
  const hasTea = choice.teas.length > 0;
  return (
    <main className="page p-6">
      <Nothing
        action={
          role === 'lead' && (
            <Link className="btn go" to={hasTea ? '/shelf/new' : '/book'}>
              {hasTea ? 'Add a pitcher' : 'To the book'}
            </Link>
          )
        }
      >
        {hasTea
          ? `${site.name} has no pitcher yet.`
          : 'No tea has a cold recipe yet. Add one on the page of a tea.'}{' '}
        {role !== 'lead' && 'A lead adds both.'}
      </Nothing>
    </main>
  );
}
