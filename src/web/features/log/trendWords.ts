import { numberText } from '#core/units';
import type { Measure } from '#contracts/log';

export const WIDTH = 836;

export const BOLD = { fontSize: 14, fontWeight: 700, fill: 'var(--ink)' } as const;

const signed = (v: number, digits: number): string => {
  const sign = v < 0 ? '−' : '+';
  return `${v === 0 ? '' : sign}${numberText(Math.abs(v), digits)}`;
};

export const WORDS: Record<
  Measure,
  { head: string; line: string; above: string; unit: (v: number) => string }
> = {
  pull: {
    head: 'From best',
    line: 'best',
    above: 'above the line late, below early; each point is its cup',
    unit: (v) => `${signed(v, 0)} s`,
  },
  colour: {
    head: 'Colour mark',
    line: 'as it should be',
    above: 'above the line darker, below lighter',
    unit: (v) => signed(v, 1),
  },
  clarity: {
    head: 'Clarity',
    line: 'clear',
    above: 'clear at the line, 1 hazy, 2 cloudy; cloudy is right for powder-dusted leaf',
    unit: (v) => numberText(v, 1),
  },
  verdict: {
    head: 'Marks off',
    line: 'right',
    above: 'marks off, all together',
    unit: (v) => numberText(v, 1),
  },
};
