export {
  SITE_REASON_LETTERS,
  SITE_REASON_WORDS,
  SITE_REASONS,
  type SiteReason,
} from './siteRecipe';
export {
  FIRST_VOCABULARY,
  LEAF_FORM_NAMES,
  LEAF_FORMS,
  LEAF_WORDS,
  leafAdvice,
  leafWords,
  NO_LEAF_FACTS,
  SEASON_NAMES,
  SEASONS,
  TRAIT_NAMES,
  TRAITS,
  type LeafFacts,
  type LeafForm,
  type Season,
  type Trait,
} from './leaf';
export { missedAllergens } from './allergens';
export { healthClaims } from './claims';
export {
  dayFault,
  lotAgeWords,
  lotNow,
  LOT_STATES,
  LOT_WORDS,
  type Day,
  type LotState,
} from './lots';
export { bagOf, lotInUse, measureOf, recipeFor, versionOfTheHouse } from './choice';
