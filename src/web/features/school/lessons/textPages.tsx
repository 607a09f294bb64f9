import { ATTRIBUTE_NAMES, ATTRIBUTES, MARKS } from '#core/corrections';
import { strengthAlongPour } from '#core/cup';
import type { DrillFacts } from '#core/training';
import { capital, millilitres, numberText, volumeText } from '#core/units';
import { useUnits } from '../../../entities/people/session';

type Given = { readonly facts: DrillFacts };
type Row = readonly (string | number)[];

/** A small table of a lesson: the first cell of a row names it. */
function Rows({ heads, rows }: { heads: readonly string[]; rows: readonly Row[] }) {
  return (
    <div className="overflow-auto mt-4">
      <table className="skill-table">
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, ...cells]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {cells.map((cell, i) => (
                <td key={i}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
/** Sentences, each a paragraph of its own. */
const Words = ({ children }: { children: readonly string[] }) =>
  children.map((words, i) => (
    <p key={words} className={i === 0 ? '' : 'mt-2'}>
      {words}
    </p>
  ));
/** A page of sentences alone. */
const page =
  (...words: readonly string[]) =>
  () => <Words>{words}</Words>;

const SHOWN = 8;
/** One tea in the vessels of the house. */
export function EveryPotLesson({ facts: { cups } }: Given) {
  const units = useUnits();
  const [first] = cups;
  const same = cups.filter((c) => c.tea === first?.tea).slice(0, SHOWN);
  return (
    <>
      <Words>
        {[
          'The dose stays the same: so many grams for each 100 ml of water. Twice the water takes twice the leaf.',
          'Count the water that goes on the leaf. The leaf keeps some water, so less comes into the cups.',
        ]}
      </Words>
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
    <Words>
      {[
        'A packet rarely says which spoon, which cup and which pot it means. Work out what the packet can mean, then take the reading that gives a usual dose.',
        'The house recipe decides. The packet is where a new tea begins.',
      ]}
    </Words>
    <Rows
      heads={['The packet says', 'Ask']}
      rows={[
        ['1 teaspoon', 'Which spoon, level or heaped? How many grams of this leaf does it hold?'],
        ['per cup', 'A cup of 150, 237 or 250 ml?'],
        ['one for the pot', 'Leave it out: the dose follows the water.'],
        ['off the boil', 'How many degrees, and in which vessel?'],
      ]}
    />
  </>
);

const CUPS = 3;
const ORDER = ['First cup', 'Second cup', 'Third cup'];
export const TurnsLesson = () => (
  <>
    <Words>
      {[
        'A pot that nobody stirred is weakest at its first drop and strongest at its last.',
        'Fill every cup a little, then go round again, and end with the cup you began with. Or pour the whole pot into a warm jug first.',
      ]}
    </Words>
    <Rows
      heads={['Poured one after the other', 'Against the mean of the pot']}
      rows={ORDER.map((name, i) => {
        const percent = Math.round(100 * (strengthAlongPour((i + 0.5) / CUPS) - 1));
        return [name, percent === 0 ? 'alike' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`];
      })}
    />
  </>
);

export const WordsLesson = () => (
  <>
    <Words>
      {[
        'Everybody here uses the same words for the same taste. A word is against the house cup of that tea, not against other teas.',
      ]}
    </Words>
    <Rows
      heads={['', ...MARKS.map((m) => (m === 0 ? '0' : `${m > 0 ? '+' : '−'}${Math.abs(m)}`))]}
      rows={ATTRIBUTE_NAMES.map((a) => [
        capital(ATTRIBUTES[a].label),
        ...MARKS.map((m) => ATTRIBUTES[a].words[m]),
      ])}
    />
  </>
);

export function DiscardLesson({
  facts: {
    cold: { limits },
  },
}: Given) {
  return (
    <>
      <Words>
        {[
          'Cold tea is food. Every jug has a label: what is in it, when the leaf went in, when it is thrown out, who made it.',
          'A jug without a label is thrown out. A jug past its time is thrown out, even if it tastes good. Fresh tea never goes into an old jug.',
        ]}
      </Words>
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

export const PotHeatLesson = page(
  'A cold pot takes heat from the water as soon as it is poured. The leaf then steeps in cooler water than the kettle shows.',
  'Warm the pot with hot water, pour that away, then put in the leaf. A heavy pot takes more heat than a thin one.',
);
export const FourTimesLesson = page(
  'Taste comes out of the leaf first, bite comes later. Between them lies the window.',
  'Taste four cups of one tea, each steeped for another time. Find the cup in which the bite begins.',
);
export const TwoHeatsLesson = page(
  'Hot water draws everything faster, bite most of all. A green tea shows this best.',
  'Taste two cups from the same leaf and the same clock. Only the heat differs.',
);
export const RoomLesson = page(
  'Leaf opens to several times its size. In a small ball it stays packed, and the water does not reach it.',
  'So a weak cup from a full ball needs room first, and more minutes only after that. Stirring and a finer cut give more, too.',
);
export const AgainLesson = page(
  'The first steep takes most of what the leaf gives quickly. The next steep needs longer for the same strength.',
  'Pour off to the last drop: what stays on the leaf goes on steeping. The recipe has its own times for later steeps; without one, the card works the time out.',
);
export const TenMinutesLesson = page(
  'At the bar the hands are the narrow place: one pour, one pull, one cup served at a time.',
  'Look before each pour: will two pots be due at the same moment? Then wait the seconds the bar says. Pull what is due before you pour what is new.',
);
export const LetDownLesson = page(
  'A cold brew that is too strong is let down with cold water. Nothing mends a weak one: leaf that goes back draws for hours more.',
  'So a cold batch is brewed a little strong, and water is added at the glass.',
);
export const ServiceLesson = page(
  'A cold batch is ready hours after its leaf goes in. Count back from the service: the latest moment for the leaf is the service less the hours of the tea.',
  'Choose an hour at which somebody is here. Count the glasses, then the pitchers: leaf and ice take room, too.',
);
export const ColdHotLesson = page(
  'Cold water draws sweetness and body, but little bite. The same leaf hot tastes livelier and drier.',
  'Taste one tea hot and from the fridge, all at the same cold, and find the words for the difference.',
);
export const AsWrittenLesson = page(
  'A strange cup was most often not brewed as the recipe says. Ask for the facts before you change the recipe: leaf, water, heat, time, vessel.',
  'If one fact is off, the fact is the cause. Correct the hand, not the recipe.',
);
export const LeafOrMinutesLesson = page(
  'More leaf and more minutes both make a stronger cup, but not the same cup. Leaf gives strength and sweetness. Minutes give strength and bite.',
  'Strong without bite: too much leaf. Strong with bite: too long or too hot.',
);
export const HeatFirstLesson = page(
  'Too hot and too long taste nearly alike. In one cup nobody tells them apart for sure.',
  'Compare two cups in which only one thing differs. Read the thermometer before you blame the tea.',
);
export const OneThingLesson = page(
  'Change one thing, by the size that the cup asks for, then taste again. Two changes at once teach nothing.',
  'The size counts: a small fault takes a small change.',
);
export const InHandLesson = page(
  'The guest has this cup now. First help this cup, then think of the next brew.',
  'Too strong: hot water, a little at a time. Too weak with the leaf at hand: the leaf goes back for a short time. Weak and bitter: brew a new cup.',
);
export const TwoThingsLesson = page(
  'Sometimes two faults hide each other: little leaf steeped long is strong enough, but bitter.',
  'The words of the cup do not fit one cause then. Look for a cup that is right in strength and wrong in everything else.',
);
export const AlikeLesson = page(
  'A fair tasting differs in one thing. Whatever else creeps in is tasted with it, and nobody can tell which of the two it was.',
  'Same leaf, same water, same vessel, same hand, same warmth in the mouth.',
);
export const AskFirstLesson = page(
  'A taster who hears the answer first tastes the answer. Ask, wait, let everybody submit, then reveal.',
  'Lead “Four cups, four times” with at least two tasters. The trainer’s sheet has the question and what to expect.',
);
export const SilenceLesson = page(
  'Cups carry codes, not names. Nobody speaks, nods or pulls a face until all sheets are in.',
  'Lead a triangle with at least two tasters: two cups are the same tea, one is not. With few tasters the result is often chance, and the page says so.',
);
export const TongueLesson = page(
  'Every taster has habits: one marks everything bitter, another marks everything mild. Know your own.',
  'In a calibration every cup is in two bowls. See how far your own two scores are apart, and how far you are from the others.',
);
export const EnoughLesson = page(
  'A level is the lowest skill that the last answers at level 3 can mean. From 80, with 20 answers on 3 days, it is enough to look closer.',
  'A figure signs nothing. Brew and taste with the person, see the hands, then sign, with a note of what you saw. A sign-off ends after a year.',
);
