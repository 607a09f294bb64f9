export { escposOf } from './escpos';
export {
  LABEL_MM,
  PRINTER_DOTS,
  PRINTER_LANGUAGES,
  type Label,
  type LabelLine,
  type LabelStyle,
  type PrinterDots,
  type PrinterLanguage,
} from './label';
export { zplOf } from './zpl';
