import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

export type SheetProps = { title: string; open: boolean; onClose: () => void; children: ReactNode };

/** A sheet over the page: paper, a thick upper edge, its own title. */
export const DialogSheet = ({ title, open, onClose, children }: SheetProps) => (
  <Radix.Root open={open} onOpenChange={(o) => !o && onClose()}>
    <Radix.Portal>
      <Radix.Overlay className="dialog-veil" />
      <Radix.Content className="dialog" aria-describedby={undefined}>
        <Radix.Title asChild>
          <h2>{title}</h2>
        </Radix.Title>
        {children}
      </Radix.Content>
    </Radix.Portal>
  </Radix.Root>
);
