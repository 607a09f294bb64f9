import { useEffect, useRef, useState } from 'react';
import { hotMoments } from '../../entities/batches/hotStage';
import { useCold } from '../../entities/batches/useCold';
import { useNow } from '../../platform/clock';
import { heard, heardBetween } from '../../platform/sound';
import { useAppSelector } from '../../platform/store';

const LOOKED_EVERY_MS = 500;
/** Its own pitch: the places of the bar have theirs. */
const PITCH_PLACE = 6;

/** In every place: rings when the cold water of a hot stage is due, and while it is late. */
export function HotBell() {
  const { standing } = useCold();
  const hot = standing.some((b) => hotMoments(b) !== null);
  return hot ? <Bell /> : null;
}

function Bell() {
  const { standing } = useCold();
  const now = useNow(LOOKED_EVERY_MS);
  const { sound, vibrate } = useAppSelector((s) => s.settings);
  const last = useRef<number>(now);
  const [said, setSaid] = useState('');
  useEffect(() => {
    const from = last.current;
    last.current = now;
    for (const batch of standing) {
      const moments = hotMoments(batch);
      const kind = moments && heardBetween(moments, from, now);
      if (!kind) continue;
      heard(kind, PITCH_PLACE, { sound, vibrate });
      if (kind === 'tap') setSaid(`${batch.tea.name}, ${batch.vesselName}: cold water on now`);
    }
  }, [standing, now, sound, vibrate]);
  return (
    <div className="visually-hidden" role="status" aria-live="assertive">
      {said}
    </div>
  );
}
