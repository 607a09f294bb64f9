import {
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { Link, useSearchParams } from 'react-router';
import { SAMPLE_PHOTOS } from '#core/camera';
import {
  CUP_DEPTH_CM,
  type CupAt,
  deltaE00,
  hexOf,
  type Lab,
  labOf,
  type Liquor,
  LIQUOR_SHARE,
  type PhotoReading,
  readableDepth,
  standardCup,
  strengthFromColour,
  strengthVerdict,
  timeFromColour,
  timeOfColour,
} from '#core/colour';
import type { ColourStrength } from '#core/fitting';
import { houseLiquor } from '#core/recipes';
import type { StyleId } from '#core/styles';
import { minutesText, numberText, parseWithin, seconds } from '#core/units';
import type { Brew } from '#contracts/brews';
import type { OpenTasting } from '#contracts/tastings';
import type { Tea } from '#contracts/teas';
import { useBrewQuery } from '../../entities/brews/api';
import { useSetBrewPhotoMutation } from '../../entities/brews/logApi';
import { signedPercent, strengthWords } from '../../entities/brews/strength';
import { useBrewCommands } from '../../entities/brews/useBrewCommands';
import { useBookQuery } from '../../entities/teas/api';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { newId } from '../../platform/ids';
import { screenCheck } from '../../platform/screenCheck';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { useGo } from '../../platform/useGo';
import { dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { LevelMark } from '../../ui/LevelMark';
import { Loading, Note, Nothing } from '../../ui/Note';
import { PickList } from '../../ui/PickList';
import { TypedPick } from '../../ui/TypedPick';
import { exerciseName } from './cups';
import { photoWorker } from './photo/photo';
import { useTasting } from './useTasting';

/** Larger files are no photo of a cup. */
const MOST_BYTES = 60_000_000;
type Cups = { readonly sample: CupAt; readonly reference: CupAt };
type Picture = {
  readonly bitmap: ImageBitmap;
  readonly width: number;
  readonly height: number;
  /** The style of a made-up photo; null: a real one. */ readonly madeUp: StyleId | null;
};

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
            <PickList
              label="Tea"
              shown={tea.name}
              className="tea"
              filter="Type a name"
              chosen={tea}
              choices={teas.map((t) => ({ value: t, text: t.name, words: t.words }))}
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
            <h2 className="mt-4 font-bold text-[15px]">Made-up photos to try it with</h2>
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

/** The picture with its circles: dragged, or moved by keys. */
function Photo({
  picture,
  cups,
  beside,
  onMove,
}: {
  picture: Picture;
  cups: Cups;
  beside: boolean;
  onMove: (c: Cups) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const held = useRef<keyof Cups | null>(null);
  useEffect(() => {
    canvas.current?.getContext('2d')?.drawImage(picture.bitmap, 0, 0);
  }, [picture]);
  const at = (e: PointerEvent<SVGElement>) => {
    const box =
      e.currentTarget.ownerSVGElement?.getBoundingClientRect() ??
      e.currentTarget.getBoundingClientRect();
    return {
      x: ((e.clientX - box.left) / box.width) * picture.width,
      y: ((e.clientY - box.top) / box.height) * picture.height,
    };
  };
  const put = (which: keyof Cups, c: Partial<CupAt>) => {
    const next = { ...cups[which], ...c };
    onMove({
      ...cups,
      [which]: {
        x: Math.max(0, Math.min(picture.width, next.x)),
        y: Math.max(0, Math.min(picture.height, next.y)),
        r: Math.max(20, Math.min(picture.height, next.r)),
        rim: null,
      },
    });
  };
  // A circle let go near a liquor lies down on its edge; moved by key it stays where it is put.
  const drop = (which: keyof Cups) => {
    held.current = null;
    void photoWorker()
      .snap(cups[which])
      .then((c) => onMove({ ...cups, [which]: c }));
  };
  const keyed = (which: keyof Cups) => (e: KeyboardEvent) => {
    const c = cups[which];
    const step = {
      ArrowLeft: { x: c.x - 1 },
      ArrowRight: { x: c.x + 1 },
      ArrowUp: { y: c.y - 1 },
      ArrowDown: { y: c.y + 1 },
      '+': { r: c.r + 2 },
      '-': { r: c.r - 2 },
    }[e.key];
    if (!step) return;
    e.preventDefault();
    e.stopPropagation();
    put(which, step);
  };
  const line = picture.width / 400;
  return (
    <div className="photo">
      <canvas ref={canvas} width={picture.width} height={picture.height} aria-hidden="true" />
      <svg viewBox={`0 0 ${picture.width} ${picture.height}`}>
        {(beside ? (['reference', 'sample'] as const) : (['sample'] as const)).map((which) => {
          const c = cups[which];
          return (
            <g
              key={which}
              tabIndex={0}
              role="slider"
              aria-label={which === 'reference' ? 'Reference: the house cup' : 'Sample: this cup'}
              aria-valuenow={Math.round(c.x)}
              aria-valuetext={`${Math.round(c.x)} across, ${Math.round(c.y)} down, ${Math.round(c.r)} wide`}
              onKeyDown={keyed(which)}
              onPointerDown={(e) => {
                held.current = which;
                e.currentTarget.setPointerCapture(e.pointerId);
              }}
              onPointerMove={(e) => {
                if (held.current === which) put(which, at(e));
              }}
              onPointerUp={() => drop(which)}
            >
              <circle
                cx={c.x}
                cy={c.y}
                r={c.r * LIQUOR_SHARE}
                fill="transparent"
                stroke="#fff"
                strokeWidth={line * 2.4}
              />
              <circle
                cx={c.x}
                cy={c.y}
                r={c.r * LIQUOR_SHARE}
                fill="none"
                stroke="#14191d"
                strokeWidth={line * 1.6}
                strokeDasharray={`${line * 5} ${line * 4}`}
              />
              <rect
                x={c.x - line * 44}
                y={c.y + c.r * 1.36}
                width={line * 88}
                height={line * 13}
                fill="#14191d"
              />
              <text
                x={c.x}
                y={c.y + c.r * 1.36 + line * 9.4}
                fontSize={line * 8.4}
                fill="#fff"
                textAnchor="middle"
              >
                {which === 'reference' ? 'reference: house' : 'sample: this cup'}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}

const ON_TARGET = 'As it should be';
/** No layer is easily poured thinner, cm (from memory). */
const SHALLOWEST = 0.5;
const REFUSED = {
  checks: ['Not this picture', 'One thing must be put right first.'],
  tooDark: [
    'Too dark to tell',
    'At this depth a cup so dark looks the same when it is stronger still.',
  ],
  tooPale: ['Too pale to tell', 'There is too little colour in it for a figure.'],
  offCurve: [
    'Not this tea’s colour',
    'It lies off every strength of it: another tea, another light, or the circle is not on the liquor.',
  ],
} as const;

const STATES = { inOrder: 'in order', minded: 'minded', notMet: 'not met' } as const;

const Checks = ({ checks }: { checks: PhotoReading['checks'] }) => (
  <ul className="checks">
    {checks.map((c) => (
      <li key={c.name} className={c.state}>
        <span>{STATES[c.state]}</span>
        <span>{c.words}</span>
      </li>
    ))}
  </ul>
);

const Shallow = ({ depth, colour }: { depth: number; colour: string }) => {
  const bowl = 'M8 12c2 28 10 40 34 40s32-12 34-40';
  const top = 52 - Math.max(6, depth * 9);
  return (
    <svg width="320" height="66" aria-hidden="true">
      <path d="M12 22c4 22 12 29 30 29s26-7 30-29z" fill={colour} />
      <path d={bowl} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      <path d="M112 36h40m-10-8 10 8-10 8" fill="none" stroke="var(--ink)" strokeWidth="2" />
      <g transform="translate(176 0)">
        <clipPath id="shallow-bowl">
          <path d={`${bowl}z`} />
        </clipPath>
        <rect x="0" y={top} width="90" height="60" fill={colour} clipPath="url(#shallow-bowl)" />
        <path d={bowl} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      </g>
      <path d="M0 53H320" stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
};

function Answer({
  reading,
  tea,
  target,
  madeUp,
  depth,
  onKeep,
  keeps,
  picture,
}: {
  keeps: string;
  picture: ReactNode;
  reading: PhotoReading;
  tea: Tea;
  target: Liquor;
  madeUp: StyleId | null;
  depth: number;
  onKeep: ((r: Extract<PhotoReading, { kind: 'read' }>) => void) | null;
}) {
  const recipe = tea.house?.recipe;
  if (!recipe) return null;
  const checks = <Checks checks={reading.checks} />;
  if (reading.kind === 'refused') {
    const [head, why] = REFUSED[reading.why];
    const shallow = readableDepth(target, depth) ?? SHALLOWEST;
    return (
      <>
        <h2>No reading</h2>
        <p className="answer">{head}</p>
        <p className="text-[18px] font-semibold">{why}</p>
        {reading.why === 'tooDark' && (
          <>
            <h2 className="mt-3">What to do</h2>
            <Shallow depth={shallow} colour={reading.swatch ?? '#28201e'} />
            <p>
              Pour both cups <b>{numberText(shallow * 10, 0)} mm deep</b>, say so above, and take
              the picture again. Or one part with three of hot water, both cups alike.
            </p>
          </>
        )}
        {reading.why === 'tooPale' && (
          <>
            <h2 className="mt-3">What to do</h2>
            <p>A deeper layer tells more: fill both cups higher. Or judge it by taste.</p>
          </>
        )}
        <h2 className="mt-3">Checks</h2>
        {checks}
      </>
    );
  }
  const standard = madeUp ? timeFromColour(madeUp, reading.lab, depth) : null;
  const time = standard
    ? standard.edge
      ? null
      : standard.value
    : timeOfColour(reading.lab, (s) => houseLiquor(tea, recipe, seconds(s)), recipe.window.best);
  const on = reading.verdict === 'onTarget';
  return (
    <>
      <h2>
        Reading
        <small>
          {reading.way === 'reference' ? 'against the cup beside it' : 'by its white rim'}
        </small>
      </h2>
      <p className="answer">{on ? ON_TARGET : strengthWords(reading.strength)}</p>
      <p className="text-[18px] font-semibold">
        {on
          ? `within what colour can tell (${signedPercent(reading.strength)} %)`
          : `than ${reading.way === 'reference' ? 'the reference' : 'the house cup'}`}
        {time !== null
          ? `: as strong as about ${minutesText(Math.round(time / 5) * 5)} at the recipe`
          : ''}
      </p>
      <Range {...reading} />
      <p className="small">
        Says how strong, not why: more leaf, heat or time look alike. The bracket holds it about two
        times in three.
      </p>
      <div className="swatches">
        <span style={{ background: reading.referenceSwatch }} />
        <span style={{ background: reading.swatch }} />
      </div>
      <p className="swatch-names">
        <span>{reading.way === 'reference' ? 'reference' : 'house cup'}</span>
        <span>sample, {numberText(reading.apart)} apart (1 is just seen)</span>
      </p>
      <ScreenWords />
      <h2 className="mt-3">Accepted</h2>
      {checks}
      {onKeep && picture}
      {onKeep && (
        <div className="foot">
          <button type="button" className="btn go" onClick={() => onKeep(reading)}>
            {keeps}
          </button>
        </div>
      )}
    </>
  );
}
/** What is known of the screen that the swatches stand on. */
function ScreenWords() {
  const screen = screenCheck();
  return (
    <p className="small">
      {screen?.passed ? (
        `This screen was checked ${dayText(screen.at)}: it will do.`
      ) : (
        <>
          {screen ? 'This screen failed its check' : 'This screen was not checked'}: the figure
          stands, the swatches may mislead.{' '}
          <Link className="underline" to="/table/screen">
            Check it
          </Link>
        </>
      )}
    </p>
  );
}

/** The reading on a rule: the line is the house cup. Half either way, or as far as it takes. */
function Range({ strength, low, high }: ColourStrength) {
  const wide = Math.max(Math.abs(low - 1), Math.abs(high - 1)) > 0.5;
  const span = wide ? Math.max(1, Math.ceil((high - 1) * 1.05)) : 0.5;
  const x = (s: number) => 180 + Math.max(-1, Math.min(1, (s - 1) / span)) * 165;
  const ticks = wide
    ? [1 - span / 2, 1, 1 + span / 2, 1 + span].filter((s) => s > 0)
    : [0.6, 0.8, 1, 1.2, 1.4];
  return (
    <svg
      width="360"
      height="62"
      viewBox="0 0 360 62"
      className="flex-none"
      role="img"
      aria-label={`${signedPercent(strength)} %, likely between ${signedPercent(low)} and ${signedPercent(high)} %`}
    >
      <text
        x={Math.max(84, Math.min(276, x(strength)))}
        y="13"
        fontSize="14"
        fontWeight="700"
        textAnchor="middle"
        fill="var(--ink)"
      >
        {signedPercent(strength)}, between {signedPercent(low)} and {signedPercent(high)}
      </text>
      <path
        d={`M${x(low)} 32v-9H${x(high)}v9`}
        fill="none"
        stroke="var(--accent)"
        strokeWidth="3"
      />
      <path d="M8 33H352" stroke="var(--ink)" strokeWidth="2" />
      <LevelMark x={x(strength)} y={33} size={13} />
      {ticks.map((s) => (
        <g key={s}>
          <path d={`M${x(s)} 33v6`} stroke="var(--ink)" />
          <text
            x={Math.min(336, x(s))}
            y="54"
            fontSize="13"
            textAnchor="middle"
            fill="var(--ink-2)"
          >
            {s === 1 ? 'as it should be' : `${signedPercent(s)} %`}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** A colour reader's own figures instead of a picture. */
function Instrument({
  tea,
  depth,
  onKeep,
  keeps,
}: {
  tea: Tea;
  depth: number;
  keeps: string;
  onKeep: ((r: ColourStrength) => void) | null;
}) {
  const [typed, setTyped] = useState(['', '', '']);
  const lab = typed.map((t) => Number(t.replace(',', '.'))) as unknown as Lab;
  const given =
    typed.every((t) => t.trim() !== '') &&
    lab.every(Number.isFinite) &&
    lab[0] >= 0 &&
    lab[0] <= 100;
  const recipe = tea.house?.recipe;
  const target = recipe ? houseLiquorOf(tea, recipe) : null;
  const model = target ? labOf(target, depth) : null;
  const r = given && target ? strengthFromColour(target, lab, depth) : null;
  const verdict = r ? strengthVerdict(r) : null;
  return (
    <>
      <h2>From an instrument</h2>
      <p className="small">Lab under D65, 2°, of the liquor at the depth above.</p>
      <div className="flex gap-2 mt-2">
        {['L*', 'a*', 'b*'].map((name, i) => (
          <label key={name} className="grid gap-1">
            <span className="text-[15px] font-semibold">{name}</span>
            <input
              className="box w-[96px]"
              inputMode="decimal"
              value={typed[i]}
              aria-label={name}
              onChange={(e) => setTyped((t) => t.map((v, j) => (j === i ? e.target.value : v)))}
            />
          </label>
        ))}
      </div>
      {r &&
        verdict &&
        model &&
        (verdict === 'refuse' ? (
          <p className="mt-3 text-[18px] font-semibold">
            Not this tea’s colour: {numberText(r.residual)} off every strength of it.
          </p>
        ) : verdict === 'uninformative' ? (
          <p className="mt-3 text-[18px] font-semibold">
            Colour says nothing here:{' '}
            {lab[0] < 45 ? 'take a shallower layer' : 'take a deeper layer'}.
          </p>
        ) : (
          <>
            <p className="answer mt-3">
              {verdict === 'onTarget' ? ON_TARGET : strengthWords(r.value)}
            </p>
            <Range
              strength={r.value}
              low={r.value * Math.exp(-r.error)}
              high={r.value * Math.exp(r.error)}
            />
            <div className="swatches">
              <span style={{ background: hexOf(model) }} />
              <span style={{ background: hexOf(lab) }} />
            </div>
            <p className="swatch-names">
              <span>house cup</span>
              <span>measured, {numberText(deltaE00(lab, model))} apart</span>
            </p>
            <p className="small">Says how strong, not why.</p>
            {onKeep && (
              <button
                type="button"
                className="btn go mt-3"
                onClick={() =>
                  onKeep({
                    strength: r.value,
                    low: r.value * Math.exp(-r.error),
                    high: r.value * Math.exp(r.error),
                  })
                }
              >
                {keeps}
              </button>
            )}
          </>
        ))}
      {model && (
        <p className="small mt-3">
          The house cup of {tea.name} is expected at {model.map((v) => numberText(v)).join(', ')} (
          {predictionBasis(tea).toLowerCase()}, not measured).
        </p>
      )}
    </>
  );
}
