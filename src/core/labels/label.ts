/** How a line of a label is shown. `block`: white on black, the one thing that must be seen. */
export type LabelStyle = 'name' | 'strong' | 'usual' | 'small' | 'block';
export type LabelLine = { readonly words: string; readonly style: LabelStyle };
/** What is glued on: lines from the top, and what a camera reads; empty: nothing. */
export type Label = { readonly lines: readonly LabelLine[]; readonly code: string };

/** Languages that label printers are spoken to in. */
export const PRINTER_LANGUAGES = ['zpl', 'escpos'] as const;
export type PrinterLanguage = (typeof PRINTER_LANGUAGES)[number];
/** Dots to the millimetre of common print heads: 203 and 300 to the inch. */
export const PRINTER_DOTS = [8, 12] as const;
export type PrinterDots = (typeof PRINTER_DOTS)[number];

/** The paper, mm: 62 wide, 50 high, as the labels on PDF. */
export const LABEL_MM = { width: 62, height: 50, margin: 3 } as const;
