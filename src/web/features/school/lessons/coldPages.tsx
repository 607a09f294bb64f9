import { type Given, page, Paragraphs, Rows } from './lessonParts';

export const DiluteLesson = page(
  [
    'If a cold brew is too strong, dilute the brew with cold water.',
    'You cannot correct a weak cold brew: leaf that goes back steeps for hours more.',
  ],
  ['So brew a cold batch a little strong, and add water in the glass.'],
);
export const ServiceLesson = page(
  [
    'A cold batch is ready hours after the leaf goes in.',
    'Count back from the service, by the hours that the tea steeps.',
    'That is the latest moment for the leaf.',
  ],
  [
    'Choose an hour when somebody is here. Count the glasses, then the pitchers.',
    'Leaf and ice need room in a pitcher, too.',
  ],
);
/** What is thrown out when, by the limits of this house. */
export function DiscardLesson({
  facts: {
    cold: { limits },
  },
}: Given) {
  return (
    <>
      <Paragraphs>
        {[
          [
            'Cold tea is food. Every jug has a label with the tea, the time of leaf in,',
            'the time when the tea is thrown out, and who made the tea.',
          ],
          [
            'Throw out a jug without a label. Throw out a jug past its time, even if the tea tastes good.',
            'Never pour fresh tea into an old jug.',
          ],
        ]}
      </Paragraphs>
      <Rows
        heads={['Here', 'Limit']}
        rows={[
          ['In the fridge, from leaf out', `${limits.keepHours} h`],
          [
            'At the counter, from leaf in',
            limits.counterHours === null ? 'not brewed here' : `${limits.counterHours} h`,
          ],
        ]}
      />
    </>
  );
}
export const ColdHotLesson = page(
  [
    'Cold water draws sweetness and body, but little bitterness.',
    'The same leaf brewed hot has more aroma and is drier.',
  ],
  [
    'Taste one tea brewed hot and brewed in the fridge, all cups equally cold.',
    'Find the words for the difference.',
  ],
);
