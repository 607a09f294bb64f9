import { minutesText } from '#core/units';
import { coldWaterWords, hotStageEnds } from '../../entities/batches/hotStage';
import type { ColdBatch } from '../../entities/batches/standing';
import type { Doing } from '../../entities/batches/useAct';
import { useUnits } from '../../entities/people/session';
import { useNow } from '../../platform/clock';
import { oneTap, useKeys } from '../../ui/keys';

const DRAWN_EVERY_MS = 500;

/** The hot minute of warm-then-cold: how long it lasts still, what goes on then, and how warm the tea is after that. */
export function HotStage({ batch, doing }: { batch: ColdBatch; doing: Doing }) {
  const units = useUnits();
  const now = useNow(DRAWN_EVERY_MS);
  const ends = hotStageEnds(batch) ?? batch.leafIn;
  const words = coldWaterWords(batch, units);
  const pour = () => {
    doing.act({ kind: 'coldOn' }, 'cold water on.');
  };
  useKeys([{ key: 'c', does: 'Cold water on', run: pour }]);
  return (
    <div className="form">
      <h2>
        Hot water on the leaf<small>lid off</small>
      </h2>
      <div className="change" role="timer">
        {now < ends ? minutesText((ends - now) / 1000) : 'Pour the cold water now'}
      </div>
      <p>
        Then pour <b>{words.pour}</b>. The tea is then at about <b>{words.then}</b>. Hot water
        scalds.
      </p>
      <button type="button" className="btn go" onClick={oneTap(pour)}>
        Cold water on <kbd>C</kbd>
      </button>
    </div>
  );
}
