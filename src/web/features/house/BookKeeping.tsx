import { useState } from 'react';
import { History } from '../../entities/history/History';
import { useBookQuery } from '../../entities/teas/api';
import { useSetVocabularyMutation } from '../../entities/teas/editApi';
import { failureOf } from '../../platform/api';
import { Note } from '../../ui/Note';

/** What belongs to the whole book: its tasting words, and its way out and in. */
export function BookKeeping() {
  const { data } = useBookQuery();
  const [typed, setTyped] = useState<string | null>(null);
  const [set, { isLoading, error }] = useSetVocabularyMutation();
  const words = data?.vocabulary ?? [];
  const save = () =>
    void set({
      words: (typed ?? '')
        .split(/[,\n]/)
        .map((w) => w.trim())
        .filter(Boolean),
    })
      .unwrap()
      .then(
        () => setTyped(null),
        () => undefined,
      );
  return (
    <section>
      <div className="flex items-end gap-3">
        <h2 className="flex-1">
          The book<small>the house’s tasting words, in its order</small>
        </h2>
        {typed === null && (
          <button type="button" className="btn slim" onClick={() => setTyped(words.join(', '))}>
            Edit the words
          </button>
        )}
      </div>
      {typed === null ? (
        <p className="mt-1">{words.length === 0 ? 'No words yet.' : words.join(', ')}</p>
      ) : (
        <form
          className="form mt-2 max-w-[760px]"
          onSubmit={(e) => {
            e.preventDefault();
            save();
          }}
        >
          <div className="field-row">
            <label htmlFor="vocabulary">Tasting words, with commas between them</label>
            <textarea
              id="vocabulary"
              className="box"
              rows={3}
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
            />
          </div>
          {error && (
            <Note bad>
              <b>Not saved.</b> {failureOf(error).message}
            </Note>
          )}
          <div className="flex gap-2">
            <button type="submit" className="btn go" disabled={isLoading}>
              Save the words
            </button>
            <button type="button" className="btn quiet" onClick={() => setTyped(null)}>
              Leave it
            </button>
          </div>
        </form>
      )}
      <History thing="house" id="house" />
    </section>
  );
}
