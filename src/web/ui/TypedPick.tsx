import { Popover } from 'radix-ui';
import { useId, useState } from 'react';

type Read =
  { readonly kind: 'ok'; readonly value: number } | { readonly kind: 'bad'; readonly why: string };
type Props = {
  label: string;
  text: string;
  typed: string;
  read: (text: string) => Read;
  onValue: (v: number) => void;
  small?: boolean;
};

/** A pick of the sentence whose value is typed: what is wrong stands under it, and what was typed stays. */
export function TypedPick({ label, text, typed, read, onValue, small = false }: Props) {
  const [open, setOpen] = useState(false);
  const [value, setValue] = useState(typed);
  const [wrong, setWrong] = useState<string | null>(null);
  const id = useId();
  const take = () => {
    const r = read(value);
    if (r.kind === 'bad') return setWrong(r.why);
    onValue(r.value);
    setOpen(false);
  };
  return (
    <Popover.Root
      open={open}
      onOpenChange={(o) => {
        setOpen(o);
        setValue(typed);
        setWrong(null);
      }}
    >
      <Popover.Trigger
        className={small ? 'btn quiet slim' : 'pick'}
        aria-label={`${label}: change`}
      >
        {text}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="pop p-3" sideOffset={6} align="start">
          <form
            onSubmit={(e) => {
              e.preventDefault();
              take();
            }}
            className="grid gap-2"
          >
            <label htmlFor={id} className="text-[15px] font-semibold">
              {label}
            </label>
            <div className="flex gap-2">
              <input
                id={id}
                className="box w-[160px]"
                value={value}
                onChange={(e) => setValue(e.target.value)}
                aria-invalid={wrong !== null}
                aria-describedby={wrong ? `${id}w` : undefined}
                autoFocus
              />
              <button type="submit" className="btn go">
                Take it
              </button>
            </div>
            {wrong && (
              <p id={`${id}w`} className="fault" role="alert">
                {wrong}
              </p>
            )}
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
