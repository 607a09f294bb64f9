import { type Celsius, type Millilitres, millilitres, type Seconds } from '#core/units';
import type { Material } from './contact';
import type { CoolingRate, CoolingVessel } from './cooling';
import { type CoolingFit, fitCooling, fitPourLoss, type PourLossFit } from './fitKettle';
import type { SetPoints } from './setPoints';

// A kettle of the house: what it can be set to, and what its own readings say of it.

type KettleReading = {
  readonly kind: 'cooling' | 'poured';
  readonly boil: string;
  readonly seconds: Seconds;
  readonly celsius: Celsius;
  readonly kettleCelsius: Celsius | null;
  readonly water: Millilitres;
  readonly ambient: Celsius;
};
/** A kettle as the house keeps it, with its readings, the oldest first. */
export type KettleRecord = {
  readonly name: string;
  readonly kind: 'kettle' | 'urn' | 'jug';
  readonly volume: Millilitres;
  readonly material: Material;
  readonly lid: boolean;
  readonly setPoints: SetPoints | null;
  readonly readings: readonly KettleReading[];
};
/** Usual filling where nothing was read: most of it. */
const FILLED = 0.85;
/** What a kettle's readings say: how it cools, and what its pour loses. */
export type KettleFit = {
  readonly usual: CoolingVessel;
  readonly fit: CoolingFit;
  readonly loss: PourLossFit | null;
  /** The room it was last read in; null: never. */
  readonly ambient: Celsius | null;
};
export function fitOfKettle({ volume, material, lid, readings }: KettleRecord): KettleFit {
  const cooling = readings.filter((r) => r.kind === 'cooling');
  const last = cooling.at(-1);
  const usual: CoolingVessel = {
    volume: last?.water ?? millilitres(volume * FILLED),
    ...{ material, lid },
  };
  const poured = readings.flatMap(({ kind, kettleCelsius, celsius: t, ambient }) =>
    kind === 'poured' && kettleCelsius !== null
      ? [{ kettle: kettleCelsius, poured: t, ambient }]
      : [],
  );
  return {
    usual,
    ambient: last?.ambient ?? null,
    fit: fitCooling(
      cooling.map(({ boil, seconds: at, celsius: temperature, ambient }) => ({
        ...{ boil, at, temperature, ambient },
      })),
      usual,
    ),
    loss: fitPourLoss(poured),
  };
}

/** A kettle as a pour reckons with it. */
export type HouseKettle = Pick<
  KettleRecord,
  'name' | 'kind' | 'volume' | 'material' | 'lid' | 'setPoints'
> & {
  /** Its own cooling and the loss of its pour, where its readings say; null: as is usual. */
  readonly rate: CoolingRate | null;
  readonly pourLoss: number | null;
};
export function houseKettle(record: KettleRecord): HouseKettle {
  const { name, kind, volume, material, lid, setPoints } = record;
  const { fit, loss } = fitOfKettle(record);
  return {
    ...{ name, kind, volume, material, lid, setPoints },
    rate: fit.kind === 'fitted' ? fit.rate : null,
    pourLoss: loss?.loss ?? null,
  };
}
