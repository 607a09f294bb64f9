import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { styleOf } from '#core/styles';
import type { Tea } from '#contracts/teas';
import type { BrewedVessel } from '#contracts/vesselFacts';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { PickList } from '../../ui/PickList';
import { AmountPick } from './Amount';
import type { useChoice } from './choice';
import { OtherPot } from './OtherPot';
import { QueueInstead } from './QueueInstead';
import { WishPick } from './Wish';

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
  vessel: BrewedVessel;
  /** The card can be brewed: it may wait its turn as well. */
  canQueue: boolean;
  onQueue: (forWhom: string) => void;
}) {
  const { teas, vessels, inUse } = choice;
  const finding = useFinding(choice.find);
  const [isPicking, setPicking] = useState(false);
  const [isTyping, setTyping] = useState(false);
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
        chosen={vessel.id ?? undefined}
        choices={vessels.map((v) => ({
          value: v.id,
          text: inUse.isFree(v.id) ? v.name : `${v.name}, in use`,
        }))}
        onPick={choice.pickVessel}
        open={isPicking}
        onOpen={setPicking}
        foot={
          <button
            type="button"
            className="btn slim m-2"
            onClick={() => {
              setPicking(false);
              setTyping(true);
            }}
          >
            A pot that is not on the shelf
          </button>
        }
      />
      <OtherPot
        open={isTyping}
        onClose={() => setTyping(false)}
        onUse={(pot) => {
          setTyping(false);
          choice.pickPot(pot);
        }}
        onKept={(id) => {
          setTyping(false);
          choice.pickVessel(id);
        }}
      />
      <span>to</span>
      <AmountPick vessel={vessel} amount={choice.amount} onPick={choice.pickAmount} />
      <WishPick wish={choice.wish} onWish={choice.setWish} />
      <span className="gap" />
      <QueueInstead tea={tea} vessel={vessel} off={!canQueue} onQueue={onQueue} />
      <Link className="btn quiet" to="/">
        Leave <kbd>Esc</kbd>
      </Link>
    </div>
  );
}
