import { MoreHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { leafStaysIn, planAgain, wetLeafOf, wetLeafWords } from '#core/brews';
import { stepsWords, usualSteeps } from '#core/recipes';
import { millilitres, minutesText, ML_PER, secondsBetween } from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import { useLimits } from '../../entities/people/session';
import { now } from '../../platform/clock';
import type { BrewActs } from './useBrewActs';

/** What is done seldom to a brew. */
export function MoreMenu({ brew, acts }: { brew: BarBrew; acts: BrewActs }) {
  // It is mounted by the touch that asks for it.
  const [open, setOpen] = useState(true);
  const { state } = brew;
  const pulled = state.kind === 'pulled';
  return (
    <DropdownMenu.Root open={open} onOpenChange={setOpen}>
      <DropdownMenu.Trigger className="btn more" aria-label={`More for ${brew.tea.name}`}>
        <MoreHorizontal size={20} strokeWidth={2} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="pop" sideOffset={6} align="end">
          <DropdownMenu.Item onSelect={() => acts.steps(brew)}>
            Steps and readings
          </DropdownMenu.Item>
          <DropdownMenu.Item onSelect={() => acts.working(brew)}>
            How this was worked out
          </DropdownMenu.Item>
          {open && state.kind === 'pulled' && !brew.pours && (
            <Again brew={brew} steeped={secondsBetween(state.waterOn, state.pulled)} acts={acts} />
          )}
          {open &&
            brew.partners.length === 0 &&
            acts.alike(brew).map((other) => (
              <DropdownMenu.Item key={other.id} onSelect={() => acts.pair(brew, other)}>
                Put together with {other.plan.vessel.name}
              </DropdownMenu.Item>
            ))}
          {pulled && brew.pulledBy === null && (
            <DropdownMenu.Item onSelect={() => acts.claim(brew)}>
              It was me who ended the steep
            </DropdownMenu.Item>
          )}
          {pulled && (
            <DropdownMenu.Item onSelect={() => acts.close(brew)}>
              Off the bar, not judged
            </DropdownMenu.Item>
          )}
          {pulled && (
            <DropdownMenu.Item onSelect={() => acts.leafBack(brew, 30)}>
              Leaf back for 0:30
            </DropdownMenu.Item>
          )}
          {pulled && (
            <DropdownMenu.Item onSelect={() => acts.steepOn(brew)}>
              Not over: steep on
            </DropdownMenu.Item>
          )}
          <CupsOfLeaf brew={brew} acts={acts} />
          {state.kind === 'steeping' && (
            <DropdownMenu.Item onSelect={() => acts.leafOut(brew)}>
              Leaf out to taste
            </DropdownMenu.Item>
          )}
          {(state.kind === 'steeping' || state.kind === 'tasting') && (
            <DropdownMenu.Item onSelect={() => acts.taste(brew)}>
              {state.kind === 'steeping' ? 'Tasted with the leaf in' : 'How it tastes'}
            </DropdownMenu.Item>
          )}
          {state.kind === 'steeping' && (
            <DropdownMenu.Item onSelect={() => acts.byEye(brew)}>
              End the steep by colour
            </DropdownMenu.Item>
          )}
          <DropdownMenu.Item onSelect={() => acts.giveUp(brew)}>Give it up</DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** Cups that are poured, or drunk, while the leaf stays in. */
function CupsOfLeaf({ brew, acts }: { brew: BarBrew; acts: BrewActs }) {
  const { plan, state } = brew;
  const stays = leafStaysIn(plan.vessel);
  if (stays === 'pot' && state.kind === 'steeping')
    return (
      <DropdownMenu.Item
        onSelect={() => {
          acts.firstCup(brew, plan.cups?.each ?? millilitres(ML_PER.teacup));
          acts.cups(brew);
        }}
      >
        Pour one cup, the rest stays on the leaf
      </DropdownMenu.Item>
    );
  if (state.kind === 'pulled' && (brew.pours || stays === 'glass'))
    return (
      <DropdownMenu.Item onSelect={() => acts.cups(brew)}>
        {stays === 'glass' ? 'Fill the glass up again' : 'Next cup, or hot water again'}
      </DropdownMenu.Item>
    );
  return null;
}

/** The next steep of its leaf, or why there is none. */
function Again({
  brew,
  steeped,
  acts,
}: {
  brew: BarBrew;
  steeped: Parameters<typeof planAgain>[2];
  acts: BrewActs;
}) {
  const { wetLeafHours } = useLimits();
  const { next } = planAgain(brew.plan, brew.tea.style, steeped);
  const pulled = brew.state.kind === 'pulled' ? brew.state.pulled : null;
  const wet = pulled && wetLeafOf(brew.plan, brew.tea.style, pulled, now(), wetLeafHours);
  if (wet?.isPast)
    return (
      <DropdownMenu.Item disabled className="small">
        {wetLeafWords(wet, wetLeafHours)}
      </DropdownMenu.Item>
    );
  if (next.kind === 'spent')
    return (
      <DropdownMenu.Item disabled className="small">
        {next.why}
      </DropdownMenu.Item>
    );
  return (
    <DropdownMenu.Item onSelect={() => acts.again(brew)}>
      Steep again: {next.number}. in {minutesText(next.window.best)}
      {next.by === 'model' ? ', by the model' : ''}
      {`, ${stepsWords(usualSteeps(brew.tea.style, brew.plan.recipe.bag !== null))}`}
      {next.strength < 0.85 ? `, about ${Math.round(next.strength * 100)} % as strong` : ''}
    </DropdownMenu.Item>
  );
}
