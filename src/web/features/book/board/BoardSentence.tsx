import { isCold, type Method, METHODS } from '#core/recipes';
import { parseWallTime } from '#core/time';
import { type Millilitres, numberText, parseVolume, parseWithin, volumeText } from '#core/units';
import type { Tea } from '#contracts/teas';
import { useUnits } from '../../../entities/people/session';
import { TeaPick } from '../../../entities/teas/TeaPick';
import { now } from '../../../platform/clock';
import { useGo } from '../../../platform/useGo';
import { clockText, exampleTime } from '../../../ui/days';
import { PickList } from '../../../ui/PickList';
import { TypedPick } from '../../../ui/TypedPick';

/** The recipes of a tea that the board can scale: cold ones stand on the tea's own page. */
export const hotRecipes = (t: Tea) => t.recipes.filter((r) => r.house && !isCold(r.method));

const MINUTE = 60_000;

/** The next quarter of an hour that leaves time to brew. */
const soon = () => Math.ceil((now() + 20 * MINUTE) / (15 * MINUTE)) * 15 * MINUTE;

const readClock = (text: string): { kind: 'ok'; value: number } | { kind: 'bad'; why: string } => {
  const time = parseWallTime(text);
  if (time === null) return { kind: 'bad', why: `A time, such as ${exampleTime()}.` };
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  const d = new Date(now());
  d.setHours(hour, minute, 0, 0);
  return {
    kind: 'ok',
    value: d.getTime() < now() - MINUTE ? d.getTime() + 86_400_000 : d.getTime(),
  };
};

export type Asked =
  { kind: 'cups'; cups: number; cup: number; by: number } | { kind: 'leaf'; leaf: number };

/** A dozen cups, as soon as they can be ready. */
export const usualService = (): Asked => ({ kind: 'cups', cups: 12, cup: 180, by: soon() });

/** What is asked of the board, as a sentence whose words are picked. */
export function BoardSentence({
  asked,
  tea,
  teas,
  method,
  onAsk,
}: {
  asked: Asked;
  tea: Tea;
  teas: readonly Tea[];
  method: Method;
  onAsk: (asked: Asked) => void;
}) {
  const { volume } = useUnits();
  const go = useGo();
  return (
    <div className="say">
      {asked.kind === 'cups' ? (
        <>
          <span>Pour</span>
          <TypedPick
            label="Cups"
            text={`${asked.cups} cups`}
            typed={String(asked.cups)}
            read={(t) => parseWithin(t, 'A service', 'cups', 1, 200)}
            onValue={(cups) => onAsk({ ...asked, cups: Math.round(cups) })}
          />
          <span>of</span>
          <TypedPick
            label="Cup"
            text={volumeText(asked.cup as Millilitres, volume)}
            typed={volumeText(asked.cup as Millilitres, volume)}
            read={(t) => {
              const v = parseVolume(t, volume);
              return v.kind === 'ok' && (v.value < 20 || v.value > 20_000)
                ? { kind: 'bad', why: 'A cup or jug holds 20 ml to 20 l.' }
                : v;
            }}
            onValue={(cup) => onAsk({ ...asked, cup })}
          />
        </>
      ) : (
        <>
          <span>I have</span>
          <TypedPick
            label="Leaf"
            text={`${numberText(asked.leaf)} g`}
            typed={numberText(asked.leaf)}
            read={(t) => parseWithin(t, 'Leaf', 'g', 0.1, 5000)}
            onValue={(leaf) => onAsk({ kind: 'leaf', leaf })}
          />
        </>
      )}
      <span>of</span>
      <TeaPick tea={tea} teas={teas} onPick={(t) => go(`/book/${t.id}/board`, { replace: true })} />
      {hotRecipes(tea).length > 1 && (
        <>
          <span>as</span>
          <PickList
            label="Method"
            shown={METHODS[method].label}
            chosen={method}
            choices={hotRecipes(tea).map((r) => ({
              value: r.method,
              text: METHODS[r.method].label,
            }))}
            onPick={(m) => go(`/book/${tea.id}/board?method=${m}`, { replace: true })}
          />
        </>
      )}
      {asked.kind === 'cups' && (
        <>
          <span>by</span>
          <TypedPick
            label="By"
            text={clockText(asked.by)}
            typed={clockText(asked.by)}
            read={readClock}
            onValue={(by) => onAsk({ ...asked, by })}
          />
        </>
      )}
      <span className="gap" />
      <button
        type="button"
        className="btn quiet"
        onClick={() => onAsk(asked.kind === 'cups' ? { kind: 'leaf', leaf: 11 } : usualService())}
      >
        {asked.kind === 'cups' ? 'I have so many grams' : 'So many cups'}
      </button>
    </div>
  );
}
