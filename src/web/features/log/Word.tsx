import { PickList } from '../../ui/PickList';
import { type Address, type PickChoice, wordsOf } from './filters';

/** One word of a sentence that says which brews: it stands in the address, and another is picked for it. */
export function Word({
  label,
  name,
  choices,
  address: { of, set },
  usual = '',
  chosen = of(name) || usual,
  clears = [],
  filter,
}: {
  label: string;
  /** What it is called in the address. */
  name: string;
  choices: readonly PickChoice[];
  address: Pick<Address, 'of' | 'set'>;
  /** What holds when the address says nothing; picked, it leaves the address. */
  usual?: string;
  chosen?: string;
  /** Other words that make no sense with another choice. */
  clears?: readonly string[];
  /** The list is long: letters narrow it. */
  filter?: string;
}) {
  return (
    <PickList
      label={label}
      filter={filter}
      shown={wordsOf(choices, chosen)}
      choices={choices}
      chosen={chosen}
      onPick={(value) =>
        set({
          [name]: value === usual ? '' : value,
          ...Object.fromEntries(clears.map((other) => [other, ''])),
        })
      }
    />
  );
}
