export { house, people, personSites, sessions, signinMisses, sites } from './people';
export { teas, versions, vessels } from './book';
export { brewEvents, brews, leadNotes } from './brews';
