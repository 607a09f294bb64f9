import { expose, transfer } from 'comlink';
import { sampleFile } from '#core/camera';
import {
  type CupAt,
  findCups,
  type PhotoAsk,
  type PhotoReading,
  type Pixels,
  readPhoto,
  snapCup,
} from '#core/colour';

/** Pictures are worked at most so wide or high, px: more tells no more of a colour. */
const MOST = 1280;
export type Opened =
  | {
      readonly ok: true;
      readonly width: number;
      readonly height: number;
      readonly bitmap: ImageBitmap;
      readonly cups: readonly CupAt[];
    }
  | { readonly ok: false };

let picture: Pixels | null = null;
/** Counts what was asked to be opened: one that is ready late does not take the place of one asked for after it. */
let asked = 0;
async function shown(p: Pixels, cups: readonly CupAt[], turn: number): Promise<Opened> {
  if (turn === asked) picture = p;
  const bitmap = await createImageBitmap(
    new ImageData(new Uint8ClampedArray(p.data), p.width, p.height),
  );
  return transfer({ ok: true as const, width: p.width, height: p.height, bitmap, cups }, [bitmap]);
}

async function decoded(file: Blob): Promise<Pixels | null> {
  const whole = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const k = Math.min(1, MOST / Math.max(whole.width, whole.height));
  const [width, height] = [
    Math.max(1, Math.round(whole.width * k)),
    Math.max(1, Math.round(whole.height * k)),
  ];
  const canvas = new OffscreenCanvas(width, height);
  const pen = canvas.getContext('2d', { willReadFrequently: true });
  if (!pen) return null;
  pen.drawImage(whole, 0, 0, width, height);
  whole.close();
  const { data } = pen.getImageData(0, 0, width, height);
  return { data, width, height };
}
async function opened(file: () => Blob | Promise<Blob>): Promise<Opened> {
  const turn = (asked += 1);
  try {
    const pixels = await decoded(await file());
    return pixels ? await shown(pixels, findCups(pixels), turn) : { ok: false };
  } catch {
    return { ok: false };
  }
}

const worker = {
  /** Decodes a picture, upright and made small, and keeps its pixels here. */
  open: (file: Blob): Promise<Opened> => opened(() => file),
  /** One of the made-up photos that ship, read as any other. */
  sample: (i: number): Promise<Opened> => opened(async () => (await fetch(sampleFile(i))).blob()),
  read(ask: Omit<PhotoAsk, 'picture'>): PhotoReading | null {
    return picture ? readPhoto({ ...ask, picture }) : null;
  },
  /** The picture as it was worked: at most so large, and nothing beside its pixels. Null when there is none. */
  async small(): Promise<Blob | null> {
    if (!picture) return null;
    const canvas = new OffscreenCanvas(picture.width, picture.height);
    canvas
      .getContext('2d')
      ?.putImageData(
        new ImageData(new Uint8ClampedArray(picture.data), picture.width, picture.height),
        0,
        0,
      );
    return canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 });
  },
  /** A circle drawn by hand, moved onto the liquor's edge; as it was drawn where there is none near it. */
  snap(drawn: CupAt): CupAt {
    return (picture && snapCup(picture, drawn)) ?? drawn;
  },
};
export type PhotoWorker = typeof worker;
expose(worker);
