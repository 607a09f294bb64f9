import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { healthClaims } from '#core/teas';
import type { Tea } from '#contracts/teas';
import { Sheet } from '../../ui/Dialog';

/** Words that a paper will carry: of which tea, and in which field they were typed. */
type Printed = {
  readonly tea: Pick<Tea, 'id' | 'name'>;
  readonly where: string;
  readonly text: string;
};
/** All that is typed by hand and printed of a tea. */
const printedOf = (tea: Tea): Printed[] =>
  [
    { where: 'name', text: tea.name },
    { where: 'tasting words', text: tea.words },
    { where: 'blend', text: tea.blend },
    { where: 'cautions', text: tea.cautions },
    { where: 'caffeine', text: tea.caffeine },
    ...tea.recipes.map(({ house }) => ({ where: 'recipe note', text: house?.recipe.note ?? '' })),
  ].map((printed) => ({ ...printed, tea }));

type Claim = Printed & { readonly claims: readonly string[] };
const claimsIn = (teas: readonly Tea[]): Claim[] =>
  teas.flatMap(printedOf).flatMap((printed) => {
    const claims = healthClaims(printed.text);
    return claims.length > 0 ? [{ ...printed, claims }] : [];
  });

/** A paper to print, in a window of its own. Words on it that claim an effect on health are asked about first. */
export function PrintLink({
  href,
  teas,
  className = 'btn quiet slim',
  children,
}: {
  href: string;
  /** Whose words the paper carries. */
  teas: readonly Tea[];
  className?: string;
  children: ReactNode;
}) {
  const [asked, setAsked] = useState<readonly Claim[]>([]);
  const close = () => setAsked([]);
  return (
    <>
      <a
        className={className}
        href={href}
        target="_blank"
        rel="noreferrer"
        onClick={(e) => {
          const found = claimsIn(teas);
          if (found.length === 0) return;
          e.preventDefault();
          setAsked(found);
        }}
      >
        {children}
      </a>
      <Sheet title="Does this claim an effect on health?" open={asked.length > 0} onClose={close}>
        <ul className="mt-3">
          {asked.map(({ tea, where, claims }) => (
            <li key={`${tea.id} ${where}`}>
              <b className="tea">{tea.name}</b>, {where}: “{claims.join('”, “')}”.{' '}
              <Link className="underline" to={`/book/${tea.id}`} onClick={close}>
                Open the tea
              </Link>
            </li>
          ))}
        </ul>
        <p className="mt-3">
          Do not claim health effects on cards or menus: food law allows such claims only where they
          are authorised. Change the words. Print them only if they claim nothing.
        </p>
        <div className="foot">
          <button type="button" className="btn go" onClick={close}>
            Do not print
          </button>
          <a className="btn" href={href} target="_blank" rel="noreferrer" onClick={close}>
            Print these words
          </a>
        </div>
      </Sheet>
    </>
  );
}
