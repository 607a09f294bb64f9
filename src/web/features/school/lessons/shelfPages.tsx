import { boilingLandsAt, type DrillFacts, houseCupOf } from '#core/training';
import { celsius, millilitres, numberText, temperatureText, volumeText } from '#core/units';
import { solveVessel } from '#core/vessels';
import { useUnits } from '../../../entities/people/session';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';

type Given = { readonly facts: DrillFacts };
const SHOWN = 8;

/** What a level spoon of each weighed tea holds here. */
export function SpoonLesson({ facts: { weighed } }: Given) {
  return (
    <>
      <p>
        A level spoon always holds the same volume, but not the same weight. Long leaf lies loosely
        in the spoon. Broken leaf packs closely.
      </p>
      <p className="mt-2">
        Level the spoon with a straight edge. A heaped spoon holds about one and a half times as
        much.
      </p>
      {weighed.length === 0 ? (
        <p className="mt-4">No tea was weighed by the spoon here yet.</p>
      ) : (
        <table className="skill-table mt-4">
          <thead>
            <tr>
              <th scope="col">Tea</th>
              <th scope="col">Spoon</th>
              <th scope="col">One level spoon</th>
            </tr>
          </thead>
          <tbody>
            {weighed.slice(0, SHOWN).map(({ tea, spoon, grams }) => (
              <tr key={tea}>
                <th scope="row" className="tea">
                  {tea}
                </th>
                <td>{spoon.name}</td>
                <td>{numberText(grams, 1)} g</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

const DRAWN_HIGH = 150;
const DRAWN = 3;
/** Vessels as unlike as the house has them, what is poured hot first. */
const oneOfEachKind = (vessels: DrillFacts['vessels']): DrillFacts['vessels'] =>
  [...vessels]
    .sort((a, b) => Number(a.kind === 'pitcher') - Number(b.kind === 'pitcher'))
    .filter((v, i, all) => all.findIndex((x) => x.kind === v.kind) === i)
    .slice(0, DRAWN);
/** Vessels of the house with their fill lines. */
export function LineLesson({ facts: { vessels } }: Given) {
  const units = useUnits();
  const ml = (x: number) => volumeText(millilitres(x), units.volume);
  return (
    <>
      <p>
        A recipe is for water up to the fill line, not up to the brim. The room above the line is
        for the leaf, the basket and the lid.
      </p>
      <div className="flex flex-wrap gap-8 mt-4 items-end">
        {oneOfEachKind(vessels).map(({ name, kind, brimMl, fillLineMl }) => (
          <figure key={name} className="m-0">
            <VesselDrawing
              vessel={{
                ...{ kind, brim: millilitres(brimMl), mark: millilitres(fillLineMl) },
                ...{ basket: null, infuser: 'free', material: 'glass' },
              }}
              scale={DRAWN_HIGH / solveVessel(kind, millilitres(brimMl)).height}
              fill={millilitres(fillLineMl)}
              water
              level
              label={`${name}, filled to its line`}
            />
            <figcaption className="mt-2">
              <b>{name}</b>
              <br />
              line {ml(fillLineMl)}, brim {ml(brimMl)}
            </figcaption>
          </figure>
        ))}
      </div>
      <p className="mt-4">
        Bring your eyes to the height of the line. From above, the water looks higher than the true
        level.
      </p>
    </>
  );
}

/** Where boiling water lands in a vessel of the house, warmed and cold. */
export function HeatLesson({ facts: { cups } }: Given) {
  const units = useUnits();
  const degrees = (c: number) => temperatureText(celsius(c), units.temperature);
  const [cup] = cups;
  return (
    <>
      <p>
        A recipe gives the heat of the water on the leaf. After the kettle, the water loses heat to
        the air, to the vessel and to the leaf.
      </p>
      {cup && (
        <table className="skill-table mt-4">
          <tbody>
            {[
              ['Water boils here at', cup.boilingC],
              [`On the leaf, ${cup.vessel} warmed`, boilingLandsAt(houseCupOf(cup), true)],
              [`On the leaf, ${cup.vessel} cold`, boilingLandsAt(houseCupOf(cup), false)],
            ].map(([what, heat]) => (
              <tr key={what}>
                <th scope="row">{what}</th>
                <td>{degrees(Math.round(Number(heat)))}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-4">
        For a tea that needs cooler water, pour cold water first, then boiling water. The card tells
        you how much.
      </p>
    </>
  );
}
