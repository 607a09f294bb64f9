import { densityOf, packetOnLeaf, styleStarts, type Weighing } from '#core/recipes';
import { packetMeanings, readPacket, type Packet as Read, type PacketMeaning } from '#core/teas';
import { styleOf, type StyleId } from '#core/styles';
import { gramsPer100Ml, minutesText, numberText, temperatureText, volumeText } from '#core/units';
import { useUnits } from '../../app/session';

/** What a packet means for one tea: every reading of its cup, the likeliest first told. */
export const meaningsOf = (packet: string, style: StyleId, weighing: Weighing | null): PacketMeaning[] =>
  packetMeanings(readPacket(packet), { density: weighing && densityOf(weighing), usual: gramsPer100Ml(styleStarts(style)[0]?.recipe.dose ?? styleOf(style).start.dose) });

const SPOON_WORDS = { teaspoon: 'teaspoon (5 ml)', dessertSpoon: 'dessert spoon (10 ml)', tablespoon: 'tablespoon (15 ml)' } as const;
const leafWords = (l: NonNullable<Read['leaf']>) => {
  const count = l.low === l.high ? numberText(l.low, 2) : `${numberText(l.low, 2)} to ${numberText(l.high, 2)}`;
  return l.unit === 'spoon' ? `${count} ${l.heaped ? 'heaped' : 'level'} ${SPOON_WORDS[l.spoon]}` : `${count} ${l.unit === 'gram' ? 'g' : l.unit === 'bag' ? (l.high === 1 ? 'bag' : 'bags') : l.high === 1 ? 'scoop' : 'scoops'}`;
};

/** The supplier's words read for this tea: which spoon, which cup, how many grams; where teaspoon and tablespoon may be mixed up it says so. */
export function PacketReading({ packet, style, weighing }: { packet: string; style: StyleId; weighing: Weighing | null }) {
  const units = useUnits();
  if (packet.trim() === '') return null;
  const read = readPacket(packet);
  const meanings = meaningsOf(packet, style, weighing);
  const usual = styleOf(style).start.dose;
  const parts = [
    read.leaf && leafWords(read.leaf), read.water && (read.water.kind === 'ml' ? `in ${volumeText(read.water.ml, units.volume)}` : `in ${read.water.cups === 1 ? 'a cup' : `${numberText(read.water.cups, 2)} cups`}`),
    read.heat !== null && `${temperatureText(read.heat, units.temperature)} in the kettle, about ${temperatureText(packetOnLeaf(read.heat), units.temperature)} on the leaf`, read.time && (read.time.from === read.time.to ? minutesText(read.time.from) : `${minutesText(read.time.from)} to ${minutesText(read.time.to)}`),
  ].filter(Boolean);
  if (parts.length === 0) return <p className="small" data-testid="packet">No figures found in it. It is kept as printed.</p>;
  return (
    <div className="packet" data-testid="packet">
      <p className="small">Read as: {parts.join(', ')}.{read.leaf?.unit === 'spoon' && !weighing ? ' Weigh a spoon of this tea to know the grams.' : ''}</p>
      {meanings.length > 0 && (
        <table className="grid-table"><thead><tr><th className="l">{read.water?.kind === 'cups' ? 'if its cup is' : 'of this tea'}</th><th>water</th><th>leaf</th><th>g per 100 ml</th></tr></thead>
          <tbody>{meanings.map((m) => <tr key={m.cup || 'as said'}><td className="l">{m.cup || 'as printed'}{m.likeliest && meanings.length > 1 ? <span className="font-semibold"> likeliest</span> : ''}</td><td>{volumeText(m.water, units.volume)}</td><td><b>{numberText(m.leaf, 2)}</b> g</td><td>{numberText(m.dose, 2)}</td></tr>)}</tbody></table>
      )}
      {meanings.filter((m) => m.slip && m.likeliest).map((m) => (
        <p key="slip" className="ask"><b>Is that so?</b> {numberText(m.dose, 2)} g per 100 ml is {m.dose > usual ? `${numberText(m.dose / usual)} times` : `only ${numberText((100 * m.dose) / usual, 0)} % of`} the usual {numberText(usual, 2)}. With a {m.slip?.spoon} it would be {numberText(m.slip?.dose ?? 0, 2)}. Packets mix the two up.</p>
      ))}
    </div>
  );
}
