import { useEffect, useMemo, useReducer, useRef } from 'react';
import { SAMPLE_PHOTOS } from '#core/camera';
import { standardCup } from '#core/colour';
import type { StyleId } from '#core/styles';
import type { Tea } from '#contracts/teas';
import { houseLiquorOf } from '../../../entities/teas/liquor';
import { colourReducer, fileFault, firstState, shownPhoto } from './model';
import { photoWorker } from './photo';

type Opening = ReturnType<ReturnType<typeof photoWorker>['open']>;

/** The state of a colour reading, with the worker that opens and reads the pictures at its edge. */
export function useColourReading(teas: readonly Tea[], first: Tea, picksTea: boolean) {
  const [state, dispatch] = useReducer(colourReducer, first, firstState);
  const { tea, beside, depth, photo } = state;
  const shown = shownPhoto(photo);
  const recipe = tea.house?.recipe;
  // A simulated photo holds its style’s standard cup, not this house’s.
  const simulated = shown?.picture.madeUp ?? null;
  const target = useMemo(() => {
    if (simulated) return standardCup(simulated);
    return recipe ? houseLiquorOf(tea, recipe) : null;
  }, [simulated, tea, recipe]);
  const cups = shown?.cups ?? null;
  useEffect(() => {
    if (!cups || !target) return;
    let gone = false;
    const asked = {
      sample: cups.sample,
      reference: beside ? cups.reference : null,
      target,
      depthCm: depth,
    };
    void photoWorker()
      .read(asked)
      .then((reading) => {
        if (!gone) dispatch({ type: 'read', reading });
      });
    return () => {
      gone = true;
    };
  }, [cups, beside, depth, target]);

  const latest = useRef<Opening | null>(null);
  const open = async (opening: Opening, what: string, style: StyleId | null) => {
    latest.current = opening;
    dispatch({ type: 'opening' });
    const got = await opening;
    // Another was asked for meanwhile.
    if (latest.current !== opening) return;
    if (!got.ok) {
      const why = `${what} could not be read as a picture. Take it as a JPEG or PNG.`;
      dispatch({ type: 'refused', why });
      return;
    }
    const { width, height, bitmap } = got;
    const picture = { bitmap, width, height, madeUp: style };
    dispatch({ type: 'opened', picture, found: got.cups });
  };
  const take = (f: File | undefined) => {
    if (!f) return;
    const why = fileFault(f);
    if (why) {
      latest.current = null;
      dispatch({ type: 'refused', why });
    } else void open(photoWorker().open(f), `“${f.name}”`, null);
  };
  const takeSample = (i: number) => {
    const s = SAMPLE_PHOTOS[i];
    if (!s) return;
    const suits = picksTea ? (teas.find((t) => t.style === s.style) ?? null) : null;
    dispatch({ type: 'samplePicked', tea: suits, beside: !s.alone, depth: s.depthCm });
    void open(photoWorker().sample(i), s.name, s.style);
  };
  return { state, dispatch, shown, target, take, takeSample };
}
