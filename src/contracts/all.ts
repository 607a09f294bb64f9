import * as advice from './advice';
import * as audit from './audit';
import * as backups from './backups';
import * as batches from './batches';
import * as batchEvents from './batchEvents';
import * as batchPlan from './batchPlan';
import * as brewEvents from './brewEvents';
import * as brewPlan from './brewPlan';
import * as brews from './brews';
import * as calendar from './calendar';
import * as coldPlans from './coldPlans';
import * as devices from './devices';
import type { Endpoint } from './endpoint';
import * as exchange from './exchange';
import * as fits from './fits';
import * as fridge from './fridge';
import * as guests from './guests';
import * as history from './history';
import * as kettles from './kettles';
import * as live from './live';
import * as log from './log';
import * as openapi from './openapi';
import * as people from './people';
import * as printers from './printers';
import * as prints from './prints';
import * as probes from './probes';
import * as programs from './programs';
import * as recipes from './recipes';
import * as shop from './shop';
import * as sites from './sites';
import * as stock from './stock';
import * as tastingPapers from './tastingPapers';
import * as tastings from './tastings';
import * as teas from './teas';
import * as training from './training';
import * as verdicts from './verdicts';
import * as vessels from './vessels';

const isEndpoint = (v: unknown): v is Endpoint =>
  typeof v === 'object' && v !== null && 'path' in v && 'access' in v;

/** The contracts by resource. */
export const CONTRACTS: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {
  advice,
  audit,
  backups,
  batches,
  batchEvents,
  batchPlan,
  brewEvents,
  brewPlan,
  brews,
  calendar,
  coldPlans,
  devices,
  exchange,
  fits,
  fridge,
  guests,
  history,
  kettles,
  live,
  log,
  openapi,
  people,
  prints,
  printers,
  programs,
  probes,
  recipes,
  shop,
  sites,
  stock,
  tastingPapers,
  tastings,
  teas,
  training,
  verdicts,
  vessels,
};
/** Every endpoint there is, by name: the server mounts them, the tests walk them. */
export const ENDPOINTS: Readonly<Record<string, Endpoint>> = Object.fromEntries(
  Object.values(CONTRACTS)
    .flatMap((m) => Object.entries(m))
    .filter((e): e is [string, Endpoint] => isEndpoint(e[1])),
);
