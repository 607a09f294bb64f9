import type { Dispatch } from 'react';
import {
  type Compared,
  cupName,
  liquorOfCup,
  type PlannedCup,
  TASTED_WATERS,
  valueText,
} from '#core/tastings';
import { INFUSER_KINDS, INFUSERS } from '#core/vessels';
import type { Tea } from '#contracts/teas';
import { useUnits } from '../../../entities/people/session';
import { Cup } from '../../../entities/teas/Cup';
import { PickList } from '../../../ui/PickList';
import { CupFigures } from '../CupFigures';
import { COMPARED_WORDS } from '../cups';
import {
  changedCup,
  changedFigure,
  otherTeas,
  type SetUpEvent,
  type SetUpPlan,
  type SetUpState,
} from './model';

/** What differs is named, not chosen. */
const NAMED: readonly Compared[] = [
  ...(['steep', 'stirring', 'poured'] as const),
  ...(['lid', 'warming', 'milk', 'glass'] as const),
];

/** What may be compared by name: waters, the lots of the tea, the teas of the book. */
function namesFor(
  of: 'water' | 'lot' | 'tea',
  state: SetUpState,
  teas: readonly Tea[],
): readonly string[] {
  switch (of) {
    case 'water':
      return TASTED_WATERS;
    case 'lot':
      return state.tea.lots.map(({ name }) => name);
    case 'tea':
      return [state.tea.name, ...otherTeas(state, teas).map(({ name }) => name)];
  }
}
/** A cup with another name; another tea brings the figures of its own recipe. */
function namedCup(
  cup: PlannedCup,
  name: string,
  state: SetUpState,
  teas: readonly Tea[],
): Partial<PlannedCup> {
  if (!cup.made || !('name' in cup.made)) return {};
  const made = { of: cup.made.of, name };
  const other = made.of === 'tea' ? otherTeas(state, teas).find((t) => t.name === name) : undefined;
  return { ...other?.cup, made };
}

/** The cups with their figures: a touch on one changes it. */
export function PlannedCups({
  state,
  plan,
  teas,
  dispatch,
}: {
  state: SetUpState;
  plan: SetUpPlan;
  teas: readonly Tea[];
  dispatch: Dispatch<SetUpEvent>;
}) {
  const { exercise, tea, vessel } = state;
  const { kind, way, compares } = exercise;
  const { cups } = plan;
  const brewedAs = { tea, recipe: plan.version.recipe, vessel };
  return (
    <>
      <h2>
        {kind === 'dialIn' ? 'First round' : 'Cups'}
        <small>
          <AboutCups state={state} plan={plan} />
        </small>
      </h2>
      <table className="grid-table plain rungs">
        <thead>
          <tr>
            <th className="l">expected colour</th>
            {compares && compares !== 'hotCold' && (
              <th className="l">{COMPARED_WORDS[compares]}</th>
            )}
            <th>leaf</th>
            <th>water</th>
            <th>heat</th>
            <th>time</th>
          </tr>
        </thead>
        <tbody>
          {cups.map((c, i) => (
            <tr key={i}>
              <td className="l">
                <Cup liquor={liquorOfCup(brewedAs, c, c.seconds)} size={46} />
              </td>
              {compares && NAMED.includes(compares) && <td className="l">{cupName(c)}</td>}
              {c.made && 'name' in c.made && (
                <td className="l">
                  <PickList
                    label={`Cup ${i + 1}, ${c.made.of}`}
                    shown={c.made.name || 'choose'}
                    chosen={c.made.name}
                    choices={namesFor(c.made.of, state, teas).map((name) => ({
                      value: name,
                      text: name,
                    }))}
                    onPick={(name) =>
                      dispatch({
                        type: 'cupsChanged',
                        cups: changedCup(cups, i, namedCup(c, name, state, teas)),
                      })
                    }
                  />
                </td>
              )}
              {compares === 'infuser' && (
                <td className="l">
                  <PickList
                    label={`Cup ${i + 1}, infuser`}
                    shown={cupName(c)}
                    chosen={c.infuser}
                    choices={INFUSER_KINDS.map((k) => ({ value: k, text: INFUSERS[k].label }))}
                    onPick={(infuser) =>
                      dispatch({ type: 'cupsChanged', cups: changedCup(cups, i, { infuser }) })
                    }
                  />
                </td>
              )}
              <CupFigures
                n={i + 1}
                cup={c}
                strong={compares || !plan.comparesOne ? null : way}
                onValue={(factor, value) =>
                  dispatch({ type: 'cupsChanged', cups: changedFigure(cups, i, factor, value) })
                }
              />
            </tr>
          ))}
        </tbody>
      </table>
      {state.cups.kind === 'own' && (
        <button
          type="button"
          className="btn quiet slim"
          onClick={() => dispatch({ type: 'cupsReset' })}
        >
          As it was worked out
        </button>
      )}
    </>
  );
}

function AboutCups({ state, plan }: { state: SetUpState; plan: SetUpPlan }) {
  const units = useUnits();
  const { kind, way, compares } = state.exercise;
  if (kind === 'dialIn') return <>{plan.lot?.name ?? 'the lot'} on the house recipe</>;
  if (kind === 'calibration')
    return <>each in two bowls, so that everybody meets it twice without knowing</>;
  if (compares) return <>touch what differs to change it</>;
  return (
    <>
      touch a figure to change it; the {state.standard ? 'standard' : 'house'} cup is{' '}
      {valueText(way, plan.house[way], units)}
    </>
  );
}
