import { type Dispatch, type SetStateAction, useEffect } from 'react';
import { Link } from 'react-router';
import type { Card, CardFault } from '#core/recipes';
import { styleOf } from '#core/styles';
import type { Millilitres } from '#core/units';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import type { BarBrew } from '../../entities/brews/barBrews';
import type { BrewCommands } from '../../entities/brews/commands';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { useGo } from '../../platform/useGo';
import { PickList } from '../../ui/PickList';
import { Amount } from './Amount';
import { useChoice } from './choice';
import { QueueInstead } from './QueueInstead';

/** Two letters find a tea: any letter opens the list with it, but for the keys of the card. */
export function useLetters({
  finding,
  setLetters,
  setFinding,
}: {
  finding: boolean;
  setLetters: Dispatch<SetStateAction<string>>;
  setFinding: Dispatch<SetStateAction<boolean>>;
}) {
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
  }, [finding, setFinding, setLetters]);
}

/** Brew this tea in that vessel to so much. */
export function StartSentence({
  letters,
  finding,
  setFinding,
  setLetters,
  tea,
  teas,
  choice,
  vessel,
  vessels,
  busy,
  water,
  card,
  commands,
  go,
}: {
  letters: string;
  finding: boolean;
  setFinding: Dispatch<SetStateAction<boolean>>;
  setLetters: Dispatch<SetStateAction<string>>;
  tea: Tea;
  teas: readonly Tea[];
  choice: ReturnType<typeof useChoice>;
  vessel: Vessel;
  vessels: readonly Vessel[];
  busy: Map<string, BarBrew>;
  water: Millilitres;
  card: Card | CardFault;
  commands: BrewCommands;
  go: ReturnType<typeof useGo>;
}) {
  return (
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
  );
}
