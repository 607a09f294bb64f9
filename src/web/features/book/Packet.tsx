import { useState } from 'react';
import type { Packet, PacketLeaf, PacketMeaning, PacketWater, TimeRange } from '#core/packets';
import { type Method, packetOnLeaf, type Recipe, type Weighing } from '#core/recipes';
import { type StyleId, styleOf } from '#core/styles';
import { type Grams, minutesText, numberText, temperatureText, volumeText } from '#core/units';
import type { Vessel } from '#contracts/vessels';
import { type Units, useSession, useUnits } from '../../entities/people/session';
import { useSpoonsQuery } from '../../entities/teas/spoonsApi';
import { useVesselsQuery } from '../../entities/vessels/api';
import { type PacketView, viewPacket } from './packetModel';

type Facts = {
  packet: string;
  style: StyleId;
  method: Method;
  weighing: Weighing | null;
  bag: Grams | null;
};

/** A packet read with this site's kettle, pots and scoops; the pot and the meaning are chosen by hand. */
export function usePacket(facts: Facts) {
  const { site } = useSession();
  const { data: shelf } = useSpoonsQuery();
  const { data: records } = useVesselsQuery();
  const [vesselId, setVesselId] = useState<string | null>(null);
  const [meaning, setMeaning] = useState<number | null>(null);
  const vessels = (records?.vessels ?? []).filter((v) => v.siteId === site.id && !v.retired);
  const spoons = shelf?.spoons ?? [];
  const view = viewPacket({ ...facts, site, spoons, vessels, vesselId, meaning });
  const pots = vessels.filter((v) => v.kind === 'pot' || v.kind === 'pitcher');
  return {
    view,
    vessels: pots.length > 0 ? pots : vessels,
    vesselId,
    setVesselId: (id: string | null) => {
      setVesselId(id);
      setMeaning(null);
    },
    setMeaning,
  };
}

const ONE_LEAF: Readonly<Record<PacketLeaf['unit'], string>> = {
  g: 'g',
  teaspoon: 'teaspoon (5 ml)',
  dessertSpoon: 'dessert spoon (10 ml)',
  tablespoon: 'tablespoon (15 ml)',
  scoop: 'scoop',
  bag: 'bag',
  pinch: 'pinch (about 1 g)',
};
const SPOONS = new Set<PacketLeaf['unit']>(['teaspoon', 'dessertSpoon', 'tablespoon']);
const rangeText = (low: number, high: number, say: (v: number) => string): string =>
  low === high ? say(low) : `${say(low)} to ${say(high)}`;

const plural = (noun: string): string => (noun.endsWith('ch') ? `${noun}es` : `${noun}s`);

function leafText(leaf: PacketLeaf): string {
  const count = rangeText(leaf.low, leaf.high, (v) => numberText(v, 2));
  const [noun = '', ...size] = ONE_LEAF[leaf.unit].split(' (');
  const named = leaf.high === 1 || leaf.unit === 'g' ? noun : plural(noun);
  const how = heapedWord(leaf);
  const weighs = leaf.weighs === null ? '' : `, ${numberText(leaf.weighs, 1)} g`;
  return `${count} ${how}${[named, ...size].join(' (')}${weighs}`;
}

/** Whether the spoons are heaped or level; nothing of measures that are neither. */
function heapedWord(leaf: PacketLeaf) {
  if (leaf.heaped) return 'heaped ';
  if (SPOONS.has(leaf.unit)) return 'level ';
  return '';
}

function waterText(water: PacketWater, units: Units): string {
  if (water.kind === 'ml') return volumeText(water.ml, units.volume);
  const [count, noun] =
    water.kind === 'cups' ? [water.cups, 'cup'] : ([water.vessels, 'pot'] as const);
  return count === 1 ? `a ${noun}` : `${numberText(count, 2)} ${noun}s`;
}

const timeText = (time: TimeRange): string => rangeText(time.from, time.to, minutesText);

function heatText({ read, kettle }: PacketView, units: Units): string | null {
  if (read.heat === null || kettle === null) return null;
  const say = (v: typeof kettle) => temperatureText(v, units.temperature);
  const printed = rangeText(read.heat.low, read.heat.high, (v) => say(v as typeof kettle));
  const poured = `about ${say(packetOnLeaf(kettle))} on the leaf`;
  if (read.wait === null) return `${printed} in the kettle, ${poured}`;
  return `boiled, left ${timeText(read.wait)}: about ${say(kettle)} in this kettle, ${poured}`;
}

/** The five things a recipe needs, each as it was read or as not understood. */
function rowsOf(view: PacketView, units: Units): readonly (readonly [string, string | null])[] {
  const { read } = view;
  return [
    ['Leaf', read.leaf && leafText(read.leaf)],
    ['Water', read.water && waterText(read.water, units)],
    ['Heat', heatText(view, units)],
    ['First steep', read.time && timeText(read.time)],
  ];
}

const MISSING: Readonly<Record<NonNullable<PacketView['missing']>, string>> = {
  weighing: 'Weigh a spoon of this tea: then the packet’s spoons become grams.',
  bag: 'Type what one bag holds in the bag recipe: then the packet’s bags become grams.',
  scoop: 'Put the house’s scoop on the Shelf: then the packet’s scoops become grams.',
  vessel: 'Put a pot on the Shelf: then “per pot” becomes ml.',
};

/** What of the packet's text nothing was read from. */
const unreadOf = (read: Packet): string[] => read.parts.filter((p) => !p.read).map((p) => p.text);

type Props = {
  packet: ReturnType<typeof usePacket>;
  style: StyleId;
  /** Puts what was read into the first recipe; null where there is none to fill. */
  onTake: ((recipe: Recipe) => void) | null;
  taken?: boolean;
};

/** The supplier's words read for this tea: figures, which spoon, cup or pot, and what was not understood. */
export function PacketReading({ packet, style, onTake, taken = false }: Props) {
  const units = useUnits();
  const { view } = packet;
  const { read, meanings, missing, start } = view;
  if (read.parts.length === 0) return null;
  const rows = rowsOf(view, units);
  if (rows.every(([, text]) => text === null)) {
    return (
      <p className="small" data-testid="packet">
        No figures found in the packet’s words. The words are kept as printed.
      </p>
    );
  }
  const unread = unreadOf(read);
  return (
    <div className="packet" data-testid="packet">
      <dl className="packet-rows">
        {rows.map(([name, text]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd className={text === null ? 'small' : ''}>{text ?? 'not said'}</dd>
          </div>
        ))}
      </dl>
      {unread.length > 0 && (
        <p className="small">
          Not understood: <q>{unread.join(' ')}</q>
        </p>
      )}
      {read.water?.kind === 'vessels' && <PotPick packet={packet} />}
      {missing && missing !== 'vessel' && <p className="small">{MISSING[missing]}</p>}
      {missing === 'vessel' && packet.vessels.length === 0 && (
        <p className="small">{MISSING.vessel}</p>
      )}
      {meanings.length > 0 && <Meanings packet={packet} units={units} />}
      <SlipQuestion view={view} style={style} />
      {onTake && start && (
        <p>
          <button type="button" className="btn slim" onClick={() => onTake(start.recipe)}>
            Use the packet’s figures in the first recipe
          </button>
          {taken && <span className="small"> The recipe below has the packet’s figures.</span>}
        </p>
      )}
    </div>
  );
}

const potOption = (v: Vessel, units: Units): string =>
  `${v.name}, ${volumeText(v.mark, units.volume)}`;

function PotPick({ packet }: { packet: Props['packet'] }) {
  const units = useUnits();
  if (packet.vessels.length === 0) return null;
  return (
    <label className="field-row">
      <span className="as-label">The packet’s pot is</span>
      <select
        className="box"
        value={packet.vesselId ?? ''}
        onChange={(e) => packet.setVesselId(e.target.value || null)}
      >
        <option value="">choose a vessel</option>
        {packet.vessels.map((v) => (
          <option key={v.id} value={v.id}>
            {potOption(v, units)}
          </option>
        ))}
      </select>
    </label>
  );
}

const meaningName = (m: PacketMeaning): string =>
  [m.cup, m.scoop && `scoop: ${m.scoop}`].filter(Boolean).join(', ') || 'as printed';

/** Every meaning the words can have; one is taken, the likeliest unless another is picked. */
function Meanings({ packet, units }: { packet: Props['packet']; units: Units }) {
  const { meanings, taken, read } = packet.view;
  const several = meanings.length > 1;
  const what = read.water?.kind === 'cups' ? 'if the packet’s cup is' : 'for this tea';
  return (
    <table className="grid-table">
      <thead>
        <tr>
          <th className="l">{what}</th>
          <th>water</th>
          <th>leaf</th>
          <th>g per 100 ml</th>
        </tr>
      </thead>
      <tbody>
        {meanings.map((m, i) => (
          <tr key={meaningName(m)}>
            <td className="l">
              {several ? (
                <label className="check">
                  <input
                    type="radio"
                    name="packet-meaning"
                    checked={m === taken}
                    onChange={() => packet.setMeaning(i)}
                  />
                  {meaningName(m)}
                  {m.likeliest && <span className="font-semibold"> likeliest</span>}
                </label>
              ) : (
                meaningName(m)
              )}
            </td>
            <td>{volumeText(m.water, units.volume)}</td>
            <td>
              <b>{numberText(m.leaf, 2)}</b> g
            </td>
            <td>{numberText(m.dose, 2)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A dose far off the usual one that the other spoon would explain is asked about. */
function SlipQuestion({ view, style }: { view: PacketView; style: StyleId }) {
  const { taken } = view;
  if (!taken?.slip) return null;
  const usual = styleOf(style).start.dose;
  const off =
    taken.dose > usual
      ? `${numberText(taken.dose / usual)} times`
      : `only ${numberText((100 * taken.dose) / usual, 0)} % of`;
  return (
    <p className="ask">
      <b>Is that so?</b> {numberText(taken.dose, 2)} g per 100 ml is {off} the usual{' '}
      {numberText(usual, 2)}. With a {taken.slip.spoon} it would be {numberText(taken.slip.dose, 2)}
      . Packets mix the two up.
    </p>
  );
}
