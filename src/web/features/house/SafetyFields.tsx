import { useState } from 'react';
import { celsius, numberText, parseWithin } from '#core/units';
import type { SiteSafety } from '#contracts/sites';
import { useSession } from '../../entities/people/session';

type Typed = Readonly<Record<keyof SiteSafety, string>>;
const typedOf = (safety: SiteSafety | null): Typed => ({
  codeName: safety?.codeName ?? '',
  codeLink: safety?.codeLink ?? '',
  hotHold: safety?.hotHold ? numberText(safety.hotHold) : '',
  cardWords: safety?.cardWords ?? '',
});
const readHotHold = (text: string) =>
  text.trim() === '' ? null : parseWithin(text, 'Kept hot', '°C', 50, 90);
const isLink = (text: string) =>
  URL.canParse(text) && ['https:', 'http:'].includes(new URL(text).protocol);

/** What is typed of the law of the place: `read` gives it; null while something of it is wrong. */
export function useSafety() {
  const { site } = useSession();
  const [typed, setTyped] = useState(() => typedOf(site.safety));
  const hot = readHotHold(typed.hotHold);
  const faults: Partial<Typed> = {
    ...(hot?.kind === 'bad' && { hotHold: hot.why }),
    ...(typed.codeLink.trim() !== '' &&
      !isLink(typed.codeLink.trim()) && {
        codeLink: 'A link begins with https:// or http://.',
      }),
  };
  const read = (): SiteSafety | null =>
    Object.keys(faults).length > 0
      ? null
      : {
          codeName: typed.codeName.trim(),
          codeLink: typed.codeLink.trim(),
          hotHold: hot?.kind === 'ok' ? celsius(hot.value) : null,
          cardWords: typed.cardWords.trim(),
        };
  const type = (name: keyof SiteSafety, text: string) => setTyped((t) => ({ ...t, [name]: text }));
  return { typed, faults, type, read };
}

const FIELDS: readonly {
  readonly name: keyof SiteSafety;
  readonly label: string;
  readonly most: number;
  readonly hint: string;
}[] = [
  {
    name: 'codeName',
    label: 'Local food code',
    most: 80,
    hint: 'The name of the code. Pages and the inspection record show this name.',
  },
  {
    name: 'codeLink',
    label: 'Link to the code',
    most: 200,
    hint: 'A link, https://…. Leave this field empty when the code is on paper.',
  },
  {
    name: 'hotHold',
    label: 'Tea kept hot: at least, °C',
    most: 5,
    hint: 'The heat that the code asks for. Leave this field empty when no tea is kept hot here.',
  },
  {
    name: 'cardWords',
    label: 'Words on every card',
    most: 140,
    hint: 'Printed on take-home and wall cards, as “Ask us about allergens.” No health claims.',
  },
];

/** The local code and what it asks for, typed by a lead. */
export function SafetyFields({
  safety: { typed, faults, type },
  shows,
}: {
  safety: ReturnType<typeof useSafety>;
  /** Faults are shown: the form was sent. */
  shows: boolean;
}) {
  return (
    <fieldset className="max-w-[720px]">
      <legend className="font-display text-[20px] font-semibold">Local food law and cards</legend>
      <div className="flex flex-col gap-3 mt-2">
        {FIELDS.map(({ name, label, most, hint }) => (
          <label
            key={name}
            className="grid grid-cols-[200px_minmax(0,1fr)] items-center gap-x-3 gap-y-1 max-[700px]:grid-cols-[minmax(0,1fr)]"
          >
            <span className="font-semibold">{label}</span>
            <input
              className="box"
              aria-label={label}
              maxLength={most}
              value={typed[name]}
              aria-invalid={shows && faults[name] !== undefined}
              onChange={(e) => type(name, e.target.value)}
            />
            <span className="small col-start-2 max-[700px]:col-start-1">{hint}</span>
            {shows && faults[name] && (
              <span className="fault col-start-2 max-[700px]:col-start-1" role="alert">
                {faults[name]}
              </span>
            )}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
