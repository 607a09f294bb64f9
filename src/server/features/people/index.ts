export { createAccounts, type Accounts } from './service';
export { accountRoutes, COOKIE, cookieOf } from './routes';
export { raiseToBrewer } from './people';
export { countTry, forgetMisses, guestKey } from './delay';
export { hashSecret, newToken, spokenCode, tokenHash } from './secrets';
export { allPeople, allSites, lockSite, siteById } from './repository';
