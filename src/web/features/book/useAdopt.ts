import type { Tea, Version } from '#contracts/book';
import { failureOf } from '../../app/api';
import { useAdoptVersionMutation } from '../../app/records';
import { useAppDispatch } from '../../app/store';
import { toastShown } from '../../app/toasts';

/** Takes a trial for the house: said when done; `failure` says why not. */
export function useAdopt(tea: Tea) {
  const [send, { error, isLoading }] = useAdoptVersionMutation();
  const dispatch = useAppDispatch();
  const adopt = async (trial: Version): Promise<Version | null> => {
    try {
      const made = await send(trial.id).unwrap();
      dispatch(toastShown({ text: `${tea.name}: version ${made.number} is the house recipe.` }));
      return made;
    } catch {
      return null;
    }
  };
  return { adopt, failure: error ? failureOf(error) : null, isSaving: isLoading };
}
