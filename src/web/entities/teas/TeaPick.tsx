import type { Tea } from '#contracts/teas';
import { PickList } from '../../ui/PickList';

/** Picks a tea of the book by its name, in a sentence. */
export const TeaPick = ({
  tea,
  teas,
  onPick,
}: {
  tea: Tea;
  teas: readonly Tea[];
  onPick: (tea: Tea) => void;
}) => (
  <PickList
    label="Tea"
    shown={tea.name}
    className="tea"
    filter="Type a name"
    chosen={tea}
    choices={teas.map((t) => ({ value: t, text: t.name, words: t.words }))}
    onPick={onPick}
  />
);
