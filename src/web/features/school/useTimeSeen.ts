import { useCallback, useEffect, useRef } from 'react';

/** Time on the question while the page was seen. @returns what tells it, ms */
export function useTimeSeen(): () => number {
  const state = useRef({ total: 0, since: performance.now() as number | null });
  const seen = useCallback(() => {
    const { total, since } = state.current;
    return Math.round(total + (since === null ? 0 : performance.now() - since));
  }, []);
  useEffect(() => {
    const onChange = () => {
      const total = seen();
      state.current = { total, since: document.hidden ? null : performance.now() };
    };
    document.addEventListener('visibilitychange', onChange);
    return () => document.removeEventListener('visibilitychange', onChange);
  }, [seen]);
  return seen;
}
