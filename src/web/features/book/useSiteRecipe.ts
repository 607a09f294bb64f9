import type { Method } from '#core/recipes';
import type { BodyOf } from '#contracts/endpoint';
import type { setSiteRecipe, Tea } from '#contracts/teas';
import { useSession } from '../../entities/people/session';
import { useSetSiteRecipeMutation } from '../../entities/teas/editApi';
import { failureOf } from '../../platform/api';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';

type Own = BodyOf<typeof setSiteRecipe>['own'];
/** Takes a version for this site alone, or goes back to the house's: said when done; `failure` says why not. */
export function useSiteRecipe(tea: Tea) {
  const { site } = useSession();
  const [send, { error, isLoading }] = useSetSiteRecipeMutation();
  const dispatch = useAppDispatch();
  /** @returns whether it was done */
  const set = async (method: Method, own: Own): Promise<boolean> => {
    try {
      await send({ id: tea.id, body: { siteId: site.id, method, own } }).unwrap();
      const text = own
        ? `${site.name} now brews its own recipe of ${tea.name}.`
        : `${site.name} now brews the house recipe of ${tea.name}.`;
      dispatch(toastShown({ text }));
      return true;
    } catch {
      return false;
    }
  };
  return { set, failure: error ? failureOf(error) : null, isSaving: isLoading };
}
