import { COLOUR_STEPS, ATTRIBUTE_NAMES, ATTRIBUTES, MARKS, type Attribute, type Mark, type Verdict } from '#core/correction';
import type { Recipe } from '#core/recipes';
import type { StyleId } from '#core/styles';
import { Cup } from '../../ui/vessel';
import { swatchOf } from '../bar';

type Props = { verdict: Verdict; onMark: (what: Attribute | 'colour', mark: Mark) => void };

/** Five cups on porcelain, numbered and named; the house cup carries the mark. */
export function ColourCups({ verdict, onMark, style, recipe }: Props & { style: StyleId; recipe: Recipe }) {
  return (
    <div className="cups" role="radiogroup" aria-label="Colour">
      {COLOUR_STEPS.map((s, i) => (
        <button type="button" role="radio" key={s.mark} className={s.mark === 0 ? 'house' : ''} aria-checked={verdict.colour === s.mark} onClick={() => onMark('colour', s.mark)}>
          <Cup liquor={swatchOf(style, recipe, s.strength)} size={114} /><span>{i + 1} · {s.word}</span>
        </button>
      ))}
    </div>
  );
}

/** Five columns over and under the waterline: on the line is right. One touch for what is off. */
export function TasteBoard({ verdict, onMark }: Props) {
  return (
    <div className="taste">
      {ATTRIBUTE_NAMES.map((a) => <div className="h" key={a} id={`taste-${a}`}>{ATTRIBUTES[a].label}</div>)}
      {MARKS.map((m) => ATTRIBUTE_NAMES.map((a) => (
        <button type="button" key={`${a}${m}`} className={m === 0 ? 'right' : 'off'} role="radio" aria-checked={verdict[a] === m} aria-label={`${ATTRIBUTES[a].label}: ${ATTRIBUTES[a].words[m]}`} onClick={() => onMark(a, m)}>{ATTRIBUTES[a].words[m]}</button>
      )))}
    </div>
  );
}
