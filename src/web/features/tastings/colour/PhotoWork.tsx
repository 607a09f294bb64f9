import type { Dispatch } from 'react';
import { SAMPLE_PHOTOS } from '#core/camera';
import { Note } from '../../../ui/Note';
import { type ColourEvent, type PhotoState, shownPhoto, troubleOf } from './model';
import { Photo } from './PhotoPicker';

/** How to take the picture, until there is one. */
function HowToTake() {
  return (
    <div className="no-photo">
      <p className="text-[19px] font-semibold">
        Both cups in one picture, from above: the house cup left, yours right.
      </p>
      <ul className="small">
        <li>
          Same white bowls, same depth, standing side by side in one light, no lamp mirrored in
          them.
        </li>
        <li>Filters, night and HDR modes off. Drop the picture here, or take it.</li>
      </ul>
      <h2 className="mt-4 font-bold text-[15px]">Simulated photos to try</h2>
    </div>
  );
}

/** The picture with its circles, and simulated ones to try. */
export function PhotoWork({
  photo,
  beside,
  dispatch,
  onSample,
}: {
  photo: PhotoState;
  beside: boolean;
  dispatch: Dispatch<ColourEvent>;
  onSample: (i: number) => void;
}) {
  const shown = shownPhoto(photo);
  const trouble = troubleOf(photo);
  return (
    <section className="work">
      {trouble && <Note bad>{trouble}</Note>}
      {photo.kind === 'loading' && (
        <p className="small" role="status">
          Looking at the picture.
        </p>
      )}
      {shown ? (
        <>
          <Photo
            picture={shown.picture}
            cups={shown.cups}
            beside={beside}
            onMove={(cups) => dispatch({ type: 'moved', cups })}
          />
          <div className="photo-foot">
            <p>
              Drag a dashed circle that is off the liquor: let go, it lies down on the liquor’s
              edge.
              <span className="small">
                {' '}
                Arrow keys move the chosen circle by a pixel, + and − size it, Tab takes the other.
                The picture stays on this device, unless you keep it with its brew.
              </span>
            </p>
            {beside && (
              <button type="button" className="btn" onClick={() => dispatch({ type: 'swapped' })}>
                Swap the two
              </button>
            )}
          </div>
        </>
      ) : (
        <HowToTake />
      )}
      <div className="samples">
        {SAMPLE_PHOTOS.map((s, i) => (
          <button type="button" key={s.name} className="btn slim" onClick={() => onSample(i)}>
            {s.name}
          </button>
        ))}
      </div>
    </section>
  );
}
