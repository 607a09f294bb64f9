import { ATTRIBUTE_NAMES, ATTRIBUTES, type Mark, MARKS } from '#core/corrections';
import { capital, signedText } from '#core/units';
import { page, Paragraphs, Rows } from './lessonParts';

const markText = (mark: Mark): string => (mark === 0 ? '0' : signedText(mark));
export const WordsLesson = () => (
  <>
    <Paragraphs>
      {[
        [
          'Everybody here uses the same words for the same taste.',
          'A word compares this cup with the house cup of this tea, not with other teas.',
        ],
      ]}
    </Paragraphs>
    <Rows
      heads={['', ...MARKS.map(markText)]}
      rows={ATTRIBUTE_NAMES.map((a) => [
        capital(ATTRIBUTES[a].label),
        ...MARKS.map((m) => ATTRIBUTES[a].words[m]),
      ])}
    />
  </>
);

export const AsWrittenLesson = page(
  [
    'A strange cup was most often not brewed as the recipe says.',
    'Ask for the facts before you change the recipe: leaf, water, heat, time, vessel.',
  ],
  ['If one fact is wrong, that fact is the cause. Correct the brewing, not the recipe.'],
);
export const LeafOrMinutesLesson = page(
  [
    'More leaf and more minutes both make a stronger cup, but not the same cup.',
    'Leaf gives strength and sweetness. Minutes give strength and bitterness.',
  ],
  ['Strong but not bitter: too much leaf. Strong and bitter: too long or too hot.'],
);
export const HeatFirstLesson = page(
  [
    'A cup steeped too hot tastes nearly like a cup steeped too long.',
    'Nobody can say for sure from one cup alone.',
  ],
  [
    'Compare two cups in which only one thing differs.',
    'Read the thermometer before you say that the tea is bad.',
  ],
);
export const OneThingLesson = page(
  [
    'Change one thing, by as much as the cup needs, then taste again.',
    'If you change two things at once, you do not learn which one helped.',
  ],
  ['The size counts: a small fault needs a small change.'],
);
export const InHandLesson = page(
  ['The guest has this cup now. First help this cup, then think of the next brew.'],
  [
    'Too strong: add hot water, a little at a time.',
    'Too weak, with the leaf at hand: put the leaf back for a short time.',
    'Weak and bitter: brew a new cup.',
  ],
);
export const TwoThingsLesson = page(
  [
    'Sometimes one fault hides another.',
    'Too little leaf, steeped too long, makes a cup that is strong enough, but bitter.',
  ],
  [
    'Then the words of the cup do not fit one cause.',
    'Look for a cup that is right in strength and wrong in everything else.',
  ],
);
