import { useRef, useState } from 'react';
import type { Tea } from '#contracts/teas';
import { useDropPhotoMutation } from '../../entities/teas/editApi';
import { useSetPhotoMutation } from '../../entities/teas/editApi';
import { failureOf } from '../../platform/api';
import { newId } from '../../platform/ids';

const MOST_BYTES = 16_000_000;

/** The dry leaf: kept small and without what the camera wrote beside it. */
export function LeafPhoto({ tea, lead }: { tea: Tea; lead: boolean }) {
  const [set, setting] = useSetPhotoMutation();
  const [drop, dropping] = useDropPhotoMutation();
  const [wrong, setWrong] = useState('');
  const input = useRef<HTMLInputElement>(null);
  const take = async (f: File | undefined) => {
    if (!f) return;
    if (f.size > MOST_BYTES)
      return setWrong(
        `${Math.round(f.size / 1e6)} MB is too much: at most 16. Take it with the camera’s smaller setting.`,
      );
    setWrong('');
    try {
      await set({ id: tea.id, photo: newId(), body: f }).unwrap();
    } catch (e) {
      setWrong(failureOf(e).message);
    }
    if (input.current) input.current.value = '';
  };
  if (!tea.photoId && !lead) return null;
  return (
    <div className="leaf-photo">
      {tea.photoId && <img src={`/api/photos/${tea.photoId}`} alt={`Dry leaf of ${tea.name}`} />}
      {lead && (
        <p className="flex flex-wrap gap-2 items-center">
          <input
            ref={input}
            type="file"
            accept="image/*"
            className="visually-hidden"
            aria-label="Photo of the dry leaf"
            onChange={(e) => void take(e.target.files?.[0])}
          />
          <button
            type="button"
            className="btn quiet slim"
            disabled={setting.isLoading}
            onClick={() => input.current?.click()}
          >
            {photoWords(setting, tea)}
          </button>
          {tea.photoId && (
            <button
              type="button"
              className="btn quiet slim"
              disabled={dropping.isLoading}
              onClick={() => void drop(tea.id)}
            >
              Take it away
            </button>
          )}
        </p>
      )}
      {wrong && (
        <p className="fault" role="alert">
          {wrong}
        </p>
      )}
    </div>
  );
}

/** What the button does. */
function photoWords(setting: ReturnType<typeof useSetPhotoMutation>[1], tea: Tea) {
  if (setting.isLoading) return 'Keeping it';
  if (tea.photoId) return 'Another photo';
  return 'Photo of the dry leaf';
}
