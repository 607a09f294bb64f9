import { LOT_WORDS } from '#core/teas';
import type { Version } from '#contracts/recipes';
import type { Lot, Tea } from '#contracts/teas';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf } from '../../entities/teas/liquor';

function LotPick({ tea, lot, onLot }: { tea: Tea; lot: Lot | null; onLot: (lot: Lot) => void }) {
  return (
    <select
      className="lot-pick"
      aria-label="Lot"
      value={lot?.id ?? ''}
      onChange={(e) => {
        const picked = tea.lots.find((l) => l.id === e.target.value);
        if (picked) onLot(picked);
      }}
    >
      {!lot && <option value="">no lot</option>}
      {tea.lots.map((l) => (
        <option key={l.id} value={l.id}>
          {l.name}
          {l.state === 'inUse' ? '' : `, ${LOT_WORDS[l.state]}`}
        </option>
      ))}
    </select>
  );
}

/** Which tea is poured, of which lot, by which version of its recipe. */
export function CardTitle({
  tea,
  lot,
  version,
  trial,
  onTrial,
  onLot,
}: {
  tea: Tea;
  lot: Lot | null;
  version: Version;
  trial: Version | null;
  onTrial: (trial: boolean) => void;
  onLot: (lot: Lot) => void;
}) {
  const picksLot = tea.lots.length > 1;
  const onTrialNow = version.state === 'trial';
  const facts = [
    picksLot ? '' : lot?.name,
    tea.words,
    `${onTrialNow ? 'on trial' : 'house recipe'}, version ${version.number}`,
    version.recipe.origin && `from ${version.recipe.origin}, not dialled in`,
  ];
  return (
    <div className="card-title">
      <Cup liquor={houseLiquorOf(tea, version.recipe)} size={48} />
      <div>
        <div className="tea">{tea.name}</div>
        <p className="small">
          {picksLot && <LotPick tea={tea} lot={lot} onLot={onLot} />}
          {facts.filter(Boolean).join(' · ')}
          {trial && (
            <button type="button" className="btn quiet slim" onClick={() => onTrial(!onTrialNow)}>
              {onTrialNow ? 'Back to the house recipe' : `Try version ${trial.number}`}
            </button>
          )}
        </p>
      </div>
    </div>
  );
}
