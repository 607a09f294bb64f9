import { useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { SAMPLE_PHOTOS } from '#core/camera';
import { CUP_DEPTH_CM, type CupAt, type PhotoReading, standardCup } from '#core/colour';
import type { ColourStrength } from '#core/fitting';
import type { StyleId } from '#core/styles';
import { minutesText, numberText, parseWithin } from '#core/units';
import type { Brew } from '#contracts/brews';
import type { OpenTasting } from '#contracts/tastings';
import type { Tea } from '#contracts/teas';
import { useBrewQuery } from '../../../entities/brews/api';
import { useSetBrewPhotoMutation } from '../../../entities/brews/logApi';
import { useBrewCommands } from '../../../entities/brews/useBrewCommands';
import { useBookQuery } from '../../../entities/teas/api';
import { houseLiquorOf } from '../../../entities/teas/liquor';
import { TeaPick } from '../../../entities/teas/TeaPick';
import { newId } from '../../../platform/ids';
import { useAppDispatch } from '../../../platform/store';
import { toastShown } from '../../../platform/toasts';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Loading, Note, Nothing } from '../../../ui/Note';
import { PickList } from '../../../ui/PickList';
import { TypedPick } from '../../../ui/TypedPick';
import { exerciseName } from '../cups';
import { useTasting } from '../useTasting';
import type { Cups } from './cups';
import { Instrument } from './InstrumentReading';
import { photoWorker } from './photo';
import { MOST_BYTES, Photo, type Picture } from './PhotoPicker';
import { Answer } from './ReadingAnswer';

/**
 * How strong is this cup, by its colour: beside the house cup in one picture, by its rim, or by an instrument's
 * figures.
 */
export function ColourPage() {
  const { data: book } = useBookQuery();
  const [params] = useSearchParams();
  const wanted = params.get('brew');
  const { data, isLoading } = useBrewQuery(wanted ?? '', { skip: wanted === null });
  const table = useTasting(params.get('table') ?? '');
  const cup = Number(params.get('cup'));
  if (!book)
    return (
      <main className="page">
        <Loading what="the book" />
      </main>
    );
  const teas = book.teas.filter((t) => !t.retired && t.house);
  if (!teas[0])
    return (
      <main className="page p-6">
        <Nothing>The book has no tea with a house recipe yet.</Nothing>
      </main>
    );
  if (wanted && isLoading)
    return (
      <main className="page">
        <Loading what="the brew" />
      </main>
    );
  const brew = data?.brew ?? null;
  const view =
    table.view?.sees === 'all' && table.view.stage !== 'revealed' && table.view.exercise.cups[cup]
      ? table.view
      : null;
  const of = brew
    ? { kind: 'brew' as const, brew }
    : view
      ? {
          kind: 'cup' as const,
          view,
          cup,
          keep: (colour: ColourStrength) => table.does({ kind: 'measure', cup, colour }),
        }
      : null;
  return (
    <Colour
      teas={teas}
      of={of}
      first={
        teas.find((t) => t.id === (brew?.tea.id ?? view?.tea.id ?? params.get('tea'))) ?? teas[0]
      }
    />
  );
}

/** How deep this house reads a tea, where that is on record; else the usual cup. */
const depthOf = (t: Tea): number => t.swatches?.depthCm ?? t.colour?.depthCm ?? CUP_DEPTH_CM;
/** What a reading is kept with: a brew, or a cup of a table that is not revealed yet. */
type Of =
  | { readonly kind: 'brew'; readonly brew: Brew }
  | {
      readonly kind: 'cup';
      readonly view: OpenTasting;
      readonly cup: number;
      readonly keep: (colour: ColourStrength) => void;
    };
function Colour({ teas, first, of }: { teas: readonly Tea[]; first: Tea; of: Of | null }) {
  const brew = of?.kind === 'brew' ? of.brew : null;
  const [tea, setTea] = useState(first);
  const [beside, setBeside] = useState(true);
  const [depth, setDepth] = useState<number | null>(depthOf(first));
  const [picture, setPicture] = useState<Picture | null>(null);
  const [cups, setCups] = useState<Cups | null>(null);
  const [reading, setReading] = useState<PhotoReading | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const go = useGo();
  const recipe = tea.house?.recipe;
  // A made-up photo holds its style’s standard cup, not this house’s.
  const madeUp = picture?.madeUp ?? null;
  const target = useMemo(() => {
    if (madeUp) return standardCup(madeUp);
    if (recipe) return houseLiquorOf(tea, recipe);
    return null;
  }, [madeUp, tea, recipe]);
  useEffect(() => {
    if (!cups || !target) return;
    let gone = false;
    void photoWorker()
      .read({
        sample: cups.sample,
        reference: beside ? cups.reference : null,
        target,
        depthCm: depth,
      })
      .then((r) => {
        if (!gone) setReading(r);
      });
    return () => {
      gone = true;
    };
  }, [cups, beside, depth, target]);
  const show = async (
    open: ReturnType<ReturnType<typeof photoWorker>['open']>,
    what: string,
    of: StyleId | null = null,
  ) => {
    setBusy(true);
    const got = await open;
    setBusy(false);
    if (!got.ok)
      return setTrouble(`${what} could not be read as a picture. Take it as a JPEG or PNG.`);
    setTrouble(null);
    const { width, height, bitmap } = got;
    const [a, b] = got.cups;
    const guess = (x: number): CupAt => ({
      x: width * x,
      y: height / 2,
      r: Math.min(width, height) * 0.2,
    });
    setPicture({ bitmap, width, height, madeUp: of });
    setCups({ reference: a ?? guess(0.3), sample: b ?? (beside ? guess(0.7) : (a ?? guess(0.5))) });
    if (got.cups.length < (beside ? 2 : 1))
      setTrouble(
        got.cups.length === 0
          ? 'No cup was found for sure. Drag each dashed circle onto its liquor.'
          : 'Only one cup was found for sure. Drag the other dashed circle onto its liquor.',
      );
  };
  const take = (f: File | undefined) => {
    if (!f) return;
    if (/\.(heic|heif)$/i.test(f.name) || /hei[cf]/.test(f.type))
      return setTrouble(
        'That is a HEIC picture, which browsers do not read. On the phone choose “most compatible” for the camera, or send the picture as JPEG.',
      );
    if (!f.type.startsWith('image/')) return setTrouble(`“${f.name}” is not a picture.`);
    if (f.size > MOST_BYTES)
      return setTrouble(
        `“${f.name}” has ${Math.round(f.size / 1e6)} MB. Take it smaller: 60 MB at most.`,
      );
    void show(photoWorker().open(f), `“${f.name}”`);
  };
  const sample = (i: number) => {
    const s = SAMPLE_PHOTOS[i];
    if (!s) return;
    const suits = of ? undefined : teas.find((t) => t.style === s.style);
    if (suits) setTea(suits);
    setBeside(!s.alone);
    setDepth(s.depthCm);
    void show(photoWorker().sample(i), s.name, s.style);
  };
  const keeps = of?.kind === 'cup' ? 'Keep with this cup' : 'Keep with this brew';
  const commands = useBrewCommands();
  const dispatch = useAppDispatch();
  const [savePicture] = useSetBrewPhotoMutation();
  const [keepPicture, setKeepPicture] = useState(false);
  const sendPicture = async (brewId: string) => {
    try {
      const small = await photoWorker().small();
      if (small) await savePicture({ id: brewId, photo: newId(), body: small }).unwrap();
    } catch {
      dispatch(
        toastShown({ text: 'The reading is kept. Its picture could not be sent, and is not.' }),
      );
    }
  };
  const keep = (
    way: 'reference' | 'rim' | 'instrument',
    { strength, low, high }: ColourStrength,
    depthCm: number,
  ) => {
    if (of?.kind === 'cup') {
      of.keep({ strength, low, high });
      go(`/table/${of.view.id}`);
    }
    if (!brew) return;
    commands.colour(brew, { way, strength, low, high, depthCm });
    if (keepPicture && way !== 'instrument') void sendPicture(brew.id);
    go(`/log/${brew.id}`);
  };
  useKeys([
    { key: 'p', does: 'Take or choose a picture', run: () => file.current?.click() },
    { key: 'Escape', does: 'Back to the table', run: () => go('/table') },
  ]);
  return (
    <main
      className="page split colour-page"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        take(e.dataTransfer.files[0]);
      }}
    >
      <h1 className="visually-hidden">Colour reading</h1>
      <div className="say">
        {brew ? (
          <>
            <h2 className="font-normal">
              Colour of <span className="tea text-[25px]">{brew.tea.name}</span>
            </h2>
            <span className="small text-[16px]">
              {brew.plan.vessel.name}
              {'pulled' in brew.state
                ? `, ${brew.plan.pull.done.toLowerCase()} ${minutesText((brew.state.pulled - brew.state.waterOn) / 1000)}`
                : ''}
            </span>
          </>
        ) : of?.kind === 'cup' ? (
          <>
            <h2 className="font-normal">
              Colour of <span className="tea text-[25px]">{tea.name}</span>
            </h2>
            <span className="small text-[16px]">
              {exerciseName(of.view).toLowerCase()}, bowl{' '}
              {of.view.exercise.cups[of.cup]?.codes.join(' and ')}
            </span>
          </>
        ) : (
          <>
            <span>Colour of</span>
            <TeaPick
              tea={tea}
              teas={teas}
              onPick={(t) => {
                setTea(t);
                setDepth(depthOf(t));
              }}
            />
          </>
        )}
        <TypedPick
          label="Depth"
          text={depth === null ? 'depth unknown' : `${numberText(depth)} cm deep`}
          typed={depth === null ? '' : numberText(depth)}
          read={(t) => parseWithin(t, 'Liquor in a cup', 'cm', 0.3, 10)}
          onValue={setDepth}
        />
        <PickList
          label="Way"
          shown={beside ? 'beside the house cup' : 'by its white rim'}
          chosen={beside}
          choices={[
            { value: true, text: 'beside the house cup' },
            { value: false, text: 'by its white rim' },
          ]}
          onPick={setBeside}
        />
        <span className="gap" />
        <button
          type="button"
          className={picture ? 'btn' : 'btn go'}
          onClick={() => file.current?.click()}
        >
          {picture ? 'Another picture' : 'Take or choose a picture'} <kbd>P</kbd>
        </button>
        <input
          ref={file}
          type="file"
          accept="image/*"
          capture="environment"
          className="visually-hidden"
          aria-label="Picture"
          tabIndex={-1}
          onChange={(e) => {
            take(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </div>
      <section className="work">
        {trouble && <Note bad>{trouble}</Note>}
        {busy && (
          <p className="small" role="status">
            Looking at the picture.
          </p>
        )}
        {picture && cups ? (
          <>
            <Photo picture={picture} cups={cups} beside={beside} onMove={setCups} />
            <div className="photo-foot">
              <p>
                Drag a dashed circle that is off the liquor: let go, it lies down on the liquor’s
                edge.
                <span className="small">
                  {' '}
                  Arrow keys move the chosen circle by a pixel, + and − size it, Tab takes the
                  other. The picture stays on this device, unless you keep it with its brew.
                </span>
              </p>
              {beside && (
                <button
                  type="button"
                  className="btn"
                  onClick={() => setCups({ sample: cups.reference, reference: cups.sample })}
                >
                  Swap the two
                </button>
              )}
            </div>
          </>
        ) : (
          <div className="no-photo">
            <p className="text-[19px] font-semibold">
              Both cups in one picture, from above: the house cup left, yours right.
            </p>
            <ul className="small">
              <li>
                Same white bowls, same depth, standing side by side in one light, no lamp mirrored
                in them.
              </li>
              <li>Filters, night and HDR modes off. Drop the picture here, or take it.</li>
            </ul>
            <h2 className="mt-4 font-bold text-[15px]">Simulated photos to try</h2>
          </div>
        )}
        <div className="samples">
          {SAMPLE_PHOTOS.map((s, i) => (
            <button type="button" key={s.name} className="btn slim" onClick={() => sample(i)}>
              {s.name}
            </button>
          ))}
        </div>
      </section>
      <section className="paper" aria-label="Reading">
        {reading && picture && recipe && target ? (
          <Answer
            reading={reading}
            tea={tea}
            target={target}
            madeUp={madeUp}
            depth={depth ?? CUP_DEPTH_CM}
            onKeep={of && madeUp === null && depth !== null ? (r) => keep(r.way, r, depth) : null}
            keeps={keeps}
            picture={
              brew && (
                <label className="check mt-2">
                  <input
                    type="checkbox"
                    checked={keepPicture}
                    onChange={(e) => setKeepPicture(e.target.checked)}
                  />
                  Keep the picture too: made small, without its place and time
                </label>
              )
            }
          />
        ) : (
          <Instrument
            tea={tea}
            depth={depth ?? CUP_DEPTH_CM}
            onKeep={of ? (r) => keep('instrument', r, depth ?? CUP_DEPTH_CM) : null}
            keeps={keeps}
          />
        )}
      </section>
    </main>
  );
}
