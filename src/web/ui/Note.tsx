import type { ReactNode } from 'react';
import { LevelMark } from './LevelMark';

/** Something to know, in place; `bad` when something did not work. */
export const Note = ({
  bad = false,
  children,
  action,
}: {
  bad?: boolean;
  children: ReactNode;
  action?: ReactNode;
}) => (
  <div className={`note ${bad ? 'bad' : ''}`} role={bad ? 'alert' : 'status'}>
    {bad ? (
      <span className="sign" aria-hidden="true">
        !
      </span>
    ) : (
      <svg width="20" height="14" aria-hidden="true">
        <path d="M0 4h20M0 10h5M8 10h4M15 10h5" stroke="var(--ink)" strokeWidth="2" />
      </svg>
    )}
    <div>{children}</div>
    {action}
  </div>
);

/** Nothing found or nothing there yet: the level mark on a bare line, one sentence, one way on. */
export const Nothing = ({ children, action }: { children: ReactNode; action?: ReactNode }) => (
  <div className="grid content-start gap-3 py-4">
    <svg width="100%" height="20" aria-hidden="true">
      <path d="M0 14h2000" stroke="var(--ink)" strokeWidth="2" />
      <LevelMark x={40} y={14} size={14} />
    </svg>
    <p className="text-[19px] font-semibold">{children}</p>
    {action && <div>{action}</div>}
  </div>
);

/** Nothing for a moment, then dashed outlines. */
export const Loading = ({ what }: { what: string }) => (
  <div className="grid content-start gap-2 p-6 loading" role="status">
    {[0, 1, 2].map((i) => (
      <svg key={i} width="300" height="34" aria-hidden="true">
        <circle cx="17" cy="17" r="14" fill="none" stroke="var(--line-2)" strokeDasharray="4 4" />
        <path d="M44 17h210" stroke="var(--line-2)" strokeDasharray="6 5" strokeWidth="1.5" />
      </svg>
    ))}
    <p className="small">Fetching {what}.</p>
  </div>
);
