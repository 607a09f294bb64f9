import { useEffect, useMemo, useState } from 'react';
import type { GuestAct } from '#contracts/guests';
import { useAddGuestEventMutation, useGuestSheetQuery } from '../../../entities/tastings/guestApi';
import { type ApiFailure, failureOf } from '../../../platform/api';
import { now } from '../../../platform/clock';
import { newId } from '../../../platform/ids';
import { type GuestWrite, isGivenUp, withUnsent } from './model';

/** The sheet is asked for so often, and what was not sent is tried again, ms. */
const POLL_MS = 4000;
const PASS = 'limnos.guest.pass';
const UNSENT = 'limnos.guest.unsent';

const unsentHere = (): readonly GuestWrite[] => {
  try {
    return JSON.parse(localStorage.getItem(UNSENT) ?? '[]') as GuestWrite[];
  } catch {
    return [];
  }
};
/** The pass of this phone: kept, so that a page that is opened again is the same guest. */
export function useGuestPass() {
  const [pass, setPass] = useState(() => localStorage.getItem(PASS));
  return {
    pass,
    sit: (given: string) => {
      localStorage.setItem(PASS, given);
      localStorage.removeItem(UNSENT);
      setPass(given);
    },
    leave: () => {
      localStorage.removeItem(PASS);
      localStorage.removeItem(UNSENT);
      setPass(null);
    },
  };
}

/** What a guest wrote, sent in its order; what cannot be sent now is kept here and tried again. */
function useSending(pass: string) {
  const [unsent, setUnsent] = useState(unsentHere);
  const [failure, setFailure] = useState<ApiFailure | null>(null);
  const [tries, setTries] = useState(0);
  const [send] = useAddGuestEventMutation();
  const first = unsent[0];
  useEffect(() => localStorage.setItem(UNSENT, JSON.stringify(unsent)), [unsent]);
  useEffect(() => {
    if (!first) return;
    let again: ReturnType<typeof setTimeout> | undefined;
    const taken = () => setUnsent((all) => all.filter((w) => w.id !== first.id));
    void send({ pass, body: first }).then((answer) => {
      if (!('error' in answer)) {
        setFailure(null);
        return taken();
      }
      const why = failureOf(answer.error);
      setFailure(why);
      if (isGivenUp(why)) return taken();
      again = setTimeout(() => setTries((n) => n + 1), POLL_MS);
    });
    return () => clearTimeout(again);
  }, [first, pass, send, tries]);
  const write = (act: GuestAct) =>
    setUnsent((all) => [...all, { id: newId(), at: Math.round(now()), act }]);
  return { unsent, write, failure };
}

/** A guest's sheet as it stands, with what this phone has not sent. */
export function useGuest(pass: string) {
  const { data, error, isLoading, refetch } = useGuestSheetQuery(pass, {
    pollingInterval: POLL_MS,
  });
  const { unsent, write, failure } = useSending(pass);
  const sheet = useMemo(() => (data ? withUnsent(data, unsent) : null), [data, unsent]);
  const why = error ? failureOf(error) : failure;
  return { sheet, write, unsent: unsent.length, why, isLoading, refetch };
}
