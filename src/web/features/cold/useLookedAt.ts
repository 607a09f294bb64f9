import { useRef, useState } from 'react';
import { useSession } from '../../entities/people/session';
import { failureOf } from '../../platform/api';

type Look = { readonly siteId: string; readonly text: string; readonly confirmed: boolean };
type Taken = { readonly taken: boolean };
/** A file that is looked at first, and added when a lead says so. `take`: a mutation of either. */
export function useLookedAt<T extends Taken>([take, state]: readonly [
  (look: Look) => PromiseLike<{ readonly data?: T | undefined }>,
  { readonly isLoading: boolean; readonly error?: unknown },
]) {
  const { site } = useSession();
  const [text, setText] = useState<string | null>(null);
  const [found, setFound] = useState<T | null>(null);
  const sent = useRef(0);
  const send = async (given: string, confirmed: boolean) => {
    const turn = ++sent.current;
    const answer = await take({ siteId: site.id, text: given, confirmed });
    // Another file was chosen since: what this one has is nobody's question any more.
    if (turn !== sent.current) return;
    setFound(answer.data ?? null);
    setText(answer.data?.taken ? null : given);
  };
  return {
    found,
    isSending: state.isLoading,
    failure: state.error === undefined ? null : failureOf(state.error).message,
    look: (given: string) => void send(given, false),
    /** Null: there is nothing to add. */
    add: text === null ? null : () => void send(text, true),
  };
}
