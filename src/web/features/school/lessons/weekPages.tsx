import { strengthAlongPour } from '#core/cup';
import { CUPS_OF_A_POT } from '#core/tastings';
import { millilitres, numberText, volumeText } from '#core/units';
import { useUnits } from '../../../entities/people/session';
import { type Given, page, Paragraphs, Rows } from './lessonParts';

const SHOWN = 8;
/** One tea in the vessels of the house. */
export function EveryPotLesson({ facts: { cups } }: Given) {
  const units = useUnits();
  const [first] = cups;
  const same = cups.filter((c) => c.tea === first?.tea).slice(0, SHOWN);
  return (
    <>
      <Paragraphs>
        {[
          [
            'The dose stays the same: so many grams of leaf for each 100 ml of water.',
            'Twice the water takes twice the leaf.',
          ],
          [
            'Count the water that goes on the leaf.',
            'The leaf keeps some water, so less comes into the cups.',
          ],
        ]}
      </Paragraphs>
      {first && (
        <Rows
          heads={[first.tea, 'Water to the line', 'Leaf']}
          rows={same.map((c) => [
            c.vessel,
            volumeText(millilitres(c.waterMl), units.volume),
            `${numberText(c.leafGrams, 1)} g`,
          ])}
        />
      )}
    </>
  );
}

export const PacketLesson = () => (
  <>
    <Paragraphs>
      {[
        [
          'A packet seldom says which spoon, which cup and which pot are meant.',
          'Work out what the packet can mean. Take the reading that gives a usual dose.',
        ],
        ['The house recipe decides. Use the packet only to begin with a new tea.'],
      ]}
    </Paragraphs>
    <Rows
      heads={['The packet says', 'Ask']}
      rows={[
        ['1 teaspoon', 'Which spoon, level or heaped? How many grams of this leaf?'],
        ['per cup', 'A cup of 150, 237 or 250 ml?'],
        ['one for the pot', 'Leave this spoon out: the dose follows the water.'],
        ['off the boil', 'How many degrees, and in which vessel?'],
      ]}
    />
  </>
);

const ORDER = ['First cup', 'Second cup', 'Third cup'];
/** How much stronger or weaker a cup of the pot is than the mean of the pot. */
function againstMean(cup: number): string {
  const percent = Math.round(100 * (strengthAlongPour((cup + 0.5) / CUPS_OF_A_POT) - 1));
  if (percent === 0) return 'as strong as the mean';
  return percent > 0 ? `${percent} % stronger` : `${-percent} % weaker`;
}
export const TurnsLesson = () => (
  <>
    <Paragraphs>
      {[
        ['In a pot that nobody stirred, the first drop is the weakest, the last the strongest.'],
        [
          'Fill every cup a little. Then go back and fill every cup again, from the last cup to the first.',
          'Or pour the whole pot into a warm jug first.',
        ],
      ]}
    </Paragraphs>
    <Rows
      heads={['One cup after the other', 'Against the mean of the pot']}
      rows={ORDER.map((name, i) => [name, againstMean(i)])}
    />
  </>
);

export const PotHeatLesson = page(
  [
    'A cold pot takes heat from the water as soon as you pour.',
    'The leaf then steeps in cooler water than the kettle shows.',
  ],
  [
    'Warm the pot with hot water, pour that water away, then put in the leaf.',
    'A heavy pot takes more heat than a thin pot.',
  ],
);
export const FourTimesLesson = page(
  [
    'Taste comes out of the leaf first, bitterness comes later.',
    'The window lies between the two.',
  ],
  [
    'Taste four cups of one tea, each steeped for another time.',
    'Find the cup in which the bitterness begins.',
  ],
);
export const TwoHeatsLesson = page(
  [
    'Hot water draws everything faster, bitterness most of all.',
    'You taste this best in a green tea.',
  ],
  ['Taste two cups of the same leaf, steeped for the same time. Only the heat differs.'],
);
export const RoomLesson = page(
  [
    'Wet leaf is several times as large as dry leaf.',
    'In a small ball the leaf stays packed, and the water does not reach the leaf.',
  ],
  [
    'If a full ball makes a weak cup, give the leaf more room first. Only then add minutes.',
    'Stirring and broken leaf make the cup stronger, too.',
  ],
);
export const AgainLesson = page(
  [
    'The first steep draws most of what the leaf gives quickly.',
    'The next steep takes longer for the same strength.',
  ],
  [
    'Pour off to the last drop: water that stays on the leaf goes on steeping.',
    'A recipe can have times for later steeps. If the recipe has none, the card works them out.',
  ],
);
export const TenMinutesLesson = page(
  ['You can do one thing at a time: one pour, one pull, or one cup served.'],
  [
    'Look before each pour: will two pots be due at the same moment?',
    'If so, wait the seconds that the bar shows.',
    'Pull what is due before you pour a new pot.',
  ],
);
