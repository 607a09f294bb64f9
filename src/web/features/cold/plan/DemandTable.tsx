import { memo, useMemo, useState } from 'react';
import { coldTeaId, type Learnt, learntFor, servedByDay, wantedOn } from '#core/coldPlan';
import { dayName, type SiteDate, wallMoment, type Zone } from '#core/time';
import type { ColdDemand, ColdPoured } from '#contracts/coldPlans';
import type { SiteHours } from '#contracts/sites';
import { type Plannable } from '../../../entities/batches/coldTeas';
import { PickList } from '../../../ui/PickList';
import { demandId, type DraftAct, partedDay, type PlanDraft, type Scope } from './draft';

const MOST_GLASSES = 500;

type Props = {
  draft: PlanDraft;
  teas: readonly Plannable[];
  days: readonly SiteDate[];
  hours: SiteHours;
  poured: readonly ColdPoured[];
  act: (a: DraftAct) => void;
};

/** "Wed 11" */
const dayWords = (zone: Zone, date: SiteDate): string =>
  `${dayName(zone, wallMoment(zone, date, '12:00').at)} ${Number(date.slice(8))}`;

/** One tea's days: drawn again only when its own figures change. */
const DemandRow = memo(function DemandRow({
  demand,
  tea,
  days,
  hours,
  scope,
  learnt,
  act,
}: {
  demand: ColdDemand;
  tea: Plannable;
  days: readonly SiteDate[];
  hours: SiteHours;
  scope: Scope;
  learnt: readonly Learnt[] | null;
  act: (a: DraftAct) => void;
}) {
  const site = { zone: hours.zone, week: hours };
  const total = (date: SiteDate) => wantedOn(demand, date).reduce((sum, g) => sum + g, 0);
  const want = (date: SiteDate, glasses: readonly number[]) =>
    act({ kind: 'wanted', coldTea: tea.id, date, scope, glasses });
  return (
    <tr>
      <td className="l">
        <span className="tea text-[17px]">{tea.name}</span>
        <span className="small block">{tea.kind}</span>
      </td>
      {days.map((date, i) => (
        <td key={date} data-what={dayWords(hours.zone, date)}>
          <GlassesBox
            label={`${tea.name}, ${tea.kind}, ${date}`}
            glasses={total(date)}
            onGlasses={(g) => want(date, partedDay(demand, site, date, g))}
          />
          <Spread learnt={learnt?.[i]} />
        </td>
      ))}
      <td>
        <button
          type="button"
          className="btn quiet slim"
          aria-label={`Take ${tea.name}, ${tea.kind}, out of the plan`}
          onClick={() => act({ kind: 'removed', coldTea: tea.id })}
        >
          Out
        </button>
      </td>
    </tr>
  );
});

/** Glasses wanted of each tea on each of the days; what was learnt from what was poured stands under them. */
export function DemandTable({ draft, teas, days, hours, poured, act }: Props) {
  const [scope, setScope] = useState<Scope>('date');
  // Twelve weeks of pours are looked through: once, not with every figure that is typed.
  const learnt = useMemo(() => {
    const [today] = days;
    const site = { zone: hours.zone, week: hours };
    return new Map(
      teas.map(({ id }) => {
        const own = poured.filter((p) => coldTeaId(p.teaId, p.method) === id);
        return [id, today ? learntFor(servedByDay(own, site, today), days) : null] as const;
      }),
    );
  }, [teas, days, hours, poured]);
  const known = draft.demand.flatMap((d) =>
    (learnt.get(demandId(d)) ?? []).map((l) => ({ coldTea: demandId(d), ...l })),
  );
  const more = teas.filter((t) => !draft.demand.some((d) => demandId(d) === t.id));
  return (
    <section>
      <h2>
        Wanted<small>glasses a day, under each the usual range</small>
      </h2>
      <div className="plan-table">
        <table className="grid-table plain wanted-list">
          <thead>
            <tr>
              <th className="l">tea</th>
              {days.map((d) => (
                <th key={d}>{dayWords(hours.zone, d)}</th>
              ))}
              <th />
            </tr>
          </thead>
          <tbody>
            {draft.demand.map((d) => {
              const tea = teas.find((t) => t.id === demandId(d));
              return (
                tea && (
                  <DemandRow
                    key={tea.id}
                    {...{ demand: d, tea, days, hours, scope, act }}
                    learnt={learnt.get(tea.id) ?? null}
                  />
                )
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="flex flex-wrap items-center gap-3 mt-2">
        {more.length > 0 && (
          <PickList
            label="Add a tea"
            shown="Add a tea"
            choices={more.map((t) => ({ value: t, text: `${t.name}, ${t.kind}` }))}
            onPick={(tea) => act({ kind: 'added', tea })}
          />
        )}
        {known.length > 0 && (
          <button
            type="button"
            className="btn slim"
            onClick={() =>
              known.forEach(({ coldTea, date, services }) =>
                act({ kind: 'wanted', coldTea, date, scope: 'date', glasses: services }),
              )
            }
          >
            As poured in twelve weeks
          </button>
        )}
        {draft.demand.length > 0 && (
          <label className="inline-flex items-center gap-2 min-h-[44px]">
            <input
              type="checkbox"
              checked={scope === 'weekly'}
              onChange={(e) => setScope(e.target.checked ? 'weekly' : 'date')}
            />
            What I type holds every week
          </label>
        )}
      </p>
    </section>
  );
}

/** What the past says of a day: "mostly 9 to 19", of how many such days. */
function Spread({ learnt: l }: { learnt: Learnt | undefined }) {
  if (!l) return null;
  const words = `${l.glasses}, mostly ${l.low} to ${l.high} (${l.weekdays} such days)`;
  return (
    <span className="small block" title={words} aria-label={words}>
      {l.low} to {l.high}
    </span>
  );
}
/** A number of glasses that is typed; anything else is put back, and said. */
function GlassesBox({
  label,
  glasses,
  onGlasses,
}: {
  label: string;
  glasses: number;
  onGlasses: (g: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const value = Number(typed ?? glasses);
  const isGood = Number.isInteger(value) && value >= 0 && value <= MOST_GLASSES;
  const take = () => {
    if (typed === null || !isGood) return;
    setTyped(null);
    if (value !== glasses) onGlasses(value);
  };
  return (
    <>
      <input
        className="box glasses"
        inputMode="numeric"
        aria-label={label}
        value={typed ?? String(glasses)}
        aria-invalid={!isGood}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => e.key === 'Enter' && take()}
      />
      {!isGood && (
        <span className="fault block" role="alert">
          0 to {MOST_GLASSES}
        </span>
      )}
    </>
  );
}
