import { type Celsius, celsius, type Kilopascals, kilopascals, type Metres } from '#core/units';

/**
 * Pressure of the International Standard Atmosphere (ISO 2533) at an altitude, -500 to 9000 m.
 * @throws {RangeError} outside that range.
 * @example pressureAt(metres(1500)) // 84.56 kPa
 */
export function pressureAt(altitude: Metres): Kilopascals {
  if (!(altitude >= -500 && altitude <= 9000))
    throw new RangeError(`altitude out of range: ${altitude} m`);
  return kilopascals(101.325 * (1 - 2.25577e-5 * altitude) ** 5.25588);
}

/** IAPWS-IF97 region 4 coefficients n1..n10 (IAPWS R7-97). */
const N = [
  1167.0521452767, -724213.16703206, -17.073846940092, 12020.82470247, -3232555.0322333,
  14.91510861353, -4823.2657361591, 405113.40542057, -0.23855557567849, 650.17534844798,
] as const;

/**
 * Boiling point of water at a pressure: IAPWS-IF97 region 4, backward equation (valid 0.611 kPa to 22.06 MPa).
 * @throws {RangeError} outside that range.
 * @example boilingAtPressure(kilopascals(101.325)) // 99.974 C
 */
export function boilingAtPressure(pressure: Kilopascals): Celsius {
  if (!(pressure >= 0.6113 && pressure <= 22064))
    throw new RangeError(`pressure out of range: ${pressure} kPa`);
  const beta = (pressure / 1000) ** 0.25;
  const e = beta * beta + N[2] * beta + N[5];
  const f = N[0] * beta * beta + N[3] * beta + N[6];
  const g = N[1] * beta * beta + N[4] * beta + N[7];
  const d = (2 * g) / (-f - Math.sqrt(f * f - 4 * e * g));
  const kelvin = (N[9] + d - Math.sqrt((N[9] + d) ** 2 - 4 * (N[8] + N[9] * d))) / 2;
  return celsius(kelvin - 273.15);
}

/** Boiling point at an altitude in the standard atmosphere. @example boilingAt(metres(1650)) // 94.48 C */
export const boilingAt = (altitude: Metres): Celsius => boilingAtPressure(pressureAt(altitude));
