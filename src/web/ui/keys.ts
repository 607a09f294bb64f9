import { type MouseEvent, useLayoutEffect, useRef, useSyncExternalStore } from 'react';

/** A key, what it does in words, and the act. Later ones stand before earlier ones. */
export type KeyBinding = { readonly key: string; readonly does: string; readonly run: () => void };

type Layer = { readonly level: number; readonly bindings: readonly KeyBinding[] };
/** The shell's keys lie under a place's own, whichever came first. */
let layers: readonly Layer[] = [];
const watchers = new Set<() => void>();
const changed = () => watchers.forEach((w) => w());

const isTyping = (t: EventTarget | null) =>
  t instanceof HTMLElement && (t.matches('input, textarea, select') || t.isContentEditable);
function pressed(e: KeyboardEvent) {
  if (e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented) return;
  if (isTyping(e.target) && e.key !== 'Escape') return;
  if (document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]')) return;
  // Space and Enter belong to the control that has the focus.
  if (
    (e.key === ' ' || e.key === 'Enter') &&
    e.target instanceof HTMLElement &&
    e.target.closest('a, button, summary, [role="option"]')
  )
    return;
  // A key held down does its act once; only arrows run on.
  if (e.repeat && !e.key.startsWith('Arrow')) return;
  // A figure with Shift is a key of its own, whatever sign the layout has there.
  const figure = e.shiftKey ? /^Digit(\d)$/.exec(e.code)?.[1] : undefined;
  const plain = e.key.length === 1 ? e.key.toLowerCase() : e.key;
  const key = figure ? `Shift ${figure}` : plain;
  for (const layer of [...layers].reverse()) {
    const found = layer.bindings.find((b) => b.key === key);
    if (found) {
      e.preventDefault();
      found.run();
      return;
    }
  }
}
if (typeof document !== 'undefined') document.addEventListener('keydown', pressed);

/** Binds keys while the component is there. */
export function useKeys(bindings: readonly KeyBinding[], level = 1): void {
  const latest = useRef(bindings);
  latest.current = bindings;
  const shape = bindings.map((b) => `${b.key}\t${b.does}`).join('\n');
  // Before the paint: what is on the screen answers its keys, not those of the place before.
  useLayoutEffect(() => {
    const own =
      shape === ''
        ? []
        : shape.split('\n').map((line) => {
            const [key = '', does = ''] = line.split('\t');
            return { key, does, run: () => latest.current.find((b) => b.key === key)?.run() };
          });
    const layer = { level, bindings: own };
    layers = [...layers, layer].sort((a, b) => a.level - b.level);
    changed();
    return () => {
      layers = layers.filter((l) => l !== layer);
      changed();
    };
  }, [shape, level]);
}

const subscribe = (w: () => void) => {
  watchers.add(w);
  return () => watchers.delete(w);
};
/** Every key bound now, for the list behind "?". */
export const useBoundKeys = (): readonly KeyBinding[] =>
  [...useSyncExternalStore(subscribe, () => layers)]
    .reverse()
    .flatMap((l) => l.bindings)
    .filter((b, i, all) => all.findIndex((x) => x.key === b.key) === i);

/** For a button whose act changes under the finger: the second tap of a double tap is the same tap. */
export const oneTap =
  (act: () => void) =>
  (e: MouseEvent): void => {
    if (e.detail <= 1) act();
  };
