import { knownFrom } from '#core/brews';
import { ALL_RIGHT } from '#core/corrections';
import type { BarBrew } from '../../entities/brews/barBrews';
import { ColourCups } from '../../entities/brews/ColourCups';
import type { BrewCommands } from '../../entities/brews/commands';
import { swatchOf } from '../../entities/teas/liquor';

/** The steep is ended because of its colour: the cup that looks like it is touched, and the leaf is out. */
export function ByEye({
  brew,
  onPull,
  onClose,
}: {
  brew: BarBrew;
  onPull: BrewCommands['pullByEye'];
  onClose: () => void;
}) {
  const { plan, tea } = brew;
  return (
    <>
      <p>
        Take a little in a white cup. Touch the cup it looks like: the steep ends with that touch,
        and the clock does not judge it.
      </p>
      <ColourCups
        verdict={ALL_RIGHT}
        liquorAt={(strength) => swatchOf(knownFrom(plan, tea.style), plan.recipe, strength)}
        onMark={(_what, seen) => {
          onPull(brew, seen);
          onClose();
        }}
      />
    </>
  );
}
