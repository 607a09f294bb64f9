export { devices, house, people, personSites, sessions, signinMisses, sites } from './people';
export { lots, photos, siteRecipes, teas, versions, vessels } from './book';
export { audit, changes, imports } from './history';
export { printers } from './printers';
export { programMessages, programs } from './programs';
export { kettleReadings, kettles, spoons } from './shelf';
export {
  brewEvents,
  brewPhotos,
  brews,
  brewTerms,
  feed,
  feedHeads,
  leadNotes,
  orders,
} from './brews';
export { teaFits, tastingEvents, tastingGuests, tastings, tastingSeats } from './tastings';
export {
  batchEvents,
  batches,
  calendarEntries,
  calendarTokens,
  coldPlans,
  fridgeGaps,
  fridgeReadings,
  probes,
} from './cold';
export { lotStock, pockets } from './stock';
export { drillAnswers, signEvents, spoonWeighings } from './training';
