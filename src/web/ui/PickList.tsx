import { Popover } from 'radix-ui';
import { type KeyboardEvent, type ReactNode, useId, useRef, useState } from 'react';

export type Choice<T> = {
  readonly value: T;
  readonly text: string;
  readonly show?: ReactNode;
  readonly words?: string;
};
type Props<T> = {
  label: string;
  shown: ReactNode;
  /** A function where there are many: they are made when the list is opened. */
  choices: readonly Choice<T>[] | (() => readonly Choice<T>[]);
  chosen?: T;
  onPick: (v: T) => void;
  className?: string;
  filter?: string;
  foot?: ReactNode;
  open?: boolean;
  onOpen?: (open: boolean) => void;
  firstLetters?: string;
};

/** Letters in order anywhere count, those at a word's start first. */
export function matches(text: string, typed: string): number {
  const [t, q] = [text.toLowerCase(), typed.trim().toLowerCase()];
  if (q === '') return 1;
  if (t.startsWith(q)) return 4;
  if (t.split(/[\s,]+/).some((w) => w.startsWith(q))) return 3;
  return t.includes(q) ? 2 : 0;
}

/** What matches the query, the best first. */
const bestFirst = <T,>(choices: readonly Choice<T>[], query: string): Choice<T>[] =>
  choices
    .map((c) => ({
      c,
      m: Math.max(matches(c.text, query), c.words ? matches(c.words, query) - 1 : 0),
    }))
    .filter((x) => x.m > 0)
    .sort((a, b) => b.m - a.m)
    .map((x) => x.c);

/** A pick of the sentence: a button that opens its list under it; typing narrows it, arrows walk it, Enter takes it. */
export function PickList<T>({
  label,
  shown,
  choices,
  chosen,
  onPick,
  className = '',
  filter,
  foot,
  open,
  onOpen,
  firstLetters = '',
}: Props<T>) {
  const [own, setOwn] = useState(false);
  const isOpen = open ?? own;
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const id = useId();
  const list = useRef<HTMLDivElement>(null);
  const setOpen = (o: boolean) => {
    setOwn(o);
    onOpen?.(o);
    if (!o) setTyped('');
    setAt(0);
  };
  const query = typed || (filter ? firstLetters : '');
  const found = isOpen ? bestFirst(typeof choices === 'function' ? choices() : choices, query) : [];
  const take = (c: Choice<T> | undefined) => {
    if (!c) return;
    onPick(c.value);
    setOpen(false);
  };
  const walk = (e: KeyboardEvent) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[e.key];
    if (step) {
      e.preventDefault();
      const next = Math.max(0, Math.min(found.length - 1, at + step));
      setAt(next);
      list.current?.children[next]?.scrollIntoView({ block: 'nearest' });
    } else if (e.key === 'Enter') {
      e.preventDefault();
      take(found[at]);
    }
  };
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger className={`pick ${className}`} aria-label={`${label}: change`}>
        {shown}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="pop"
          align="start"
          sideOffset={6}
          onKeyDown={walk}
          aria-label={label}
        >
          {filter && (
            <input
              className="box field"
              autoFocus
              value={query}
              placeholder={filter}
              aria-label={filter}
              role="combobox"
              aria-expanded="true"
              aria-controls={id}
              aria-activedescendant={found[at] ? `${id}-${at}` : undefined}
              onChange={(e) => {
                setTyped(e.target.value);
                setAt(0);
              }}
            />
          )}
          <div role="listbox" id={id} aria-label={label} ref={list} tabIndex={-1}>
            {found.map((c, i) => (
              <button
                type="button"
                role="option"
                id={`${id}-${i}`}
                key={c.text}
                aria-selected={i === at}
                aria-current={c.value === chosen || undefined}
                tabIndex={filter ? -1 : 0}
                onClick={() => take(c)}
                onPointerMove={() => setAt(i)}
              >
                {c.show ?? c.text}
              </button>
            ))}
          </div>
          {found.length === 0 && (
            <p className="small px-4 py-2">Nothing has “{query}” in its name.</p>
          )}
          {foot}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
