import { type ReactNode, useState } from 'react';
import { type PlanAsked, wantedOn } from '#core/coldPlan';
import { type SiteClock, weekdayAndTime } from '#core/time';
import { parseVolume, parseWithin, volumeText } from '#core/units';
import type { Plannable } from '../../../entities/batches/coldTeas';
import { useUnits } from '../../../entities/people/session';
import { PickList } from '../../../ui/PickList';
import { TypedPick } from '../../../ui/TypedPick';
import { demandId, type DraftAct, type PlanDraft } from './draft';

const MOST_GLASSES = 500;
/** Glasses that are drunk from, ml. */
const [LEAST_GLASS, MOST_GLASS] = [20, 1000];

type Props = {
  draft: PlanDraft;
  teas: readonly Plannable[];
  asked: PlanAsked;
  act: (a: DraftAct) => void;
  clock: SiteClock;
  end: ReactNode;
};

/** "For Wed 11:00 have 14 glasses of 220 ml of Kestry Pearl": one service of one tea, typed. */
export function PlanSentence({ draft, teas, asked, act, clock, end }: Props) {
  const units = useUnits();
  const [service, setService] = useState(0);
  const [coldTea, setColdTea] = useState<string | null>(null);
  const demand = draft.demand.find((d) => demandId(d) === coldTea) ?? draft.demand[0];
  const tea = demand && teas.find((t) => t.id === demandId(demand));
  const at = asked.services[service] ?? asked.services[0];
  if (!demand || !tea || !at)
    return (
      <div className="say">
        <span>{at ? 'No tea is planned yet. Add one below.' : 'This site serves at no time.'}</span>
        <span className="gap" />
        {end}
      </div>
    );
  const wanted = wantedOn(demand, at.date);
  const count = wanted[at.index] ?? 0;
  const type = (glasses: number) => {
    const length = Math.max(wanted.length, at.index + 1);
    act({
      kind: 'wanted',
      coldTea: tea.id,
      date: at.date,
      scope: 'date',
      glasses: Array.from({ length }, (_, i) => (i === at.index ? glasses : (wanted[i] ?? 0))),
    });
  };
  const readCount = (text: string) => {
    const read = parseWithin(text, 'Glasses', '', 0, MOST_GLASSES);
    return read.kind === 'ok' ? { ...read, value: Math.round(read.value) } : read;
  };
  const extract = tea.recipe.glasses[0];
  const place = asked.services.indexOf(at);
  return (
    <div className="say">
      <span>For</span>
      <PickList
        label="Service"
        shown={weekdayAndTime(clock, at.from)}
        chosen={place}
        choices={() =>
          asked.services.map((s, i) => ({ value: i, text: weekdayAndTime(clock, s.from) }))
        }
        onPick={setService}
      />
      <span>have</span>
      <TypedPick
        label="Glasses"
        text={count === 1 ? '1 glass' : `${count} glasses`}
        typed={String(count)}
        read={readCount}
        onValue={type}
      />
      <span>of</span>
      {extract ? (
        <span>{volumeText(extract.extract, units.volume)} extract of</span>
      ) : (
        <TypedPick
          label={`Glass, ${units.volume === 'ml' ? 'ml' : 'fl oz'}`}
          text={volumeText(demand.glass, units.volume)}
          typed=""
          read={(text) => {
            const read = parseVolume(text, units.volume);
            return read.kind === 'ok' && (read.value < LEAST_GLASS || read.value > MOST_GLASS)
              ? { kind: 'bad', why: 'A glass holds 20 to 1000 ml.' }
              : read;
          }}
          onValue={(v) => act({ kind: 'glass', coldTea: tea.id, glass: v as typeof demand.glass })}
        />
      )}
      <PickList
        label="Tea"
        shown={tea.name}
        className="tea"
        chosen={tea.id}
        choices={draft.demand.flatMap((d) => {
          const of = teas.find((t) => t.id === demandId(d));
          return of ? [{ value: of.id, text: `${of.name}, ${of.kind}` }] : [];
        })}
        onPick={setColdTea}
      />
      <span className="gap" />
      {end}
    </div>
  );
}
