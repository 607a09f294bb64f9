declare const unit: unique symbol;

/** A number whose unit lives in the type only; at run time it is a plain number. */
export type Quantity<U extends string> = number & { readonly [unit]: U };

export type Millilitres = Quantity<'ml'>;
export type Grams = Quantity<'g'>;
export type GramsPer100Ml = Quantity<'g/100ml'>;
export type GramsPerMl = Quantity<'g/ml'>;
export type Celsius = Quantity<'C'>;
export type Seconds = Quantity<'s'>;
export type Metres = Quantity<'m'>;
export type Kilopascals = Quantity<'kPa'>;
export type Millimetres = Quantity<'mm'>;
/** Milliseconds since 1970-01-01T00:00Z. */
export type EpochMs = Quantity<'epoch ms'>;

export const millilitres = (n: number): Millilitres => n as Millilitres;
export const grams = (n: number): Grams => n as Grams;
export const gramsPer100Ml = (n: number): GramsPer100Ml => n as GramsPer100Ml;
export const gramsPerMl = (n: number): GramsPerMl => n as GramsPerMl;
export const celsius = (n: number): Celsius => n as Celsius;
export const seconds = (n: number): Seconds => n as Seconds;
export const metres = (n: number): Metres => n as Metres;
export const kilopascals = (n: number): Kilopascals => n as Kilopascals;
export const millimetres = (n: number): Millimetres => n as Millimetres;
export const epochMs = (n: number): EpochMs => n as EpochMs;
