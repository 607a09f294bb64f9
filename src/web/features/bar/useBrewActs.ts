import { useMemo } from 'react';
import type { BarBrew } from '../../entities/brews/barBrews';
import { type BarItem, isDueNow } from '../../entities/brews/barItems';
import type { BrewCommands } from '../../entities/brews/commands';
import { isExploring } from '../../entities/brews/status';
import { useGo } from '../../platform/useGo';

/** A sheet over the bar, and which brew it is about. */
export type BarSheet =
  | {
      readonly kind: 'working' | 'steps' | 'giveUp' | 'byEye' | 'taste' | 'cups';
      readonly id: string;
    }
  | { readonly kind: 'queue' }
  | { readonly kind: 'scan' }
  | null;

/** What the buttons of a brew on the bar do: its commands, and the sheets and pages that open. */
export type BrewActs = Pick<
  BrewCommands,
  | 'again'
  | 'alike'
  | 'claim'
  | 'close'
  | 'endByTaste'
  | 'firstCup'
  | 'leafBack'
  | 'leafIn'
  | 'pair'
  | 'step'
  | 'steepOn'
> & {
  /** The one thing the brew wants next. */
  next: (item: BarItem) => void;
  /** Judges it as right. */
  right: (brew: BarBrew) => void;
  steps: (brew: BarBrew) => void;
  giveUp: (brew: BarBrew) => void;
  /** Ends the steep because of its colour. */
  byEye: (brew: BarBrew) => void;
  /** The leaf comes out, and how it tastes is asked. */
  leafOut: (brew: BarBrew) => void;
  /** Asks how it tastes. */
  taste: (brew: BarBrew) => void;
  /** The cups of a pot that keeps its leaf. */
  cups: (brew: BarBrew) => void;
  working: (brew: BarBrew) => void;
};

/** The same object for as long as the commands are, so that a brew is drawn again only for what it shows. */
export function useBrewActs(
  commands: BrewCommands,
  locked: boolean,
  onSheet: (sheet: BarSheet) => void,
): BrewActs {
  const go = useGo();
  return useMemo(() => {
    const taste = (brew: BarBrew) => onSheet({ kind: 'taste', id: brew.id });
    return {
      ...commands,
      next: (item) => {
        const { brew } = item;
        if (brew.state.kind === 'pulled') {
          if (!locked) go(`/judge/${brew.id}`);
          return;
        }
        if (!locked && brew.state.kind === 'tasting') return taste(brew);
        commands.next(item);
        if (!locked && isExploring(brew) && !isDueNow(item)) taste(brew);
      },
      right: (brew) =>
        // The correction search is not part of what the bar loads at once.
        void import('../../entities/brews/proposal').then((m) =>
          commands.right(brew, m.rightProposal(brew)),
        ),
      steps: (brew) => onSheet({ kind: 'steps', id: brew.id }),
      giveUp: (brew) => onSheet({ kind: 'giveUp', id: brew.id }),
      byEye: (brew) => onSheet({ kind: 'byEye', id: brew.id }),
      taste,
      leafOut: (brew) => {
        commands.leafOut(brew);
        taste(brew);
      },
      cups: (brew) => onSheet({ kind: 'cups', id: brew.id }),
      working: (brew) => onSheet({ kind: 'working', id: brew.id }),
    };
  }, [commands, locked, go, onSheet]);
}
