/** Of an invented house; a test makes it and calls every one of these. */
export const EXAMPLE_IDS = {
  site: '01938a10-0000-7000-8000-000000000001',
  lead: '01938a10-0000-7000-8000-000000000002',
  tea: '01938a10-0000-7000-8000-000000000003',
  version: '01938a10-0000-7000-8000-000000000004',
  vessel: '01938a10-0000-7000-8000-000000000005',
  brew: '01938a10-0000-7000-8000-000000000006',
  order: '01938a10-0000-7000-8000-000000000007',
  program: '01938a10-0000-7000-8000-00000000000a',
  ticket: '01938a10-0000-7000-8000-00000000000b',
  device: '01938a10-0000-7000-8000-00000000000c',
} as const;
/** 11 March 2026, 14:20 Greenwich. */
export const EXAMPLE_AT = 1_773_238_800_000;

type Example = {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string | number>>;
  readonly body?: unknown;
};
const { site, lead, tea, version, vessel, brew, order, program, ticket, device } = EXAMPLE_IDS;

/** By endpoint, in an order in which they can be called. */
export const EXAMPLES: Readonly<Record<string, Example>> = {
  listNames: { params: { siteId: site } },
  signIn: { body: { personId: lead, siteId: site, secret: 'nine quiet kettles' } },
  getTea: { params: { id: tea } },
  getFit: { params: { id: tea } },
  getAdvice: { params: { id: tea } },
  getHistory: { params: { thing: 'tea', id: tea } },
  addOrder: {
    body: {
      id: order,
      siteId: site,
      teaId: tea,
      vesselId: vessel,
      water: 400,
      forWhom: 'table 4',
      rank: 1,
      at: EXAMPLE_AT,
    },
  },
  changeOrder: { params: { id: order }, body: { forWhom: 'table 5' } },
  startBrew: {
    body: {
      id: brew,
      siteId: site,
      teaId: tea,
      versionId: version,
      vesselId: vessel,
      water: 400,
      warmed: true,
      warming: false,
      place: 1,
      at: EXAMPLE_AT,
    },
  },
  addBrewEvent: {
    params: { id: brew },
    body: {
      id: '01938a10-0000-7000-8000-000000000008',
      kind: 'pull',
      at: EXAMPLE_AT + 60_000,
    },
  },
  getBrew: { params: { id: brew } },
  getPulls: { params: { id: tea } },
  listBrews: { query: { siteId: site, from: EXAMPLE_AT - 86_400_000 } },
  addFridgeReading: {
    body: {
      id: '01938a10-0000-7000-8000-000000000009',
      siteId: site,
      celsius: 4.2,
      at: EXAMPLE_AT,
    },
  },
  addDevice: { body: { id: device, siteId: site, name: 'Left tablet' } },
  addProgram: {
    body: {
      id: program,
      siteId: site,
      name: 'Till at the door',
      rights: ['orders', 'bar', 'book'],
      hook: null,
    },
  },
  getRecipeJsonLd: { params: { id: tea }, query: { water: 500 } },
  readProgramBook: {},
  addProgramOrder: { body: { id: ticket, teaId: tea, forWhom: 'ticket 12' } },
  listProgramOrders: {},
  readProgramBar: {},
  getAudit: { query: { kind: 'change', words: 'vessel' } },
  setMyUnits: { body: { temperature: 'C' } },
  changeFilter: { params: { id: site }, body: { changed: '2026-03-10' } },
  exportBrews: { params: { form: 'csv' }, query: { teaId: tea } },
  exportTable: { params: { table: 'teas' } },
  exportCold: {
    params: { table: 'batches', form: 'csv' },
    query: { from: EXAMPLE_AT - 86_400_000, to: EXAMPLE_AT },
  },
};
