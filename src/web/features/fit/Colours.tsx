import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { CUP_DEPTH_CM, deltaE00, hexOf, type Lab, labOf } from '#core/colour';
import { colourRungs, houseLiquor, type Recipe } from '#core/recipes';
import { celsius, minutesText, numberText, seconds, temperatureText } from '#core/units';
import { pathOf, ROUTES } from '#contracts/routes';
import type { Tea, TeaSwatches } from '#contracts/teas';
import { useSession, useUnits } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useSetSwatchesMutation } from '../../entities/teas/editApi';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { failureOf } from '../../platform/api';
import { Awaited } from '../../platform/Awaited';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { useGo } from '../../platform/useGo';
import { dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Note, Nothing } from '../../ui/Note';
import { Measure } from './MeasureColour';

/** The colours of a tea along its steep: predicted, until a house ladder was measured. */
export function ColoursPage() {
  const { id = '' } = useParams();
  const go = useGo();
  const books = useBookQuery();
  const book = books.data;
  const tea = book?.teas.find((t) => t.id === id);
  useKeys([{ key: 'Escape', does: 'Back to the tea', run: () => go(`/book/${id}`) }]);
  if (!book) return <Awaited what="the tea" of={[books]} />;
  if (!tea?.house)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/book">
              To the book
            </Link>
          }
        >
          {tea ? `${tea.name} has no hot house recipe.` : 'This tea is not in the book.'}
        </Nothing>
      </main>
    );
  return <Colours tea={tea} recipe={tea.house.recipe} />;
}

function Colours({ tea, recipe }: { tea: Tea; recipe: Recipe }) {
  const units = useUnits();
  const { role } = useSession();
  const [editing, setEditing] = useState(false);
  const { swatches } = tea;
  const depth = swatches?.depthCm ?? CUP_DEPTH_CM;
  const plain = { style: tea.style, fitted: tea.fitted };
  const predicted = (s: number): Lab => labOf(houseLiquor(plain, recipe, seconds(s)), depth);
  const rungs = colourRungs(tea, recipe, depth).map((r) => ({
    ...r,
    apart: swatches ? deltaE00(r.lab, predicted(r.seconds)) : null,
  }));
  const furthest = Math.max(0, ...rungs.map((r) => r.apart ?? 0));
  const moved =
    swatches &&
    (Math.abs(swatches.dose - recipe.dose) > 0.02 ||
      Math.abs(swatches.temperature - recipe.temperature) > 0.5);
  return (
    <main className="page split result-page">
      <div className="say">
        <h1 className="font-normal">
          Colours of <span className="tea text-[25px]">{tea.name}</span>
        </h1>
        <span className="gap" />
        <a
          className="btn"
          href={pathOf(ROUTES.printSwatches, { id: tea.id })}
          target="_blank"
          rel="noreferrer"
        >
          Swatch strip to print
        </a>
        <Link className="btn quiet" to={`/book/${tea.id}`}>
          Back to the tea <kbd>Esc</kbd>
        </Link>
      </div>
      <section className="work">
        <p className="headline" data-testid="colours-words">
          {swatches ? (
            <>
              <b>Measured in this house</b> by {swatches.by}, {dayText(swatches.at)}: at most{' '}
              {numberText(furthest)} from what was predicted (1 is just seen).
            </>
          ) : (
            <>
              <b>Predicted, not measured.</b> {predictionBasis(tea)}. A colour reader’s figures of
              four cups put this house’s own in their place.
            </>
          )}
        </p>
        <div className="swatch-strip">
          {rungs.map((r) => (
            <figure key={r.seconds} className={r.house ? 'house' : ''}>
              <div style={{ background: hexOf(r.lab) }}>
                {r.apart !== null && <i style={{ background: hexOf(predicted(r.seconds)) }} />}
              </div>
              <figcaption>
                <b>{minutesText(r.seconds)}</b>
                <span>{r.lab.map((v) => numberText(v, 0)).join('  ')}</span>
                {r.apart !== null && <span>{numberText(r.apart)} apart</span>}
              </figcaption>
            </figure>
          ))}
        </div>
        <p className="small">
          {numberText(recipe.dose, 2)} g per 100 ml at{' '}
          {temperatureText(recipe.temperature, units.temperature)}, {numberText(depth)} cm deep in
          white, L* a* b* under D65.{' '}
          {swatches
            ? 'Below in each: what was predicted. Cups, vessels and steep rules of this tea are drawn in the measured colours; between two cups in proportion.'
            : ''}
        </p>
        {moved && (
          <Note bad>
            The recipe has moved since: {numberText(swatches.dose, 2)} g per 100 ml at{' '}
            {temperatureText(celsius(swatches.temperature), units.temperature)} was measured. What
            the leaf differs from its prediction by is kept; measure again when you can.
          </Note>
        )}
      </section>
      <section className="paper" aria-label="Measured cups">
        <h2>Measured cups</h2>
        {measuredShown({ role, editing, tea, recipe, onEdit: setEditing, swatches })}
        <h2 className="mt-4">Before you trust a colour</h2>
        <p>
          A screen shows it in its own way.{' '}
          <Link className="underline" to="/table/screen">
            Check this screen
          </Link>
          ; a printer does the same: lay the strip beside a real house cup first.
        </p>
      </section>
    </main>
  );
}

/** What was measured, or the form for it. */
function measuredShown({
  role,
  editing,
  tea,
  recipe,
  onEdit,
  swatches,
}: {
  role: 'trainee' | 'brewer' | 'lead';
  editing: boolean;
  tea: Tea;
  recipe: Recipe;
  onEdit: (editing: boolean) => void;
  swatches: TeaSwatches | null;
}) {
  if (role !== 'lead') return <p>A lead types in what a colour reader says.</p>;
  if (editing) return <Measure tea={tea} recipe={recipe} onDone={() => onEdit(false)} />;
  return (
    <>
      <p>
        Brew a ladder of the house recipe, pour off each cup at its time, fill white cups to one
        depth, and read each with a colour reader: Lab under D65, 2°.
      </p>
      <div className="flex flex-wrap gap-2 mt-3">
        <button type="button" className="btn go" onClick={() => onEdit(true)}>
          {swatches ? 'Measure again' : 'Type what was measured'}
        </button>
        {swatches && <Drop tea={tea} />}
      </div>
    </>
  );
}

function Drop({ tea }: { tea: Tea }) {
  const [set, { isLoading, error }] = useSetSwatchesMutation();
  const dispatch = useAppDispatch();
  return (
    <>
      {error && <Note bad>{failureOf(error).message}</Note>}
      <button
        type="button"
        className="btn"
        disabled={isLoading}
        onClick={() =>
          void set({ id: tea.id, body: { swatches: null } })
            .unwrap()
            .then(
              () => dispatch(toastShown({ text: `${tea.name}: predicted colours again.` })),
              () => undefined,
            )
        }
      >
        Back to predicted
      </button>
    </>
  );
}
