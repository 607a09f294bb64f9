import { useRef, useState } from 'react';
import { Note } from '../../ui/Note';

/** A button that asks for a file and hands on its text. The same file, mended, may be chosen again. */
export function FilePick({
  words,
  label,
  accept,
  disabled,
  onText,
}: {
  words: string;
  /** Of the hidden field, for those who cannot see the button. */
  label: string;
  accept: string;
  disabled: boolean;
  onText: (text: string) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [isUnread, setUnread] = useState(false);
  const read = async (file: File) => {
    // A file that was moved, or taken out with its stick.
    const text = await file.text().catch(() => null);
    setUnread(text === null);
    if (text !== null) onText(text);
  };
  return (
    <>
      <button
        type="button"
        className="btn slim mt-2 mb-3 self-start"
        disabled={disabled}
        onClick={() => input.current?.click()}
      >
        {words}
      </button>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="visually-hidden"
        tabIndex={-1}
        aria-label={label}
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          e.target.value = '';
          if (file) void read(file);
        }}
      />
      {isUnread && <Note bad>The file cannot be read. Choose it again.</Note>}
    </>
  );
}
