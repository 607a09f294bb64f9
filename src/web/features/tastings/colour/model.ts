import { CUP_DEPTH_CM, type CupAt, type PhotoReading } from '#core/colour';
import type { Tea } from '#contracts/teas';
import type { Cups } from './cups';
import type { Picture } from './PhotoPicker';

// The colour reading as a state machine: what was chosen, and how far the photo has come. Pure; the page asks the
// worker and tells the outcome here.

/** A picture with its two circles; `unsure` says which circle has to be placed by hand. */
type Placed = {
  readonly picture: Picture;
  readonly cups: Cups;
  readonly unsure: string | null;
};
export type ShownPhoto =
  | ({ readonly kind: 'placed' } & Placed)
  | ({ readonly kind: 'read'; readonly reading: PhotoReading } & Placed);
/** While a picture is opened, or after one was refused, the one before stays in view. */
export type PhotoState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'loading'; readonly before: ShownPhoto | null }
  | ShownPhoto
  | { readonly kind: 'refused'; readonly why: string; readonly before: ShownPhoto | null };

export type ColourState = {
  readonly tea: Tea;
  /** Beside the house cup in one picture; else by the white rim of its own bowl. */
  readonly beside: boolean;
  /** How deep the liquor is, cm; null: not known. */
  readonly depth: number | null;
  readonly photo: PhotoState;
};
export type ColourEvent =
  | { readonly type: 'teaPicked'; readonly tea: Tea }
  | { readonly type: 'besideSet'; readonly beside: boolean }
  | { readonly type: 'depthSet'; readonly depth: number | null }
  /** One of the simulated photos: it says how it was taken. */
  | {
      readonly type: 'samplePicked';
      readonly tea: Tea | null;
      readonly beside: boolean;
      readonly depth: number;
    }
  | { readonly type: 'opening' }
  | { readonly type: 'refused'; readonly why: string }
  | { readonly type: 'opened'; readonly picture: Picture; readonly found: readonly CupAt[] }
  | { readonly type: 'moved'; readonly cups: Cups }
  | { readonly type: 'swapped' }
  /** Null: the worker has no picture to read. */
  | { readonly type: 'read'; readonly reading: PhotoReading | null };

/** How deep this house reads a tea, where that is on record; else the usual cup. */
export const depthOf = (t: Tea): number => t.swatches?.depthCm ?? t.colour?.depthCm ?? CUP_DEPTH_CM;
export const firstState = (tea: Tea): ColourState => ({
  tea,
  beside: true,
  depth: depthOf(tea),
  photo: { kind: 'idle' },
});

/** The picture in view; null before the first. */
export function shownPhoto(photo: PhotoState): ShownPhoto | null {
  switch (photo.kind) {
    case 'idle':
      return null;
    case 'loading':
    case 'refused':
      return photo.before;
    case 'placed':
    case 'read':
      return photo;
  }
}
/** What is wrong with the picture, in words; null: nothing. */
export function troubleOf(photo: PhotoState): string | null {
  if (photo.kind === 'refused') return photo.why;
  return photo.kind === 'placed' || photo.kind === 'read' ? photo.unsure : null;
}

/** Where the circles begin: on the cups that were found, else where cups are in most pictures. */
function firstCups({ width, height }: Picture, found: readonly CupAt[], beside: boolean): Cups {
  const guess = (x: number): CupAt => ({
    x: width * x,
    y: height / 2,
    r: Math.min(width, height) * 0.2,
  });
  const [reference, sample] = found;
  const alone = reference ?? guess(0.5);
  return {
    reference: reference ?? guess(0.3),
    sample: sample ?? (beside ? guess(0.7) : alone),
  };
}
function unsureOf(found: number, beside: boolean): string | null {
  if (found >= (beside ? 2 : 1)) return null;
  return found === 0
    ? 'No cup was found for sure. Drag each dashed circle onto its liquor.'
    : 'Only one cup was found for sure. Drag the other dashed circle onto its liquor.';
}

export function colourReducer(state: ColourState, event: ColourEvent): ColourState {
  const shown = shownPhoto(state.photo);
  switch (event.type) {
    case 'teaPicked':
      return { ...state, tea: event.tea, depth: depthOf(event.tea) };
    case 'besideSet':
      return { ...state, beside: event.beside };
    case 'depthSet':
      return { ...state, depth: event.depth };
    case 'samplePicked':
      return {
        ...state,
        tea: event.tea ?? state.tea,
        beside: event.beside,
        depth: event.depth,
      };
    case 'opening':
      return { ...state, photo: { kind: 'loading', before: shown } };
    case 'refused':
      return { ...state, photo: { kind: 'refused', why: event.why, before: shown } };
    case 'opened':
      return {
        ...state,
        photo: {
          kind: 'placed',
          picture: event.picture,
          cups: firstCups(event.picture, event.found, state.beside),
          unsure: unsureOf(event.found.length, state.beside),
        },
      };
    case 'moved':
      // The reading stays until the next is there.
      return shown ? { ...state, photo: { ...shown, cups: event.cups } } : state;
    case 'swapped': {
      if (!shown) return state;
      const { sample, reference } = shown.cups;
      return {
        ...state,
        photo: { ...shown, cups: { sample: reference, reference: sample } },
      };
    }
    case 'read': {
      if (state.photo.kind !== 'placed' && state.photo.kind !== 'read') return state;
      const { picture, cups, unsure } = state.photo;
      const placed = { picture, cups, unsure };
      const { reading } = event;
      return {
        ...state,
        photo: reading ? { kind: 'read', ...placed, reading } : { kind: 'placed', ...placed },
      };
    }
  }
}

/** The largest picture that is opened, bytes. */
const MOST_BYTES = 60_000_000;
/** Why a file is not even opened; null when it may be a picture. */
export function fileFault(f: Pick<File, 'name' | 'type' | 'size'>): string | null {
  if (/\.(heic|heif)$/i.test(f.name) || /hei[cf]/.test(f.type))
    return 'That is a HEIC picture, which browsers do not read. On the phone choose “most compatible” for the camera, or send the picture as JPEG.';
  if (!f.type.startsWith('image/')) return `“${f.name}” is not a picture.`;
  if (f.size > MOST_BYTES)
    return `“${f.name}” has ${Math.round(f.size / 1e6)} MB. Take it smaller: 60 MB at most.`;
  return null;
}
