// What a label printer would draw, as SVG: the commands that Limnos sends, and no others. For practice and for tests.
import QRCode from 'qrcode';

const textOf = (words) =>
  words.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`).replace(/[\u0000-\u001f]/g, '');
const page = (width, height, parts) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">` +
  `<rect width="${width}" height="${height}" fill="#fff"/>${parts.join('')}</svg>`;
/** `narrow`: letters of one width, so many dots each; 0: as the face has them. */
const letters = (x, y, size, words, { white = false, bold = false, narrow = 0 } = {}) =>
  `<text transform="translate(${x} ${Math.round(y + size * 0.8)}) scale(${narrow > 0 ? narrow / (size * 0.602) : 1} 1)"` +
  ` xml:space="preserve" font-family="${narrow > 0 ? 'monospace' : 'sans-serif'}" font-size="${size}"` +
  `${bold ? ' font-weight="700"' : ''} fill="${white ? '#fff' : '#000'}">${textOf(words)}</text>`;
/** A code of so many dots a side, each `dot` wide. */
function code(x, y, dot, words) {
  const { modules } = QRCode.create(words, { errorCorrectionLevel: 'M' });
  const parts = [];
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column))
        parts.push(
          `<rect x="${x + column * dot}" y="${y + row * dot}" width="${dot}" height="${dot}"/>`,
        );
  return { drawn: parts.join(''), side: modules.size * dot };
}

/** Labels of a ZPL text: each with its copies, its words and how it looks. */
export function labelsOfZpl(zpl) {
  return [...zpl.matchAll(/\^XA([^]*?)\^XZ/g)].map(([, body]) => {
    const number = (command, usual) =>
      Number(new RegExp(`\\^${command}(\\d+)`).exec(body)?.[1] ?? usual);
    const words = [];
    const parts = [];
    for (const field of body.split('^FS')) {
      const place = /\^FO(\d+),(\d+)/.exec(field);
      if (!place) continue;
      const [x, y] = [Number(place[1]), Number(place[2])];
      const box = /\^GB(\d+),(\d+),\d+,B/.exec(field);
      if (box) parts.push(`<rect x="${x}" y="${y}" width="${box[1]}" height="${box[2]}"/>`);
      const data = field.indexOf('^FD');
      if (data < 0) continue;
      const said = field
        .slice(data + 3)
        .replace(/_([0-9A-Fa-f]{2})/g, (_all, hex) => String.fromCharCode(parseInt(hex, 16)));
      const dot = /\^BQN,2,(\d+)/.exec(field);
      if (dot) {
        parts.push(code(x, y, Number(dot[1]), said.replace(/^MA,/, '')).drawn);
        words.push(said.replace(/^MA,/, ''));
      } else {
        parts.push(
          letters(x, y, Number(/\^A0N,(\d+)/.exec(field)?.[1]), said, {
            white: field.includes('^FR'),
          }),
        );
        words.push(said);
      }
    }
    return {
      copies: number('PQ', 1),
      words,
      svg: page(number('PW', 496), number('LL', 400), parts),
    };
  });
}

const [GS, ESC, LF] = [0x1d, 0x1b, 0x0a];
const WIDE = 576;
/** Labels of an ESC/POS stream: what is between two cuts. */
export function labelsOfEscpos(bytes) {
  const western = new TextDecoder('windows-1252');
  const labels = [];
  let at = 0;
  let label = null;
  let style = { size: 0, block: false, bold: false };
  let line = [];
  const begin = () => ({ copies: 1, words: [], parts: [], y: 10 });
  const endLine = () => {
    const said = western.decode(Uint8Array.from(line));
    line = [];
    const height = 24 * ((style.size & 7) + 1);
    const narrow = 12 * ((style.size >> 4) + 1);
    if (style.block)
      label.parts.push(`<rect x="0" y="${label.y}" width="${WIDE}" height="${height + 8}"/>`);
    const how = { white: style.block, bold: style.bold, narrow };
    label.parts.push(letters(8, label.y + 2, height, said, how));
    label.words.push(said);
    label.y += height + 12;
  };
  label = begin();
  while (at < bytes.length) {
    const [a, b, c] = [bytes[at], bytes[at + 1], bytes[at + 2]];
    if (a === ESC && b === 0x40) at += 2;
    else if (a === ESC && b === 0x74) at += 3;
    else if (a === ESC && b === 0x45) {
      style = { ...style, bold: c === 1 };
      at += 3;
    } else if (a === GS && b === 0x21) {
      style = { ...style, size: c };
      at += 3;
    } else if (a === GS && b === 0x42) {
      style = { ...style, block: c === 1 };
      at += 3;
    } else if (a === GS && b === 0x28) {
      const length = bytes[at + 3] + 256 * bytes[at + 4];
      if (bytes[at + 6] === 0x50) {
        const said = western.decode(bytes.slice(at + 8, at + 5 + length));
        const { drawn, side } = code(8, label.y, 4, said);
        label.parts.push(drawn);
        label.words.push(said);
        label.y += side + 12;
      }
      at += 5 + length;
    } else if (a === GS && b === 0x56) {
      labels.push({ copies: 1, words: label.words, svg: page(WIDE, label.y + 20, label.parts) });
      label = begin();
      at += 4;
    } else {
      if (a === LF) endLine();
      else line.push(a);
      at += 1;
    }
  }
  return labels;
}
/** Of whatever a printer was sent. */
export const labelsOf = (bytes) =>
  bytes[0] === ESC ? labelsOfEscpos(bytes) : labelsOfZpl(Buffer.from(bytes).toString('utf8'));
