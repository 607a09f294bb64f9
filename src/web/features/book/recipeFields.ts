import type { OwnStepTime, ServeOrder, ServingStyle } from '#core/recipes';
import type { School } from '#core/scaling';
import type { VolumeUnit } from '#core/units';
import type { AmountForm } from './amountForm';

export type WindowForm = { earliest: string; best: string; latest: string };
export type OwnStepForm = { when: OwnStepTime; at: string; words: string };
/** A recipe as its form holds it: as typed. */
export type RecipeForm = WindowForm &
  AmountForm & {
    temperature: string;
    later: WindowForm[];
    warm: boolean;
    lid: boolean;
    note: string;
    origin: string;
    school: School;
    knownWater: string;
    knownLeaf: string;
    /** What holds the known cup's leaf, as JSON: the value of a choice among vessels. */
    knownHold: string;
    smallWater: string;
    smallLeaf: string;
    largeWater: string;
    largeLeaf: string;
    rinse: string;
    stir: string;
    circles: boolean;
    root: string;
    squeeze: boolean;
    milk: boolean;
    order: ServeOrder;
    own: OwnStepForm[];
    leewayTime: string;
    leewayLeaf: string;
    bag: string;
    hotShare: string;
    hotHeat: string;
    hotTime: string;
    glasses: { style: ServingStyle; extract: string; water: string }[];
  };

/** The units a form is filled in with. */
export type FormUnits = { readonly temperature: 'C' | 'F'; readonly volume: VolumeUnit };
