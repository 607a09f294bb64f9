import type { ReactNode } from 'react';

/** A line of the card, with a quiet button beside it that switches what the line is about. */
export function LineWithToggle({
  toggle,
  isOn,
  onToggle,
  figure,
  children,
}: {
  /** What the button says; absent: nothing can be switched. */
  toggle: string | null;
  isOn: boolean;
  onToggle: (on: boolean) => void;
  /** What the line is called in tests. */
  figure?: string;
  children: ReactNode;
}) {
  return (
    <div className="hands-line">
      <p data-testid={figure}>{children}</p>
      {toggle !== null && (
        <button
          type="button"
          className="btn quiet slim"
          aria-pressed={isOn}
          onClick={() => onToggle(!isOn)}
        >
          {toggle}
        </button>
      )}
    </div>
  );
}
