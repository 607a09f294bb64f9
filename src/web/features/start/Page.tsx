import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { leafStaysIn } from '#core/brews';
import { millilitres } from '#core/units';
import { BAR_SLOTS } from '#contracts/limits';
import type { Tea } from '#contracts/teas';
import { apartFrom, attentionTimes } from '../../entities/brews/attention';
import { allOf } from '../../entities/brews/barBrews';
import { startWrite } from '../../entities/brews/starts';
import { useBrewCommands } from '../../entities/brews/useBrewCommands';
import { useSession } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { Awaited } from '../../platform/Awaited';
import { useNow } from '../../platform/clock';
import { useGo } from '../../platform/useGo';
import { clockText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Nothing } from '../../ui/Note';
import { PourCard } from './Card';
import { type Choice, useChoice } from './choice';
import { cupsOf, workOutPour } from './pour';
import { VesselShelves } from './Shelves';
import { StartSentence } from './StartSentence';

const RECENT = 6;

/** How this pour is made, beside what was chosen: asked anew with each tea. */
function useHow(choice: Choice) {
  const { tea, version, vessel, amount } = choice;
  const [warmChoice, setWarmed] = useState<boolean | null>(null);
  const [explore, setExplore] = useState(false);
  const [isTapered, setIsTapered] = useState(false);
  useEffect(() => {
    setWarmed(null);
    setExplore(false);
    setIsTapered(false);
  }, [tea?.id]);
  return {
    warmed: warmChoice ?? version?.recipe.warm ?? false,
    setWarmed,
    explore,
    setExplore,
    taper: isTapered && vessel && leafStaysIn(vessel) === 'pot' ? cupsOf(amount, vessel) : null,
    setIsTapered,
  };
}

/** Brew this tea in that vessel to so much: the sentence, the shelf, and the card at the right. */
export function StartPage() {
  const choice = useChoice();
  const { site } = useSession();
  const commands = useBrewCommands();
  const go = useGo();
  const { tea, lot, version, vessel, amount, wish, kettle, teas, vessels, inUse, brews, recent } =
    choice;
  const { warmed, setWarmed, explore, setExplore, taper, setIsTapered } = useHow(choice);
  const [full, setFull] = useState(false);
  const pour =
    tea && version && vessel
      ? workOutPour({ tea, lot, version, vessel, site, warmed, wish, kettle, taper }, amount)
      : null;
  const card = pour?.card ?? null;
  const water = pour?.water ?? millilitres(0);
  const cups = amount.kind === 'cups' ? amount.cups : null;
  const holds = vessel?.id ? inUse.holds(vessel.id) : null;
  const taken = allOf(brews).length;
  // Whom it would meet if it were poured now, looked at again as time goes.
  const at = useNow(1000);
  const apart = pour && holds === null ? apartFrom(attentionTimes(pour.recipe), brews, at) : null;
  const met = apart?.meets
    ? {
        wait: apart.wait,
        name: apart.meets.tea.name,
        place: apart.meets.place,
        at: clockText(at + (pour?.recipe.window.best ?? 0) * 1000),
      }
    : null;
  const started = useRef(false);
  const start = (warming: boolean) => {
    if (started.current || !tea || !version || !vessel || card?.kind !== 'card' || holds !== null)
      return;
    const made = startWrite(
      {
        ...{ site, tea, lot, version, vessel, water, warmed, warming },
        ...{ orderId: choice.orderId, wish, cups, explore, kettle, taper },
      },
      commands.moment(),
    );
    if (!made) return setFull(true);
    // A double tap starts one brew.
    started.current = true;
    commands.sayStarted(commands.start(made));
    go('/');
  };
  useKeys([
    { key: 'Enter', does: 'Water on: start', run: () => start(false) },
    { key: ' ', does: 'Warm the vessel, or start', run: () => start(warmed) },
    { key: 'Escape', does: 'Leave', run: () => go('/') },
  ]);
  if (choice.loading || choice.unread) return <Awaited what="teas and vessels" of={choice.asked} />;
  if (!tea || !version || !vessel || !pour || !card) {
    return <NothingToBrew hasTea={teas.length > 0} hasVessel={vessels.length > 0} />;
  }
  const queue = (forWhom: string) => {
    commands.order.add(
      {
        ...{ tea, vesselId: vessel.id, forWhom, wish, cups },
        water: amount.kind === 'water' ? amount.water : null,
      },
      choice.orders,
    );
    go('/');
  };
  const recentTeas = [...new Set([...recent.map((r) => r.teaId), ...teas.map((t) => t.id)])]
    .slice(0, RECENT)
    .flatMap((id) => teas.filter((t) => t.id === id));
  return (
    <main className="page split start-page">
      <h1 className="visually-hidden">Start a brew</h1>
      <StartSentence
        choice={choice}
        tea={tea}
        vessel={vessel}
        canQueue={card.kind === 'card'}
        onQueue={queue}
      />
      <section className="work">
        <h2>
          Tea<small>brewed last here, or type two letters</small>
        </h2>
        <RecentTeas teas={recentTeas} chosen={tea} onPick={choice.pickTea} />
        <VesselShelves
          choice={choice}
          recipe={pour.recipe}
          water={water}
          leaf={card.kind === 'card' ? card.leaf : null}
        />
      </section>
      <PourCard
        tea={tea}
        lot={lot}
        version={version}
        trial={choice.trial}
        vessel={vessel}
        pour={pour}
        cups={cups}
        warmed={warmed}
        wish={wish}
        busyWith={holds}
        kettle={{
          chosen: kettle,
          choices: choice.kettles,
          amount,
          onPick: choice.pickKettle,
        }}
        taper={{ cups: cupsOf(amount, vessel), onTaper: setIsTapered }}
        explore={explore}
        onExplore={setExplore}
        onWarmed={setWarmed}
        onStart={start}
        onTrial={choice.setOnTrial}
        onLot={choice.pickLot}
        meets={met}
        barFull={full || taken >= BAR_SLOTS}
      />
    </main>
  );
}

/** What lacks before a brew can start, and who adds it. */
function NothingToBrew({ hasTea, hasVessel }: { hasTea: boolean; hasVessel: boolean }) {
  const { site, role } = useSession();
  const whatLacks = () => {
    if (!hasTea) return 'No tea in the book yet.';
    return hasVessel ? 'Nothing to brew.' : `No vessel at ${site.name} yet.`;
  };
  return (
    <main className="page p-6">
      <Nothing
        action={
          role === 'lead' && (
            <Link className="btn go" to={hasTea ? '/shelf/new' : '/book/new'}>
              {hasTea ? 'Add a vessel' : 'Add a tea'}
            </Link>
          )
        }
      >
        {whatLacks()} {role !== 'lead' && 'A lead adds it.'}
      </Nothing>
    </main>
  );
}

/** The teas brewed last here, one touch each. */
function RecentTeas({
  teas,
  chosen,
  onPick,
}: {
  teas: readonly Tea[];
  chosen: Tea;
  onPick: (tea: Tea) => void;
}) {
  return (
    <div className="recent">
      {teas.map((t) => (
        <button
          type="button"
          key={t.id}
          aria-pressed={t.id === chosen.id}
          onClick={() => onPick(t)}
        >
          {t.house && <Cup liquor={houseLiquorOf(t, t.house.recipe)} size={42} />}
          <span>{t.name}</span>
        </button>
      ))}
    </div>
  );
}
