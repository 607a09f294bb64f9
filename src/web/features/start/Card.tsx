import { useState } from 'react';
import { toCardInput } from '#core/brews';
import { type Card, cardFaultWords, type CupsAsked, type Wish, workingOf } from '#core/recipes';
import { lotInUse } from '#core/teas';
import { numberText } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Lot, Tea } from '#contracts/teas';
import type { BrewedVessel } from '#contracts/vesselFacts';
import { useSession } from '../../entities/people/session';
import { ScalePanel } from '../../platform/scale/ScalePanel';
import { Sheet } from '../../ui/Dialog';
import { Note } from '../../ui/Note';
import { CardTools, Meets, StartFoot, Warming } from './CardActs';
import { Cautions } from './CardParts';
import { CardSpec } from './CardSpec';
import { CardTitle } from './CardTitle';
import { HeatOfCard, type PickedKettle } from './HeatOfCard';
import type { WorkedPour } from './pour';

type Props = {
  tea: Tea;
  lot: Lot | null;
  trial: Version | null;
  version: Version;
  vessel: BrewedVessel;
  pour: WorkedPour;
  cups: CupsAsked | null;
  warmed: boolean;
  wish: Wish;
  busyWith: string | null;
  kettle: PickedKettle;
  /** Cups poured one by one where the leaf stays in, and less leaf for them. */
  taper: { readonly cups: number; readonly onTaper: (tapered: boolean) => void };
  /** Its time is to be found by tasting. */
  explore: boolean;
  onExplore: (explore: boolean) => void;
  onWarmed: (w: boolean) => void;
  onStart: (warming: boolean) => void;
  onTrial: (trial: boolean) => void;
  onLot: (l: Lot) => void;
  /** Whose moment it would meet if it were poured now. */
  meets: { wait: number; name: string; place: number; at: string } | null;
  barFull: boolean;
};

/** Why this pour cannot be started; null when it can. */
function whyNot({
  pour,
  vessel,
  busyWith,
  barFull,
}: Pick<Props, 'pour' | 'vessel' | 'busyWith' | 'barFull'>): string | null {
  const { card } = pour;
  if (card.kind !== 'card') return cardFaultWords(card);
  if (busyWith) return `${vessel.name} is in use: ${busyWith}.`;
  return barFull ? 'Twelve are on the bar: judge one or clear it first.' : null;
}

type OpenSheet = 'scale' | 'working' | null;
/** The card worked out for this pour, and the act at its foot. */
export function PourCard(props: Props) {
  const { tea, lot, version, vessel, pour, warmed, meets } = props;
  const { water, card } = pour;
  const [sheet, setSheet] = useState<OpenSheet>(null);
  const good = card.kind === 'card' ? card : null;
  const why = whyNot(props);
  return (
    <section className="paper" aria-label="The card">
      <CardTitle
        tea={tea}
        lot={lot}
        version={version}
        trial={props.trial}
        onTrial={props.onTrial}
        onLot={props.onLot}
      />
      {good ? (
        <CardSpec
          {...{ tea, lot, vessel, water, card: good, cups: props.cups }}
          heat={<HeatOfCard {...props} card={good} />}
          recipe={pour.recipe}
          taper={props.taper}
          {...{ explore: props.explore, onExplore: props.onExplore }}
        />
      ) : (
        <div className="mt-4">
          <Note bad>
            <b>This pour cannot be brewed.</b> {why}
          </Note>
        </div>
      )}
      {good && <Cautions card={good} tea={tea} lot={lot ?? lotInUse(tea)} vessel={vessel} />}
      <div className="card-choices">
        <Warming
          asked={version.recipe.warm}
          needed={good?.prewarmNeeded ?? false}
          warmed={warmed}
          onWarmed={props.onWarmed}
        />
        <CardTools
          off={!good}
          onScale={() => setSheet('scale')}
          onWorking={() => setSheet('working')}
        />
      </div>
      {meets && good && !why && <Meets meets={meets} onStart={() => props.onStart(true)} />}
      {why && good && (
        <p className="font-semibold text-warn" role="alert">
          {why}
        </p>
      )}
      <StartFoot
        card={good}
        water={water}
        best={pour.recipe.window.best}
        vessel={vessel}
        warmed={warmed}
        off={why !== null}
        onStart={props.onStart}
      />
      <CardSheets {...props} card={good} open={sheet} onClose={() => setSheet(null)} />
    </section>
  );
}

/** What is opened over the card: the scale, the working. */
function CardSheets({
  tea,
  lot,
  version,
  vessel,
  pour: { water },
  warmed,
  wish,
  kettle: { chosen },
  card,
  open,
  onClose,
}: Props & { card: Card | null; open: OpenSheet; onClose: () => void }) {
  const { site } = useSession();
  const working = () =>
    card
      ? workingOf(
          toCardInput({ tea, lot, version, vessel, site, water, warmed, wish, kettle: chosen }),
          card,
        )
      : [];
  return (
    <>
      {card && (
        <Sheet
          title={`${numberText(card.leaf)} g of ${tea.name}`}
          open={open === 'scale'}
          onClose={onClose}
        >
          <ScalePanel target={card.leaf} onTake={onClose} takeWords="That is it" />
        </Sheet>
      )}
      <Sheet
        title={`${tea.name} in the ${vessel.name}`}
        open={open === 'working'}
        onClose={onClose}
      >
        {card && (
          <div className="working">
            {working().map((l) => (
              <p key={l.of}>
                <b>{l.of}</b> {l.text}.
              </p>
            ))}
            <p className="small">
              Leaf is rounded to 0.1 g, as a scale shows it. Heat: standard physics; wall and pour
              loss from memory unless measured here.
            </p>
          </div>
        )}
      </Sheet>
    </>
  );
}
