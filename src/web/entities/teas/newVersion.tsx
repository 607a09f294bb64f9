import { useState } from 'react';
import { isCold, METHODS } from '#core/recipes';
import type { BodyOf } from '#contracts/endpoint';
import type { Version } from '#contracts/recipes';
import type { addVersion, Tea } from '#contracts/teas';
import { type ApiFailure, failureOf } from '../../platform/api';
import { newId } from '../../platform/ids';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { Note } from '../../ui/Note';
import { useAddVersionMutation } from './api';

type Body = BodyOf<typeof addVersion>;
type Made = Pick<Body, 'as' | 'method' | 'recipe' | 'reason' | 'settles'> &
  Partial<Pick<Body, 'expected'>>;
const AS_WORDS = { house: 'the house recipe', trial: 'on trial', draft: 'a draft' } as const;
export type NewVersion = {
  /** The version made, or null: the failure is shown beside what was typed. */
  readonly save: (made: Made) => Promise<Version | null>;
  readonly failure: ApiFailure | null;
  /** Another lead's version that came between; null when none did. */
  readonly theirs: number | null;
  /** The number it will have. */
  readonly next: number;
  /** Theirs was looked at: the next save comes after it. */
  readonly seen: () => void;
  readonly isSaving: boolean;
};

/** Makes a version of a tea's recipe on top of the one that was newest when the form was opened; said when done. */
export function useNewVersion(tea: Tea, newest: number): NewVersion {
  // What the lead was looking at when the form was opened, not what has come since.
  const [basedOn, setBasedOn] = useState(newest);
  const [id] = useState(newId);
  const [add, { error, isLoading }] = useAddVersionMutation();
  const dispatch = useAppDispatch();
  const failure = error ? failureOf(error) : null;
  const theirs =
    failure?.kind === 'answer' && failure.code === 'version.newer'
      ? Number(failure.details?.newest)
      : null;
  const save = async (made: Made) => {
    try {
      const version = await add({
        id: tea.id,
        body: { id, basedOn, expected: null, ...made },
      }).unwrap();
      dispatch(
        toastShown({
          text: `${tea.name}: ${isCold(made.method) || made.method !== tea.method ? `${METHODS[made.method].label}, ` : ''}version ${version.number} is ${AS_WORDS[made.as]}.`,
        }),
      );
      return version;
    } catch {
      return null;
    }
  };
  return {
    save,
    failure,
    theirs,
    next: basedOn + 1,
    seen: () => {
      if (theirs !== null) setBasedOn(theirs);
    },
    isSaving: isLoading,
  };
}

/** Why it was not made, and the way on when another lead's came between. */
export function NotMade({ making: { failure, theirs, next, seen } }: { making: NewVersion }) {
  if (!failure) return null;
  const looked = theirs !== null && next > theirs;
  return (
    <Note
      bad
      action={
        theirs !== null &&
        !looked && (
          <button type="button" className="btn slim" onClick={seen}>
            Theirs seen
          </button>
        )
      }
    >
      <b>Not saved.</b> {failure.message}
      {looked ? ' Theirs seen: save again to make yours the next.' : ''}
    </Note>
  );
}
