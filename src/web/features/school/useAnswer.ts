import { useRef } from 'react';
import type { DrillTask, Judged } from '#core/training';
import type { DrillAnswer } from '#contracts/training';
import { useSession, useZone } from '../../entities/people/session';
import { useDrillCommands } from '../../entities/training/useDrillCommands';
import { useTimeSeen } from './useTimeSeen';

/** Keeps the answer of one question, once, with the time it took; and says that it is wrong. */
export function useAnswer(seed: number) {
  const { site } = useSession();
  const zone = useZone();
  const commands = useDrillCommands();
  const seen = useTimeSeen();
  const kept = useRef<DrillAnswer | null>(null);
  return {
    answer(task: DrillTask, worth: { credit: number; judged: Judged; guess: number }): void {
      kept.current ??= commands.answer({
        ...{ siteId: site.id, zone, seed, ms: seen(), task },
        ...worth,
      });
    },
    dispute(): void {
      if (kept.current) commands.dispute(kept.current.id);
    },
  };
}
