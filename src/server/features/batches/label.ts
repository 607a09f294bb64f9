import { drawCode, onSheets, type Paper } from '../prints';
import { labelFacts, type LabelledBatch } from './labelFacts';

/** A label of 62 x 50 mm. */
const [WIDE, HIGH, MARGIN] = [62, 50, 3];
const RULED = 38;
const CODE_SIDE = 15.5;

/** What is glued on a batch: what it is, when its leaf went in, when to lift it, when to throw it out. */
export function batchLabel(label: LabelledBatch): Promise<Buffer> {
  const { batch } = label;
  return onSheets(
    WIDE,
    HIGH,
    { title: `${batch.tea.name}, ${batch.vesselName}`, author: batch.startedBy.name },
    [(p) => drawLabel(p, label)],
  );
}

function drawLabel(p: Paper, label: LabelledBatch) {
  const facts = labelFacts(label);
  const right = WIDE - MARGIN;
  let size = 6.1;
  while (size > 3.4 && p.widthOf(facts.name, 'book', size) > right - MARGIN) size -= 0.2;
  p.text(facts.name, MARGIN, 2, { face: 'book', size });
  p.text(facts.measures, MARGIN, 9.4, { size: 2.9, width: right - MARGIN });
  p.line(MARGIN, 13.6, MARGIN + RULED, 13.6, 0.5);
  facts.times.forEach(([what, when], i) => {
    const y = 14.4 + i * 5.9;
    p.text(what, MARGIN, y + 0.7, { size: 3.2 });
    p.text(when, MARGIN + 13, y, { face: 'bold', size: 4 });
    p.line(MARGIN, y + 5.1, MARGIN + RULED, y + 5.1, 0.3);
  });
  drawCode(p, label.address, right - CODE_SIDE, 14, CODE_SIDE);
  p.text(facts.allergens, right - CODE_SIDE - 1, 30.4, {
    size: 2.6,
    width: CODE_SIDE + 1,
  });
  p.text(facts.codeAndBy, MARGIN, 33, {
    size: 2.9,
    width: RULED,
  });
  drawDiscard(p, facts.discard, right - MARGIN);
}

/** The one block in white on black: until when it is kept, as large as there is room. */
function drawDiscard(p: Paper, when: string, width: number) {
  const [y, height, wordWidth, edge] = [38.6, 8.4, 12.5, 1.5];
  const room = width - wordWidth - 2 * edge;
  let size = 5.7;
  while (size > 3 && p.widthOf(when, 'bold', size) > room) size -= 0.1;
  // The word's block reaches under that of the time: no white shows between them.
  p.reversed('discard', MARGIN, y, wordWidth + 1, height, 3.2);
  p.reversed(when, MARGIN + wordWidth, y, width - wordWidth, height, size);
}
