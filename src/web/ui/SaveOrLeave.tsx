import type { ReactNode } from 'react';

/** The foot of a form: its words save it, or it is left as it was. */
export function SaveOrLeave({
  saving,
  leaveWords = 'Leave it',
  onLeave,
  children,
}: {
  saving: boolean;
  leaveWords?: string;
  onLeave: () => void;
  children: ReactNode;
}) {
  return (
    <div className="flex flex-wrap gap-2">
      <button type="submit" className="btn go" disabled={saving}>
        {children}
      </button>
      <button type="button" className="btn quiet" onClick={onLeave}>
        {leaveWords}
      </button>
    </div>
  );
}
