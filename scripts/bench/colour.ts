// npm run bench:colour: strengths read from made-up photos: every style, strength, lamp and exposure. Prints JSON.
import { LAMP_NAMES, renderCups } from '#core/camera';
import { diluted, readPhoto, standardCup } from '#core/colour';
import { seeded } from '#core/numeric';
import { STYLE_IDS } from '#core/styles';

const STRENGTHS = [0.5, 0.7, 1, 1.4, 2];
const EXPOSURES = [-1, -0.5, 0, 0.5];
type Row = { way: string; style: string; lamp: string; ev: number; s: number; read: number | null; why: string };
const rows: Row[] = [];
for (const style of STYLE_IDS) for (const lamp of LAMP_NAMES) for (const ev of EXPOSURES) for (const s of STRENGTHS) for (const tone of [false, true]) {
  const house = standardCup(style);
  const { picture, at } = renderCups([{ liquor: house }, { liquor: diluted(house, s) }], { lamp, exposure: ev, toneCurve: tone, noise: 2 }, seeded(rows.length + 1), { width: 300, height: 190 });
  const [reference, sample] = at;
  if (!reference || !sample) continue;
  for (const [way, ref] of [['reference', reference], ['rim', null]] as const) {
    const r = readPhoto({ picture, sample, reference: ref, target: house, depthCm: 3.5 });
    rows.push({ way: `${way}${tone ? ', phone tone curve' : ''}`, style, lamp, ev, s, read: r.kind === 'read' ? r.strength : null, why: r.kind === 'refused' ? r.why : '' });
  }
}
const round = (v: number, d = 1) => Math.round(v * 10 ** d) / 10 ** d;
const sum = (list: readonly Row[]) => {
  const read = list.flatMap((r) => (r.read === null ? [] : [{ off: Math.abs(r.read / r.s - 1), sign: r.s === 1 || Math.sign(Math.log(r.read)) === Math.sign(Math.log(r.s)) }]));
  const why = (w: string) => list.filter((r) => r.why === w).length;
  return { shots: list.length, acceptedPercent: round((100 * read.length) / list.length), meanErrorPercent: read.length ? round((100 * read.reduce((a, r) => a + r.off, 0)) / read.length) : null, signRightPercent: read.length ? round((100 * read.filter((r) => r.sign).length) / read.length) : null, refused: { checks: why('checks'), tooDark: why('tooDark'), tooPale: why('tooPale'), offCurve: why('offCurve') } };
};
const by = (key: (r: Row) => string, list: readonly Row[]) => Object.fromEntries([...new Set(list.map(key))].map((k) => [k, sum(list.filter((r) => key(r) === k))]));
const main = rows.filter((r) => r.way === 'reference');
console.log(JSON.stringify({ bench: 'colour', all: by((r) => r.way, rows), referenceByLamp: by((r) => r.lamp, main), referenceByExposure: by((r) => String(r.ev), main), referenceByStrength: by((r) => String(r.s), main), referenceByStyle: by((r) => r.style, main) }, null, 1));
