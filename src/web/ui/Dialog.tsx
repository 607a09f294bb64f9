import { lazy, Suspense } from 'react';
import type { SheetProps } from './DialogSheet';

const DialogSheet = lazy(() => import('./DialogSheet').then((m) => ({ default: m.DialogSheet })));

/** A sheet over the page, loaded when first opened (or in a quiet moment: shell/prefetch.ts). */
export const Sheet = (props: SheetProps) =>
  props.open ? (
    <Suspense fallback={null}>
      <DialogSheet {...props} />
    </Suspense>
  ) : null;
