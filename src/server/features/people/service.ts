import type { Deps } from '../../deps';
import { createDeviceService } from './devices';
import { createPeopleService } from './people';
import { createSessionService } from './sessions';
import { createSiteService } from './sites';

/** Sessions, people and sites. */
export const createAccounts = (deps: Deps, claimWord = '') => ({
  sessions: createSessionService(deps, claimWord),
  people: createPeopleService(deps),
  devices: createDeviceService(deps),
  sites: createSiteService(deps),
});
export type Accounts = ReturnType<typeof createAccounts>;
