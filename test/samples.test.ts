import { join } from 'node:path';
import sharp from 'sharp';
import {
  cupsAt,
  renderSample,
  SAMPLE_PHOTOS,
  sampleFile,
  type SamplePhoto,
} from '../src/core/camera/index';
import { readPhoto, standardCup } from '../src/core/colour/index';

async function shipped(i: number) {
  const { data, info } = await sharp(join('public', sampleFile(i)))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data: new Uint8ClampedArray(data), width: info.width, height: info.height };
}
const named = SAMPLE_PHOTOS.map((s, i): [string, SamplePhoto, number] => [s.name, s, i]);

// Drawing takes a while: the first and the last stand for all.
test.each([named[0], named[9]] as typeof named)(
  '%s: the file is the picture the camera draws',
  async (_name, s, i) => {
    const [file, drawn] = [await shipped(i), renderSample(s).picture];
    expect([file.width, file.height]).toEqual([drawn.width, drawn.height]);
    let off = 0;
    for (let k = 0; k < file.data.length; k += 4)
      off += Math.abs((file.data[k] ?? 0) - (drawn.data[k] ?? 0));
    expect(off / (file.data.length / 4)).toBeLessThan(3);
  },
);
test.each(named)('%s: read from its file as it should be', async (name, s, i) => {
  const picture = await shipped(i);
  const at = cupsAt(s.alone ? 1 : 2, picture);
  const r = readPhoto({
    picture,
    sample: at.at(-1) ?? { x: 0, y: 0, r: 1 },
    reference: s.alone ? null : (at[0] ?? null),
    target: standardCup(s.style),
    depthCm: s.depthCm,
  });
  if (/too dark|too pale|burnt out|in the dark/.test(name)) expect(r.kind).toBe('refused');
  else {
    if (r.kind !== 'read') throw new Error(r.kind);
    expect(Math.abs(Math.log(r.strength / s.strength))).toBeLessThan(0.15);
  }
});
test('a file that ships carries nothing beside the picture', async () => {
  for (const i of SAMPLE_PHOTOS.keys())
    expect((await sharp(join('public', sampleFile(i))).metadata()).exif).toBeUndefined();
});
