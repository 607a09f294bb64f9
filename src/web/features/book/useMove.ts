import type { BodyOf } from '#contracts/endpoint';
import type { Version } from '#contracts/recipes';
import type { moveVersion, Tea } from '#contracts/teas';
import { useMoveVersionMutation } from '../../entities/teas/editApi';
import { failureOf } from '../../platform/api';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';

const SAID = { house: 'the house recipe', trial: 'on trial', retired: 'set aside' } as const;
/** Puts a draft on trial, takes either for the house, or sets it aside: said when done; `failure` says why not. */
export function useMove(tea: Tea) {
  const [send, { error, isLoading }] = useMoveVersionMutation();
  const dispatch = useAppDispatch();
  const move = async (
    version: Version,
    to: BodyOf<typeof moveVersion>['to'],
  ): Promise<Version | null> => {
    try {
      const made = await send({ id: version.id, body: { to } }).unwrap();
      dispatch(toastShown({ text: `${tea.name}: version ${made.number} is ${SAID[to]}.` }));
      return made;
    } catch {
      return null;
    }
  };
  return { move, failure: error ? failureOf(error) : null, isSaving: isLoading };
}
