import { placeOfCode, wedgeReader } from './codes';

describe('a code', () => {
  test.each([
    ['http://limnos.local:8137/start?tea=a&vessel=b', '/start?tea=a&vessel=b'],
    ['https://10.0.0.4/book/abc', '/book/abc'],
    [' http://old.host/start?tea=a\n', '/start?tea=a'],
    ['/start?tea=a', '/start?tea=a'],
    ['https://limnos.local/cold/0197c000', '/cold/0197c000'],
    ['http://limnos.local/house', null],
    ['http://limnos.local/starting', null],
    ['4006381333931', null],
    ['javascript:alert(1)', null],
    ['', null],
  ])('%s leads to %s', (code, place) => expect(placeOfCode(code)).toBe(place));
});
describe('a scanner that types', () => {
  const type = (text: string, every: number, keys = wedgeReader()) =>
    [...text, 'Enter'].map((k, i) => keys(k, 1000 + i * every));
  const code = 'http://x.y/start?tea=a';
  test('its letters are told from a hand’s and its Enter gives the code', () => {
    const out = type(code, 8);
    expect(out.at(-1)?.whole).toBe(code);
    expect(out.slice(1).every((o) => o.ofCode)).toBe(true);
    expect(out[0]?.ofCode).toBe(false);
  });
  test('hands are never taken for one, however quick two keys are', () => {
    expect(type(code, 90).some((o) => o.ofCode || o.whole)).toBe(false);
    const keys = wedgeReader();
    expect(
      [keys('h', 900), keys('ArrowLeft', 905), keys('ArrowLeft', 910)].some((o) => o.ofCode),
    ).toBe(false);
    expect(
      [keys('5', 1000), keys(' ', 1010), keys('Shift', 1012), keys('4', 1015)].some(
        (o) => o.ofCode || o.whole,
      ),
    ).toBe(false);
  });
  test('a quick H and a figure are a hand’s: two cups of a drill, two keys of the bar', () => {
    const keys = wedgeReader();
    const typed = ['g', '7', 'h', '8', 'Enter'].map((k, i) => keys(k, 1000 + 10 * i));
    expect(typed.some((o) => o.ofCode || o.whole !== null)).toBe(false);
    const after = [...code, 'Enter'].map((k, i) => keys(k, 2000 + 8 * i));
    expect(after.at(-1)?.whole).toBe(code);
  });
  test('Shift between its letters does not break it; two codes one after the other are two', () => {
    const keys = wedgeReader();
    let at = 1000;
    const say = (text: string) =>
      [...text]
        .flatMap((c) => (c === '?' ? ['Shift', c] : [c]))
        .concat('Enter')
        .map((k) => keys(k, (at += 5)))
        .at(-1)?.whole;
    expect([say(code), say(code)]).toEqual([code, code]);
  });
});
