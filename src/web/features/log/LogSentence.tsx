import { useState } from 'react';
import { Link } from 'react-router';
import { METHODS } from '#core/recipes';
import type { LogPart } from '#contracts/log';
import type { Role } from '#contracts/people';
import type { Site } from '#contracts/sites';
import type { Book } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { dayText } from '../../ui/days';
import { PickList } from '../../ui/PickList';
import { type Address, DAY_MS, dayName, dayStart, type PickChoice } from './filters';
import { Word } from './Word';
const VERDICTS: PickChoice[] = [
  { value: '', text: 'any way' },
  { value: 'right', text: 'right' },
  { value: 'off', text: 'not right' },
  { value: 'unjudged', text: 'not at all' },
];

const PULLS: PickChoice[] = [
  { value: '', text: 'any time' },
  { value: 'inWindow', text: 'in its window' },
  { value: 'outside', text: 'out of its window' },
  { value: 'early', text: 'early' },
  { value: 'late', text: 'late' },
  { value: 'forgotten', text: 'far too late' },
  { value: 'byEye', text: 'by eye' },
  { value: 'byTaste', text: 'by taste' },
];

const CORRECTIONS: PickChoice[] = [
  { value: '', text: 'or none' },
  { value: 'taken', text: 'taken' },
  { value: 'notTaken', text: 'not taken' },
  { value: 'none', text: 'not needed' },
];

const METHOD_CHOICES: PickChoice[] = [
  { value: '', text: 'any method' },
  ...(['pot', 'infuserCup', 'release', 'bag', 'liddedCup', 'tastingSet'] as const).map((m) => ({
    value: m,
    text: METHODS[m].label,
  })),
];

/** What can be picked for each word of the sentence. */
export function choicesOf({
  book,
  shelf,
  sites,
  me,
  others,
  terms,
  noted,
  teaId,
  siteId,
}: {
  book: Book | undefined;
  shelf: { vessels: Vessel[] } | undefined;
  sites: readonly Site[];
  me: { personId: string; name: string; role: Role };
  others: LogPart['people'];
  terms: LogPart['terms'];
  /** What is asked for now: it stays in the list where no cup has it any more. */
  noted: string;
  teaId: string;
  siteId: string | undefined;
}) {
  const tea = book?.teas.find((t) => t.id === teaId);
  const teas = [
    { value: '', text: 'any tea' },
    ...(book?.teas ?? []).map((t) => ({ value: t.id, text: t.name })),
  ];
  // Somebody's own brews, picked out, are for them and for leads.
  const people = [
    { value: '', text: 'anyone' },
    ...(me.role === 'lead'
      ? others.map((p) => ({ value: p.id, text: p.name }))
      : [{ value: me.personId, text: `${me.name}, my own` }]),
  ];
  const places = [
    ...sites.map((s) => ({ value: s.id, text: s.name })),
    ...(me.role === 'lead' ? [{ value: 'all', text: 'every site' }] : []),
  ];
  const vessels = [
    { value: '', text: 'any vessel' },
    ...(shelf?.vessels ?? [])
      .filter((v) => v.kind !== 'pitcher' && (siteId === undefined || v.siteId === siteId))
      .map((v) => ({ value: v.id, text: v.retired ? `${v.name}, put away` : v.name })),
  ];
  const lots = [
    { value: '', text: 'any lot' },
    ...(tea?.lots ?? []).map((l) => ({ value: l.id, text: l.name })),
  ];
  const words = terms.includes(noted) || noted === '' ? terms : [noted, ...terms];
  const notes = [
    { value: '', text: 'anything' },
    ...words.map((term) => ({ value: term, text: term })),
  ];
  return { tea, teas, people, places, vessels, lots, notes };
}

/** Which brews, as a sentence whose words are picked. */
export function LogSentence({
  choices,
  address,
  siteId,
}: {
  choices: ReturnType<typeof choicesOf>;
  address: Address;
  siteId: string | undefined;
}) {
  const { of, set } = address;
  const narrow = ['vessel', 'lot', 'method', 'pull', 'correction', 'noted'].some(
    (n) => of(n) !== '',
  );
  const [wide, setWide] = useState(narrow);
  return (
    <div className="say log-say">
      <span>Every brew of</span>
      <Word
        label="Tea"
        name="tea"
        choices={choices.teas}
        address={address}
        clears={['lot']}
        filter="Type a name"
      />
      <span>at</span>
      <Word
        label="Site"
        name="site"
        choices={choices.places}
        address={address}
        chosen={siteId ?? 'all'}
        clears={['vessel']}
      />
      <span>by</span>
      <Word label="Person" name="by" choices={choices.people} address={address} />
      <span>since</span>
      <Since
        since={of('since')}
        until={of('until')}
        onPick={(since, until) => set({ since, until })}
      />
      <span>judged</span>
      <Word label="Verdict" name="verdict" choices={VERDICTS} address={address} />
      <button
        type="button"
        className="btn quiet slim"
        aria-expanded={wide || narrow}
        onClick={() => setWide((w) => !w)}
      >
        {wide || narrow ? 'Fewer picks' : 'More picks'}
      </button>
      <span className="gap" />
      <Link className="btn" to="/log/trends">
        Trends <kbd>T</kbd>
      </Link>
      {(wide || narrow) && <MorePicks choices={choices} address={address} />}
    </div>
  );
}

/** The picks few people need. */
function MorePicks({
  choices: { tea, vessels, lots, notes },
  address,
}: {
  choices: ReturnType<typeof choicesOf>;
  address: Address;
}) {
  return (
    <div className="more">
      <span>in</span>
      <Word label="Vessel" name="vessel" choices={vessels} address={address} />
      <span>as</span>
      <Word label="Method" name="method" choices={METHOD_CHOICES} address={address} />
      <span>of</span>
      <Word label="Lot" name="lot" choices={lots} address={address} />
      <span>pulled</span>
      <Word label="Pull" name="pull" choices={PULLS} address={address} />
      <span>correction</span>
      <Word label="Correction" name="correction" choices={CORRECTIONS} address={address} />
      <span>noted</span>
      <Word label="Noted" name="noted" choices={notes} address={address} filter="Type a word" />
      {!tea && <span className="small">a lot: pick its tea first</span>}
    </div>
  );
}

const SINCE = [
  ['', 'ever'],
  ['0', 'today'],
  ['7', 'a week ago'],
  ['30', 'a month ago'],
  ['90', 'three months ago'],
] as const;

/** From when, and until when: some usual spans, or two days. */
function Since({
  since,
  until,
  onPick,
}: {
  since: string;
  until: string;
  onPick: (since: string, until: string) => void;
}) {
  const [open, setOpen] = useState(false);
  const at = dayStart(since);
  const day = (ago: string) => (ago === '' ? '' : dayName(Date.now() - Number(ago) * DAY_MS));
  const known = SINCE.find(([ago]) => day(ago) === since && until === '');
  const ends = dayStart(until);
  const shown =
    known?.[1] ??
    `${at === null ? 'ever' : dayText(at)}${ends === null ? '' : ` until ${dayText(ends)}`}`;
  return (
    <PickList
      label="Since"
      open={open}
      onOpen={setOpen}
      shown={shown}
      choices={SINCE.map(([ago, text]) => ({ value: day(ago), text }))}
      chosen={since}
      onPick={(v) => onPick(v, '')}
      foot={
        <div
          className="grid gap-2 px-3 pb-3 pt-1"
          role="presentation"
          onKeyDown={(e) => e.stopPropagation()}
        >
          <label className="small">
            From
            <input
              type="date"
              className="box slim ml-2"
              value={since}
              max={until || undefined}
              onChange={(e) => onPick(e.target.value, until)}
            />
          </label>
          <label className="small">
            Until
            <input
              type="date"
              className="box slim ml-2"
              value={until}
              min={since || undefined}
              onChange={(e) => onPick(since, e.target.value)}
            />
          </label>
        </div>
      }
    />
  );
}
