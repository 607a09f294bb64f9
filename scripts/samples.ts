import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { renderSample, SAMPLE_PHOTOS, sampleFile } from '#core/camera';

mkdirSync('public/samples', { recursive: true });
for (const [i, s] of SAMPLE_PHOTOS.entries()) {
  const {
    picture: { data, width, height },
  } = renderSample(s);
  await sharp(Buffer.from(data), { raw: { width, height, channels: 4 } })
    .removeAlpha()
    .jpeg({ quality: 92, chromaSubsampling: '4:4:4' })
    .toFile(join('public', sampleFile(i)));
}
