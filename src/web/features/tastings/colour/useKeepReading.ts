import { useState } from 'react';
import type { ColourStrength } from '#core/fitting';
import { useSetBrewPhotoMutation } from '../../../entities/brews/logApi';
import { useBrewCommands } from '../../../entities/brews/useBrewCommands';
import { newId } from '../../../platform/ids';
import { useAppDispatch } from '../../../platform/store';
import { toastShown } from '../../../platform/toasts';
import { useGo } from '../../../platform/useGo';
import { photoWorker } from './photo';
import type { Subject } from './subject';

type Way = 'reference' | 'rim' | 'instrument';
/** Keeps a reading with its brew or cup, and goes there; the picture too, where somebody asked for that. */
export function useKeepReading(subject: Subject | null) {
  const commands = useBrewCommands();
  const dispatch = useAppDispatch();
  const go = useGo();
  const [savePicture] = useSetBrewPhotoMutation();
  const [withPicture, setWithPicture] = useState(false);
  const sendPicture = async (brewId: string) => {
    try {
      const small = await photoWorker().small();
      if (small) await savePicture({ id: brewId, photo: newId(), body: small }).unwrap();
    } catch {
      dispatch(
        toastShown({ text: 'The reading is kept. Its picture could not be sent, and is not.' }),
      );
    }
  };
  const keep = (way: Way, { strength, low, high }: ColourStrength, depthCm: number) => {
    if (subject?.kind === 'cup') {
      subject.keep({ strength, low, high });
      go(`/table/${subject.view.id}`);
    }
    if (subject?.kind !== 'brew') return;
    commands.colour(subject.brew, { way, strength, low, high, depthCm });
    if (withPicture && way !== 'instrument') void sendPicture(subject.brew.id);
    go(`/log/${subject.brew.id}`);
  };
  return { keep, withPicture, setWithPicture };
}
