import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { cardOf } from '#core/brews';
import { styleOf } from '#core/styles';
import { BAR_SLOTS } from '#contracts/limits';
import { apartFrom, attentionTimes } from '../../entities/brews/attention';
import { allOf } from '../../entities/brews/barBrews';
import { useBrewCommands } from '../../entities/brews/useBrewCommands';
import { useSession } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { useNow } from '../../platform/clock';
import { useGo } from '../../platform/useGo';
import { clockText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { Amount } from './Amount';
import { PourCard } from './Card';
import { useChoice } from './choice';
import { QueueInstead } from './QueueInstead';
import { VesselShelves } from './Shelves';

const RECENT = 6;

/** Brew this tea in that vessel to so much: the sentence, the shelf, and the card at the right. */
export function StartPage() {
  const choice = useChoice();
  const { site, role } = useSession();
  const commands = useBrewCommands();
  const go = useGo();
  const { tea, lot, version, vessel, water, teas, vessels, busy, brews, recent } = choice;
  const [warmChoice, setWarmChoice] = useState<boolean | null>(null);
  const [finding, setFinding] = useState(choice.find);
  const [full, setFull] = useState(false);
  const [letters, setLetters] = useState('');
  useEffect(() => setWarmChoice(null), [tea?.id]);
  const warmed = warmChoice ?? version?.recipe.warm ?? false;
  const card =
    tea && version && vessel ? cardOf({ tea, lot, version, vessel, site, water, warmed }) : null;
  const busyBrew = vessel ? busy.get(vessel.id) : undefined;
  const taken = allOf(brews).length;
  // Whom it would meet if it were poured now, looked at again as time goes.
  const at = useNow(1000);
  const apart = version && !busyBrew ? apartFrom(attentionTimes(version.recipe), brews, at) : null;
  const met = apart?.meets
    ? {
        wait: apart.wait,
        name: apart.meets.tea.name,
        place: apart.meets.place,
        at: clockText(at + (version?.recipe.window.best ?? 0) * 1000),
      }
    : null;
  const started = useRef(false);
  const start = (warming: boolean) => {
    if (started.current || !tea || !version || !vessel || card?.kind !== 'card' || busyBrew) return;
    // A double tap starts one brew.
    const brew = commands.start({
      tea,
      lot,
      version,
      vessel,
      water,
      warmed,
      warming,
      orderId: choice.orderId,
    });
    started.current = brew !== null;
    if (!brew) return setFull(true);
    commands.sayStarted(brew);
    go('/');
  };
  // Two letters find a tea: any letter opens the list with it, but for the keys of the card.
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (
        finding ||
        e.ctrlKey ||
        e.metaKey ||
        e.altKey ||
        e.defaultPrevented ||
        !/^[a-z]$/i.test(e.key)
      )
        return;
      if (e.target instanceof HTMLElement && e.target.matches('input, textarea, select')) return;
      if (document.querySelector('[role="dialog"], [role="listbox"]')) return;
      e.preventDefault();
      setLetters(e.key);
      setFinding(true);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [finding]);
  useKeys([
    { key: 'Enter', does: 'Water on: start', run: () => start(false) },
    { key: ' ', does: 'Warm the vessel, or start', run: () => start(warmed) },
    { key: 'Escape', does: 'Leave', run: () => go('/') },
  ]);
  if (choice.loading)
    return (
      <main className="page">
        <Loading what="teas and vessels" />
      </main>
    );
  if (!tea || !version || !vessel || !card) {
    return (
      <main className="page p-6">
        <Nothing
          action={
            role === 'lead' && (
              <Link className="btn go" to={teas.length ? '/shelf/new' : '/book/new'}>
                {teas.length ? 'Add a vessel' : 'Add a tea'}
              </Link>
            )
          }
        >
          {teas.length === 0
            ? 'No tea in the book yet.'
            : vessels.length === 0
              ? `No vessel at ${site.name} yet.`
              : 'Nothing to brew.'}{' '}
          {role !== 'lead' && 'A lead adds it.'}
        </Nothing>
      </main>
    );
  }
  const recentTeas = [...new Set([...recent.map((r) => r.teaId), ...teas.map((t) => t.id)])]
    .slice(0, RECENT)
    .flatMap((id) => teas.filter((t) => t.id === id));
  return (
    <main className="page split start-page">
      <h1 className="visually-hidden">Start a brew</h1>
      <div className="say">
        <span>Brew</span>
        <PickList
          label="Tea"
          className="tea"
          filter="Type a name"
          firstLetters={letters}
          open={finding}
          onOpen={(o) => {
            setFinding(o);
            if (!o) setLetters('');
          }}
          shown={tea.name}
          chosen={tea.id}
          choices={teas.map((t) => ({
            value: t.id,
            text: t.name,
            words: `${styleOf(t.style).kind} ${t.words}`,
            show: (
              <>
                {t.house && <Cup liquor={houseLiquorOf(t, t.house.recipe)} size={28} />}
                <span className="tea">{t.name}</span>
                <span className="small ml-auto">{styleOf(t.style).kind}</span>
              </>
            ),
          }))}
          onPick={(id) => {
            const t = teas.find((x) => x.id === id);
            if (t) choice.pickTea(t);
          }}
        />
        <span>in the</span>
        <PickList
          label="Vessel"
          shown={vessel.name}
          chosen={vessel.id}
          choices={vessels.map((v) => ({
            value: v.id,
            text: busy.has(v.id) ? `${v.name}, in use` : v.name,
          }))}
          onPick={(id) => {
            const v = vessels.find((x) => x.id === id);
            if (v) choice.pickVessel(v);
          }}
        />
        <span>to</span>
        <Amount vessel={vessel} water={water} atMark={choice.atMark} onPick={choice.pickWater} />
        <span className="gap" />
        <QueueInstead
          tea={tea}
          vessel={vessel}
          off={card.kind !== 'card'}
          onQueue={(forWhom) => {
            commands.order.add(
              { tea, vesselId: vessel.id, water: choice.atMark ? null : water, forWhom },
              choice.orders,
            );
            go('/');
          }}
        />
        <Link className="btn quiet" to="/">
          Leave <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work">
        <h2>
          Tea<small>brewed last here, or type two letters</small>
        </h2>
        <div className="recent">
          {recentTeas.map((t) => (
            <button
              type="button"
              key={t.id}
              aria-pressed={t.id === tea.id}
              onClick={() => choice.pickTea(t)}
            >
              {t.house && <Cup liquor={houseLiquorOf(t, t.house.recipe)} size={42} />}
              <span>{t.name}</span>
            </button>
          ))}
        </div>
        <VesselShelves
          choice={choice}
          recipe={version.recipe}
          leaf={card.kind === 'card' ? card.leaf : null}
        />
      </section>
      <PourCard
        tea={tea}
        lot={lot}
        version={version}
        trial={choice.trial}
        vessel={vessel}
        water={water}
        warmed={warmed}
        card={card}
        busyWith={busyBrew ? `${busyBrew.startedBy.name} brews ${busyBrew.tea.name} in it` : null}
        onWarmed={setWarmChoice}
        onStart={start}
        onTrial={choice.setOnTrial}
        onLot={choice.pickLot}
        meets={met}
        barFull={full || taken >= BAR_SLOTS}
      />
    </main>
  );
}
