import type { ReactNode } from 'react';

/** One figure of a recipe: what it is, the figure, its unit in small. */
export const Fact = ({
  label,
  unit,
  children,
}: {
  label: string;
  unit?: string;
  children: ReactNode;
}) => (
  <div>
    {label}
    <b>
      {children}
      {unit && <span>{unit}</span>}
    </b>
  </div>
);
