import { useState } from 'react';
import { toCardInput } from '#core/brews';
import {
  bagsText,
  brewingOf,
  type Card,
  type CardFault,
  cardFaultWords,
  spoonsText,
  workingOf,
} from '#core/recipes';
import { LOT_WORDS } from '#core/teas';
import {
  degrees,
  type Millilitres,
  minutesText,
  numberText,
  temperatureText,
  volumeText,
} from '#core/units';
import type { Lot, Tea, Version } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { CupForecast } from '../../entities/brews/CupForecast';
import { SteepRule } from '../../entities/brews/SteepRule';
import { useSession, useUnits } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { houseLiquorOf, liquorAfter } from '../../entities/teas/liquor';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { ScalePanel } from '../../platform/scale/ScalePanel';
import { Sheet } from '../../ui/Dialog';
import { Note } from '../../ui/Note';
import { Cautions, ForWhom, Spoons, WaterLine } from './CardParts';
import { handsWords, HeatWords } from './HeatWords';

type Props = {
  tea: Tea;
  lot: Lot | null;
  trial: Version | null;
  version: Version;
  vessel: Vessel;
  water: Millilitres;
  warmed: boolean;
  card: Card | CardFault;
  busyWith: string | null;
  onWarmed: (w: boolean) => void;
  onStart: (warming: boolean) => void;
  onTrial: (trial: boolean) => void;
  onLot: (l: Lot) => void;
  /** Whose moment it would meet if it were poured now. */
  meets: { wait: number; name: string; place: number; at: string } | null;
  barFull: boolean;
  onQueue: (forWhom: string) => void;
};

/** The card worked out for this pour, and the act at its foot. */
export function PourCard({
  tea,
  lot,
  trial,
  version,
  vessel,
  water,
  warmed,
  card,
  busyWith,
  onWarmed,
  onStart,
  onTrial,
  onLot,
  meets,
  barFull,
  onQueue,
}: Props) {
  const units = useUnits();
  const { site } = useSession();
  const [open, setOpen] = useState(false);
  const [onScale, setOnScale] = useState(false);
  const [queueing, setQueueing] = useState(false);
  const good = card.kind === 'card';
  const { recipe } = version;
  const why = !good
    ? cardFaultWords(card)
    : busyWith
      ? `${vessel.name} is in use: ${busyWith}.`
      : barFull
        ? 'Twelve are on the bar: judge one or clear it first.'
        : null;
  return (
    <section className="paper" aria-label="The card">
      <div className="card-title">
        <Cup liquor={houseLiquorOf(tea, recipe)} size={56} />
        <div>
          <div className="tea">{tea.name}</div>
          <p className="small">
            {tea.lots.length > 1 ? (
              <select
                className="lot-pick"
                aria-label="Lot"
                value={lot?.id ?? ''}
                onChange={(e) => {
                  const l = tea.lots.find((x) => x.id === e.target.value);
                  if (l) onLot(l);
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
            ) : null}
            {[
              tea.lots.length > 1 ? '' : lot?.name,
              tea.words,
              version.state === 'trial'
                ? `on trial, version ${version.number}`
                : `house recipe, version ${version.number}`,
              recipe.origin && `from ${recipe.origin}, not dialled in`,
            ]
              .filter(Boolean)
              .join(' · ')}
            {trial && (
              <button
                type="button"
                className="btn quiet slim"
                onClick={() => onTrial(version.state !== 'trial')}
              >
                {version.state === 'trial'
                  ? 'Back to the house recipe'
                  : `Try version ${trial.number}`}
              </button>
            )}
          </p>
        </div>
      </div>
      {good ? (
        <dl className="spec">
          <dt>Leaf</dt>
          <dd>
            <span className="big" data-testid="leaf">
              {numberText(card.leaf)}
              <span className="u">g</span>
            </span>
            <Spoons card={card} tea={tea} lot={lot} />
          </dd>
          <dt>Water</dt>
          <dd>
            <WaterLine water={water} card={card} vessel={vessel} />
          </dd>
          <dt>Heat</dt>
          <dd>
            <span className="mid">
              {degrees(card.temperature, units.temperature)}
              <span className="u">°{units.temperature}</span>
            </span>
            <HeatWords card={card} />
          </dd>
          <dd className="full">
            <SteepRule
              window={recipe.window}
              width={420}
              liquorAfter={(s) => liquorAfter(tea, recipe, s)}
            />
            <p>{handsWords(recipe, vessel)}</p>
            <CupForecast
              brew={brewingOf({
                tea,
                recipe,
                vessel,
                leaf: card.leaf,
                water,
                onLeaf: card.onLeaf,
                time: recipe.window.best,
                ambient: site.ambient,
              })}
              standing={predictionBasis(tea)}
            />
          </dd>
        </dl>
      ) : (
        <div className="mt-4">
          <Note bad>
            <b>This pour cannot be brewed.</b> {cardFaultWords(card)}
          </Note>
        </div>
      )}
      {good && <Cautions card={card} tea={tea} vessel={vessel} />}
      <div className="flex items-center gap-3 justify-between">
        {recipe.warm || warmed ? (
          <label className="check">
            <input type="checkbox" checked={warmed} onChange={(e) => onWarmed(e.target.checked)} />
            Vessel warmed first
          </label>
        ) : good && card.prewarmNeeded ? (
          <label className="check">
            <input type="checkbox" checked={warmed} onChange={(e) => onWarmed(e.target.checked)} />
            Warm the vessel: cold, it cannot reach the heat
          </label>
        ) : (
          <span />
        )}
        <span className="flex">
          <button
            type="button"
            className="btn quiet slim"
            disabled={!good}
            onClick={() => setOnScale(true)}
          >
            On the scale
          </button>
          <button
            type="button"
            className="btn quiet slim"
            disabled={!good}
            onClick={() => setOpen(true)}
          >
            The working
          </button>
        </span>
      </div>
      {meets && good && !why && (
        <p className="meets" role="status">
          Poured now, it meets <span className="tea">{meets.name}</span>, place {meets.place}, at{' '}
          {meets.at}.{' '}
          {meets.wait > 0 ? (
            <button type="button" className="btn slim" onClick={() => onStart(true)}>
              Get it ready, pour in {minutesText(meets.wait)}
            </button>
          ) : (
            'Another hand then.'
          )}
        </p>
      )}
      {why && good && (
        <p className="font-semibold text-warn" role="alert">
          {why}
        </p>
      )}
      <div className="foot">
        {good && (
          <p className="in-reach">
            <b>{numberText(card.leaf)} g</b>{' '}
            {card.bags ? bagsText(card.bags) : card.spoons ? spoonsText(card.spoons) : ''} in{' '}
            {volumeText(water, units.volume)},{' '}
            {temperatureText(card.temperature, units.temperature)},{' '}
            {minutesText(recipe.window.best)}
          </p>
        )}
        {warmed && (
          <button
            type="button"
            className="btn go"
            disabled={why !== null}
            onClick={() => onStart(true)}
          >
            Warm the {vessel.kind === 'pot' ? 'pot' : 'vessel'} <kbd>Space</kbd>
          </button>
        )}
        <button
          type="button"
          className={`btn ${warmed ? '' : 'go'}`}
          disabled={why !== null}
          onClick={() => onStart(false)}
        >
          Water on: start <kbd>Enter</kbd>
        </button>
        <button
          type="button"
          className="btn quiet slim"
          disabled={!good}
          onClick={() => setQueueing(true)}
        >
          Up next, for ...
        </button>
      </div>
      <Sheet title={`${tea.name} is up next`} open={queueing} onClose={() => setQueueing(false)}>
        <ForWhom
          vessel={vessel.name}
          onAdd={(forWhom) => {
            setQueueing(false);
            onQueue(forWhom);
          }}
        />
      </Sheet>
      {good && (
        <Sheet
          title={`${numberText(card.leaf)} g of ${tea.name}`}
          open={onScale}
          onClose={() => setOnScale(false)}
        >
          <ScalePanel target={card.leaf} onTake={() => setOnScale(false)} takeWords="That is it" />
        </Sheet>
      )}
      <Sheet title={`${tea.name} in the ${vessel.name}`} open={open} onClose={() => setOpen(false)}>
        {good && (
          <div className="working">
            {workingOf(toCardInput({ tea, lot, version, vessel, site, water, warmed }), card).map(
              (l) => (
                <p key={l.of}>
                  <b>{l.of}</b> {l.text}.
                </p>
              ),
            )}
            <p className="small">
              Leaf is rounded to 0.1 g, as a scale shows it. Heat: standard physics; wall and pour
              loss from memory unless measured here.
            </p>
          </div>
        )}
      </Sheet>
    </section>
  );
}
