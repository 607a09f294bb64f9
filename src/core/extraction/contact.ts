import { type Character, GRADES } from '#core/styles';
import type { Grams, Millilitres } from '#core/units';
import { type InfuserKind, INFUSERS } from '#core/vessels';
import { AGITATION, type Agitation } from './constants';

export type LeafContact = {
  readonly leaf: Grams;
  readonly agitation?: Agitation;
  readonly infuser?: InfuserKind;
  /** The vessel's own basket: crowds any infuser, loose leaf too. Else the infuser's usual one. */
  readonly basket?: Millilitres | null;
  /** What multiplies the whole, for the lever "stir, roomier infuser" of a correction. */
  readonly contact?: number;
};

/** Opened leaf against basket at which contact has fallen to a half. From memory. */
const HALF_CROWDED = 1.3;

/** How much crowded leaf is held back, 1 when it opens freely. `crowding` = opened leaf over basket. */
export function crowdFactor(crowding: number): number {
  const c = crowding / HALF_CROWDED;
  return 1 / (1 + c * c * c);
}

/**
 * Contact of leaf and water against loose whole leaf lying still: style x grade x motion x infuser x crowding. A
 * factor on every rate; 1 for the style's own leaf, loose and still, times the style's rate.
 */
export function contactFactor(
  c: Character,
  { leaf, agitation = 'still', infuser = 'free', basket = null, contact = 1 }: LeafContact,
): number {
  const room = basket ?? INFUSERS[infuser].basketMl;
  const crowd = room === null ? 1 : crowdFactor((leaf * c.swell) / room);
  return (
    c.rate *
    GRADES[c.grade].rate *
    AGITATION[agitation] *
    INFUSERS[infuser].contact *
    crowd *
    contact
  );
}
