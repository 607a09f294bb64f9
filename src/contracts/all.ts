import * as brews from './brews';
import type { Endpoint } from './endpoint';
import * as exchange from './exchange';
import * as fits from './fits';
import * as history from './history';
import * as instruments from './kettles';
import * as live from './live';
import * as people from './people';
import * as print from './prints';
import * as shop from './shop';
import * as house from './sites';
import * as tastings from './tastings';
import * as book from './teas';
import * as shelf from './vessels';

const isEndpoint = (v: unknown): v is Endpoint =>
  typeof v === 'object' && v !== null && 'path' in v && 'access' in v;

/** Every endpoint there is, by name: the server mounts them, the tests walk them. */
export const ENDPOINTS: Readonly<Record<string, Endpoint>> = Object.fromEntries(
  [
    book,
    brews,
    exchange,
    fits,
    history,
    house,
    instruments,
    live,
    people,
    print,
    shelf,
    shop,
    tastings,
  ]
    .flatMap((m) => Object.entries(m))
    .filter((e): e is [string, Endpoint] => isEndpoint(e[1])),
);
