import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { styleOf } from '#core/styles';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { PickList } from '../../ui/PickList';
import { Amount } from './Amount';
import type { useChoice } from './choice';
import { QueueInstead } from './QueueInstead';

/** Two letters find a tea: any letter opens the list with it, but for the keys of the card. */
function useFinding(atOnce: boolean) {
  const [isOpen, setOpen] = useState(atOnce);
  const [letters, setLetters] = useState('');
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (
        isOpen ||
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
      setOpen(true);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [isOpen]);
  const onOpen = (open: boolean) => {
    setOpen(open);
    if (!open) setLetters('');
  };
  return { isOpen, letters, onOpen };
}

/** Brew this tea in that vessel to so much. */
export function StartSentence({
  choice,
  tea,
  vessel,
  canQueue,
  onQueue,
}: {
  choice: ReturnType<typeof useChoice>;
  tea: Tea;
  vessel: Vessel;
  /** The card can be brewed: it may wait its turn as well. */
  canQueue: boolean;
  onQueue: (forWhom: string) => void;
}) {
  const { teas, vessels, inUse, water } = choice;
  const finding = useFinding(choice.find);
  return (
    <div className="say">
      <span>Brew</span>
      <PickList
        label="Tea"
        className="tea"
        filter="Type a name"
        firstLetters={finding.letters}
        open={finding.isOpen}
        onOpen={finding.onOpen}
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
          text: inUse.isFree(v.id) ? v.name : `${v.name}, in use`,
        }))}
        onPick={(id) => {
          const v = vessels.find((x) => x.id === id);
          if (v) choice.pickVessel(v);
        }}
      />
      <span>to</span>
      <Amount vessel={vessel} water={water} atMark={choice.atMark} onPick={choice.pickWater} />
      <span className="gap" />
      <QueueInstead tea={tea} vessel={vessel} off={!canQueue} onQueue={onQueue} />
      <Link className="btn quiet" to="/">
        Leave <kbd>Esc</kbd>
      </Link>
    </div>
  );
}
