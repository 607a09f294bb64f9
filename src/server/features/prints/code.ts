import QRCode from 'qrcode';
import type { Paper } from './page';

/** A code of an address, `side` mm wide. */
export function drawCode(p: Paper, address: string, x: number, y: number, side: number): void {
  const { size, data } = QRCode.create(address, { errorCorrectionLevel: 'M' }).modules;
  const cell = side / size;
  for (let r = 0; r < size; r++)
    for (let c = 0; c < size; c++) {
      // A hair wider than the cell, so that no white shows between two black ones.
      if (data[r * size + c]) p.rect(x + c * cell, y + r * cell, cell + 0.02, cell + 0.02);
    }
}
