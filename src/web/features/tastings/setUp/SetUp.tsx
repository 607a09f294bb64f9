import { useMemo, useState } from 'react';
import { ATTRIBUTES } from '#core/corrections';
import { methodFor, mostOnLeaf, siteBoiling } from '#core/recipes';
import {
  cupName,
  type Factor,
  HAND_SECONDS,
  housePour,
  likeForLike,
  PAIR_ASKS,
  type PairAsks,
  type PlannedCup,
  scheduleFor,
  STANDARD_DOSE,
  standardPreparation,
  valueText,
} from '#core/tastings';
import { CUP_COUNTS, cupsFor, type CupWish, USUAL_CUP_COUNT } from '#core/tastings';
import { LOT_WORDS, lotInUse, recipeFor } from '#core/teas';
import {
  celsius,
  grams,
  millilitres,
  minutesText,
  numberText,
  temperatureText,
  volumeText,
} from '#core/units';
import { INFUSER_KINDS, INFUSERS } from '#core/vessels';
import type { Tea, Version } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useNamesQuery } from '../../../entities/people/api';
import { useSession, useUnits } from '../../../entities/people/session';
import { useSetUpTastingMutation } from '../../../entities/tastings/setUpApi';
import { Cup } from '../../../entities/teas/Cup';
import { TeaPick } from '../../../entities/teas/TeaPick';
import { failureOf } from '../../../platform/api';
import { now } from '../../../platform/clock';
import { newId } from '../../../platform/ids';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Note } from '../../../ui/Note';
import { PickList } from '../../../ui/PickList';
import { CupFigures } from '../CupFigures';
import { cupsWords, liquorOfCup, WAY_WORDS } from '../cups';
import { KINDS } from './kinds';

export function SetUp({
  teas,
  vessels,
  first,
  lotId,
}: {
  teas: readonly Tea[];
  vessels: readonly Vessel[];
  first: Tea;
  lotId: string | null;
}) {
  const { site, personId } = useSession();
  const units = useUnits();
  const go = useGo();
  const { data: names } = useNamesQuery(site.id);
  const [save, { isLoading: isSaving, error }] = useSetUpTastingMutation();
  const [tea, setTea] = useState(first);
  const [vessel, setVessel] = useState(vessels[0] as Vessel);
  const [exercise, setExercise] = useState<CupWish>({
    kind: lotId ? 'dialIn' : 'ladder',
    way: 'seconds',
  });
  const [asks, setAsks] = useState<PairAsks>('strength');
  const [n, setN] = useState(4);
  const [standard, setStandard] = useState(false);
  const [ofLot, setOfLot] = useState(lotId);
  const [own, setOwn] = useState<readonly PlannedCup[] | null>(null);
  const [tasters, setTasters] = useState<readonly string[]>([personId]);
  const [saidSo, setSaidSo] = useState(false);
  const [id] = useState(newId);
  const { kind, way, compares } = exercise;
  // Only teas with a house recipe are offered.
  const version = (recipeFor(tea, methodFor(vessel))?.house ?? tea.house) as Version;
  const house = useMemo(
    () =>
      standard
        ? standardPreparation(
            vessel.mark,
            mostOnLeaf(
              { water: vessel.mark, vessel, site, warmed: false },
              grams((vessel.mark * STANDARD_DOSE) / 100),
              siteBoiling(site),
            ),
          )
        : housePour(version.recipe, vessel.mark),
    [standard, version, vessel, site],
  );
  const cups = useMemo(
    () => own ?? cupsFor(house, version.recipe, exercise, n),
    [own, house, version, exercise, n],
  );
  // What is dialled in is the lot that came last; all else is tasted of the one in use.
  const lot =
    tea.lots.find((l) => l.id === ofLot) ??
    (kind === 'dialIn' ? tea.lots.find((l) => l.state === 'new') : undefined) ??
    lotInUse(tea);
  const of = { tea, recipe: version.recipe, vessel };
  const alike = likeForLike(cups, way, compares);
  const schedule = scheduleFor({
    kind,
    way,
    compares,
    cups: cups.map((plan) => ({ plan, codes: [] })),
  });
  const fresh = () => {
    setOwn(null);
    setSaidSo(false);
  };
  const change = (i: number, what: Factor, v: number) => {
    setOwn(cups.map((c, j) => (j === i ? { ...c, [what]: v } : c)));
    setSaidSo(false);
  };
  const bound = kind !== 'dialIn' && kind !== 'calibration';
  const asksWhy = bound && (alike.alsoDiffers.length > 0 || alike.same);
  const ready = tasters.length > 0 && (!asksWhy || saidSo) && !isSaving;
  const set = async () => {
    if (!ready) return;
    const made = await save({
      id,
      siteId: site.id,
      teaId: tea.id,
      lotId: lot?.id ?? null,
      versionId: version.id,
      vesselId: vessel.id,
      kind,
      way,
      asks,
      ...(compares && { compares }),
      cups: [...cups],
      tasterIds: [...tasters],
      at: Math.round(now()),
    });
    if ('data' in made) go(`/table/${id}`);
  };
  useKeys([
    { key: 'Enter', does: 'Set it up', run: () => void set() },
    { key: 'Escape', does: 'Back to the table', run: () => go('/table') },
  ]);
  const text = (v: number) => valueText(way, v, units);
  return (
    <main className="page split set-up">
      <h1 className="visually-hidden">Set up a tasting</h1>
      <div className="say">
        <PickList
          label="Exercise"
          shown={
            KINDS.find(
              (k) =>
                k.value === exercise || (k.value.kind === kind && k.value.way === way && !compares),
            )?.text ?? ''
          }
          choices={KINDS}
          onPick={(e) => {
            setExercise(e);
            setN(USUAL_CUP_COUNT[e.kind] ?? 2);
            fresh();
          }}
        />
        <span>of</span>
        <TeaPick
          tea={tea}
          teas={teas}
          onPick={(t) => {
            setTea(t);
            setOfLot(null);
            fresh();
          }}
        />
        {kind === 'dialIn' && tea.lots.length > 0 && (
          <PickList
            label="Lot"
            shown={lot?.name ?? 'no lot'}
            chosen={lot ?? undefined}
            choices={tea.lots.map((l) => ({ value: l, text: `${l.name}, ${LOT_WORDS[l.state]}` }))}
            onPick={(l) => setOfLot(l.id)}
          />
        )}
        <span>in the</span>
        <PickList
          label="Vessel"
          shown={vessel.name}
          chosen={vessel}
          choices={vessels.map((v) => ({
            value: v,
            text: `${v.name}, ${volumeText(millilitres(v.mark), units.volume)}`,
          }))}
          onPick={(v) => {
            setVessel(v);
            fresh();
          }}
        />
        {CUP_COUNTS[kind] && (
          <>
            <span>with</span>
            <PickList
              label="Cups"
              shown={cupsWords(cups.length)}
              chosen={n}
              choices={(CUP_COUNTS[kind] ?? []).map((k) => ({ value: k, text: cupsWords(k) }))}
              onPick={(k) => {
                setN(k);
                fresh();
              }}
            />
          </>
        )}
        {kind !== 'dialIn' && (
          <>
            <span>made by</span>
            <PickList
              label="Made by"
              shown={standard ? 'standard preparation' : 'the house recipe'}
              chosen={standard}
              choices={[
                { value: false, text: 'the house recipe' },
                { value: true, text: 'standard preparation: 2 g per 100 ml, boiling, 6:00' },
              ]}
              onPick={(v) => {
                setStandard(v);
                fresh();
              }}
            />
          </>
        )}
        {kind === 'pair' && (
          <>
            <span>asking</span>
            <PickList
              label="Asks"
              shown={
                asks === 'preferred'
                  ? 'which is liked better'
                  : `which has more: ${ATTRIBUTES[asks].label.toLowerCase()}`
              }
              chosen={asks}
              choices={PAIR_ASKS.map((a) => ({
                value: a,
                text:
                  a === 'preferred'
                    ? 'which is liked better'
                    : `which has more: ${ATTRIBUTES[a].label.toLowerCase()}`,
              }))}
              onPick={setAsks}
            />
          </>
        )}
      </div>
      <section className="work">
        <h2>
          {kind === 'dialIn' ? 'First round' : 'Cups'}
          <small>
            {kind === 'dialIn'
              ? `${lot?.name ?? 'the lot'} on the house recipe`
              : kind === 'calibration'
                ? 'each in two bowls, so that everybody meets it twice without knowing'
                : compares
                  ? 'touch what differs to change it'
                  : `touch a figure to change it; the ${standard ? 'standard' : 'house'} cup is ${text(house[way])}`}
          </small>
        </h2>
        <table className="grid-table plain rungs">
          <thead>
            <tr>
              <th className="l">expected colour</th>
              {compares && <th className="l">{compares === 'steep' ? 'steep' : 'infuser'}</th>}
              <th>leaf</th>
              <th>water</th>
              <th>heat</th>
              <th>time</th>
            </tr>
          </thead>
          <tbody>
            {cups.map((c, i) => (
              <tr key={i}>
                <td className="l">
                  <Cup liquor={liquorOfCup(of, c, c.seconds)} size={46} />
                </td>
                {compares === 'steep' && <td className="l">{cupName(c)}</td>}
                {compares === 'infuser' && (
                  <td className="l">
                    <PickList
                      label={`Cup ${i + 1}, infuser`}
                      shown={cupName(c)}
                      chosen={c.infuser}
                      choices={INFUSER_KINDS.map((k) => ({ value: k, text: INFUSERS[k].label }))}
                      onPick={(k) => {
                        setOwn(cups.map((x, j) => (j === i ? { ...x, infuser: k } : x)));
                        setSaidSo(false);
                      }}
                    />
                  </td>
                )}
                <CupFigures
                  n={i + 1}
                  cup={c}
                  strong={compares || kind === 'dialIn' || kind === 'calibration' ? null : way}
                  onValue={(what, v) => change(i, what, v)}
                />
              </tr>
            ))}
          </tbody>
        </table>
        {own && (
          <button type="button" className="btn quiet slim" onClick={fresh}>
            As it was worked out
          </button>
        )}
        <h2 className="mt-4">
          Tasters<small>each on their own phone or tablet, or one passed round</small>
        </h2>
        <div className="toggles" role="group" aria-label="Tasters">
          {(names?.people ?? []).map((p) => (
            <button
              type="button"
              key={p.id}
              className="toggle"
              aria-pressed={tasters.includes(p.id)}
              onClick={() =>
                setTasters((t) => (t.includes(p.id) ? t.filter((x) => x !== p.id) : [...t, p.id]))
              }
            >
              {p.name}
            </button>
          ))}
        </div>
      </section>
      <section className="paper" aria-label="What is to be done">
        <h2>Weigh out</h2>
        <p className="text-[19px]">
          {compares === 'steep'
            ? `${cups[0]?.grams} g, once`
            : cups.map((c) => `${c.grams} g`).join(', ')}
          .{' '}
          {cups.length > 1 && compares !== 'steep'
            ? `Together ${numberText(
                cups.reduce((a, c) => a + c.grams, 0),
                2,
              )} g of leaf and`
            : 'With'}{' '}
          {volumeText(millilitres(cups.reduce((a, c) => a + c.water, 0)), units.volume)} of water at{' '}
          {temperatureText(celsius(Math.max(...cups.map((c) => c.celsius))), units.temperature)}.
        </p>
        <h2 className="mt-3">One clock</h2>
        <p>
          {schedule.kind === 'inTurn'
            ? `One leaf, one vessel: each steep is poured off into its own bowl and water goes on again at once, ${minutesText(schedule.length)} in all. The first bowls are kept covered.`
            : schedule.kind === 'oneClock'
              ? `Water on all ${cups.length} in one pass; each is poured off at its own time, the last at ${minutesText(schedule.length)}.`
              : cups.length === 1
                ? `One cup, lifted ${minutesText(schedule.length)} from the start.`
                : `Starts are counted back, so that all are lifted ${HAND_SECONDS} s apart and tasted together, ${minutesText(schedule.length)} from the start.`}
          {schedule.tight.length > 0
            ? ` ${schedule.tight.length === 1 ? 'One moment lies' : `${schedule.tight.length} moments lie`} closer than ${HAND_SECONDS} s to the one before: take a second hand.`
            : ''}
        </p>
        {schedule.kind === 'together' && <p className="small">Taste when all are near 55 °C.</p>}
        {kind === 'dialIn' && (
          <>
            <h2 className="mt-3">Round by round</h2>
            <p>
              Everybody marks this cup against the house cup as they know it. What is off is
              corrected, and the corrected cup is beside this one in the next round, until every
              mark is within half a step. It may take days; the lot waits.
            </p>
          </>
        )}
        {kind === 'calibration' && (
          <>
            <h2 className="mt-3">What it shows</h2>
            <p>
              Each taster scores every bowl 0 to 10. The result says how far each taster is from the
              others, and how far apart the two bowls of one cup were scored.
            </p>
          </>
        )}
        {bound && <h2 className="mt-3">Like for like</h2>}
        {bound && !asksWhy && (
          <p>Only the {compares === 'steep' ? 'steep' : (compares ?? WAY_WORDS[way])} differs.</p>
        )}
        {asksWhy && (
          <Note bad>
            {alike.same ? (
              <>
                The {compares ?? WAY_WORDS[way]} is the same in every cup: there is nothing to tell.
              </>
            ) : (
              <>
                Besides the {compares ?? WAY_WORDS[way]}, the{' '}
                {alike.alsoDiffers.map((w) => WAY_WORDS[w]).join(' and the ')} differs: what is
                tasted cannot be laid to one of them.
              </>
            )}
          </Note>
        )}
        {asksWhy && (
          <label className="check">
            <input type="checkbox" checked={saidSo} onChange={(e) => setSaidSo(e.target.checked)} />
            It is meant so
          </label>
        )}
        <p className="cautions mt-3">
          <span>
            <b>Scalds:</b> pour with the cups on the table, never while somebody holds one.
          </span>
          {tea.allergens && (
            <span className="strong">
              <b>Allergens: {tea.allergens}.</b> Ask every taster.
            </span>
          )}
        </p>
        {error && <Note bad>{failureOf(error).message}</Note>}
        <div className="foot">
          <button type="button" className="btn go" disabled={!ready} onClick={() => void set()}>
            {tasters.length === 0 ? 'Choose who tastes' : 'Set it up'} <kbd>Enter</kbd>
          </button>
        </div>
      </section>
    </main>
  );
}
