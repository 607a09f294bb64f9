import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { engagedHeatCapacity, firstContact, MATERIALS } from '#core/heat';
import { siteBoiling } from '#core/recipes';
import {
  celsius,
  fromMl,
  grams,
  millilitres,
  numberText,
  temperatureText,
  volumeText,
} from '#core/units';
import { basketVolume, INFUSERS, leastToCover, PROFILES, type SolvedVessel } from '#core/vessels';
import { cardOf } from '#contracts/plan';
import type { Vessel } from '#contracts/vessels';
import { History } from '../../entities/history/History';
import { useSession, useUnits } from '../../entities/people/session';
import { useBookQuery } from '../../entities/teas/api';
import { useChangeVesselMutation } from '../../entities/vessels/api';
import { useVesselsQuery } from '../../entities/vessels/api';
import { VesselDrawing } from '../../entities/vessels/VesselDrawing';
import { failureOf } from '../../platform/api';
import { useGo } from '../../platform/useGo';
import { Sheet } from '../../ui/Dialog';
import { useKeys } from '../../ui/keys';
import { Loading, Note, Nothing } from '../../ui/Note';
import { VesselEdit } from './VesselEdit';
import { WeighIn } from './WeighIn';

/** One vessel: section with its scale of ml, leaf against its basket, and the acts of a lead. */
export function VesselPage() {
  const { id } = useParams();
  const { data, isLoading } = useVesselsQuery();
  const { role } = useSession();
  const go = useGo();
  const [editing, setEditing] = useState(false);
  const [weighing, setWeighing] = useState(false);
  const vessel = data?.vessels.find((v) => v.id === id);
  useKeys([
    {
      key: 'Escape',
      does: 'Back to the shelf',
      run: () => (editing || weighing ? (setEditing(false), setWeighing(false)) : go('/shelf')),
    },
    ...(role === 'lead' && vessel
      ? [
          { key: 'e', does: 'Edit', run: () => setEditing(true) },
          { key: 'w', does: 'Weigh it', run: () => setWeighing(true) },
        ]
      : []),
  ]);
  if (isLoading)
    return (
      <main className="page">
        <Loading what="the shelf" />
      </main>
    );
  if (id === 'new' && role === 'lead')
    return (
      <main className="page scroll">
        <div className="p-6 max-w-[760px]">
          <h1 className="text-[28px] mb-3">New vessel</h1>
          <VesselEdit vessel={null} onDone={() => go('/shelf')} />
        </div>
      </main>
    );
  if (!vessel)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to="/shelf">
              To the shelf
            </Link>
          }
        >
          This vessel is not on the shelf.
        </Nothing>
      </main>
    );
  if (editing)
    return (
      <main className="page scroll">
        <div className="p-6 max-w-[760px]">
          <h1 className="text-[28px] mb-3">{vessel.name}</h1>
          <VesselEdit vessel={vessel} onDone={() => setEditing(false)} />
        </div>
      </main>
    );
  return (
    <main className="page split" style={{ gridTemplateRows: 'minmax(0,1fr)' }}>
      <section className="work">
        <h1 className="text-[30px] leading-tight">
          {vessel.name}{' '}
          <span className="small text-[16px] font-normal ml-2">
            {[
              MATERIALS[vessel.material].label,
              vessel.wallGrams ? `${numberText(vessel.wallGrams, 0)} g` : null,
              INFUSERS[vessel.infuser].label,
              vessel.strainer === 'staysIn' ? 'leaf stays in' : null,
              vessel.cosy ? 'cosy' : null,
              vessel.weighed ? 'weighed' : 'not weighed',
              vessel.retired ? 'retired' : null,
            ]
              .filter(Boolean)
              .join(' · ')}
          </span>
        </h1>
        {weighing ? (
          <WeighIn vessel={vessel} onDone={() => setWeighing(false)} />
        ) : (
          <>
            <Section vessel={vessel} />
            <LeafAgainstBasket vessel={vessel} />
          </>
        )}
      </section>
      <section className="paper" aria-label="What it does">
        <Facts vessel={vessel} />
        <LeadActs
          vessel={vessel}
          onEdit={() => setEditing(true)}
          onWeigh={() => setWeighing(true)}
        />
      </section>
    </main>
  );
}

/** The section at a large scale; the ml scale stands at the solved heights, so it is uneven. */
function Section({ vessel }: { vessel: Vessel }) {
  const units = useUnits();
  const step = vessel.brim > 1500 ? 250 : vessel.brim > 300 ? 50 : 20;
  return (
    <div className="border-b-[3px] border-ink mt-3 pl-2 overflow-hidden">
      <VesselDrawing
        vessel={vessel}
        scale={Math.min(2.4, 215 / Math.cbrt(vessel.brim * 0.55) / 2.6)}
        label={`${vessel.name} in section, ${Math.round(vessel.mark)} ml to its mark`}
        fill={vessel.mark}
        water
        level
        bowl={false}
        lid={false}
        extra={({ solved, scale }) => (
          <MlScale solved={solved} scale={scale} vessel={vessel} step={step} unit={units.volume} />
        )}
      />
    </div>
  );
}
/** A usual pot of leaf: 1.2 g per 100 ml, each gram taking up 5 ml as it opens. */
const USUAL_DOSE = 1.2;
const USUAL_SWELL = 5;
function MlScale({
  solved,
  scale,
  vessel,
  step,
  unit,
}: {
  solved: SolvedVessel;
  scale: number;
  vessel: Vessel;
  step: number;
  unit: 'ml' | 'usFlOz' | 'imperialFlOz';
}) {
  const x = solved.radius * (vessel.kind === 'pot' ? 1.62 : 1.25) * scale;
  const y = (ml: number) => -solved.levelOf(millilitres(ml)) * scale;
  const ticks = Array.from({ length: Math.floor(vessel.brim / step) + 1 }, (_, i) => i * step);
  const covers = leastToCover(vessel, grams((vessel.mark * USUAL_DOSE) / 100), USUAL_SWELL);
  const words: [number, string, string][] = [
    [vessel.brim, volumeText(vessel.brim, unit), 'to the brim'],
    [vessel.mark, volumeText(vessel.mark, unit), 'to the mark'],
    [
      covers,
      volumeText(covers, unit),
      vessel.covers === null ? 'covers a usual leaf' : 'covers the leaf',
    ] as [number, string, string],
    ...(vessel.dead > 0
      ? [[vessel.dead, volumeText(vessel.dead, unit), 'stays in it'] as [number, string, string]]
      : []),
  ];
  const apart = Math.max(0, 22 - (y(vessel.mark) - y(vessel.brim)));
  const shift = (i: number) => {
    if (i === 0) return -apart / 2;
    if (i === 1) return apart / 2;
    return 0;
  };
  const named = ticks.filter(
    (ml, i) =>
      i % 2 === 0 && ticks.slice(0, i).every((o) => o % (2 * step) !== 0 || y(o) - y(ml) > 13),
  );
  return (
    <g>
      <path d={`M${x} 0V${y(vessel.brim)}`} stroke="var(--ink)" strokeWidth="1.5" />
      {ticks.map((ml) => (
        <path
          key={ml}
          d={`M${x} ${y(ml)}h${ml % (2 * step) === 0 ? 9 : 5}`}
          stroke="var(--ink)"
          strokeWidth="1.2"
        />
      ))}
      {named.map((ml) => (
        <text key={ml} x={x + 14} y={y(ml) + 4} fontSize="13" fill="var(--ink-2)">
          {unit === 'ml' ? ml : numberText(fromMl(millilitres(ml), unit))}
        </text>
      ))}
      {words.map(([ml, figure, word], i) => (
        <g key={word}>
          <path
            d={`M${solved.radiusAt(solved.levelOf(millilitres(ml))) * scale} ${y(ml)}H${x}`}
            stroke="var(--line-2)"
            strokeDasharray="2 5"
          />
          <path d={`M${x + 46} ${y(ml)}L${x + 68} ${y(ml) + shift(i)}`} stroke="var(--line-2)" />
          <text x={x + 74} y={y(ml) + 6 + shift(i)} fontSize="16" fill="var(--ink)">
            <tspan fontSize="19" fontWeight="700">
              {figure}
            </tspan>{' '}
            {word}
          </text>
        </g>
      ))}
    </g>
  );
}

const COLUMN = { width: 46, height: 100, step: 84 };
/** One column a tea, the fullest of each kind: over the line the leaf cannot open. */
function LeafAgainstBasket({ vessel }: { vessel: Vessel }) {
  const { data } = useBookQuery();
  const { site } = useSession();
  if (basketVolume(vessel) === null)
    return <p className="small mt-3">Leaf lies free in it: it always has room.</p>;
  const all = (data?.teas ?? [])
    .flatMap((tea) => {
      if (!tea.house || tea.retired) return [];
      const card = cardOf({
        tea,
        version: tea.house,
        vessel,
        site,
        water: vessel.mark,
        warmed: true,
      });
      const share =
        card.kind === 'card'
          ? card.crowding
          : card.kind === 'basketTooSmall'
            ? card.crowding
            : null;
      return share === null ? [] : [{ tea, share }];
    })
    .sort((a, b) => b.share - a.share);
  const shown = all
    .filter((x, i) => all.findIndex((y) => y.tea.style === x.tea.style) === i)
    .slice(0, 8);
  const line = 52;
  return (
    <>
      <h2 className="mt-4">
        Leaf against the basket
        <small>
          opened leaf at the mark, each tea’s house recipe. Over the line it cannot open
        </small>
      </h2>
      {shown.length === 0 ? (
        <p className="small">No recipe to hold against it yet.</p>
      ) : (
        <svg
          viewBox={`0 0 760 ${line + COLUMN.height + 50}`}
          style={{ width: '100%', maxWidth: 760, height: 'auto' }}
          role="img"
          aria-label={shown
            .map((s) => `${s.tea.name} ${s.share.toFixed(1)} times the basket`)
            .join(', ')}
        >
          {shown.map(({ tea, share }, i) => {
            const x = 92 + i * COLUMN.step;
            const h = Math.min(1, share) * COLUMN.height;
            const over = Math.min(line - 20, Math.max(0, share - 1) * COLUMN.height);
            const [first = '', ...rest] = tea.name.split(' ');
            return (
              <g key={tea.id}>
                <path
                  d={`M${x} ${line}v${COLUMN.height}h${COLUMN.width}v${-COLUMN.height}`}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth="1.5"
                  strokeDasharray="4 3"
                />
                <rect
                  x={x + 1}
                  y={line + COLUMN.height - h}
                  width={COLUMN.width - 2}
                  height={h}
                  fill="url(#leaf-pattern)"
                />
                {h < COLUMN.height && (
                  <path
                    d={`M${x} ${line + COLUMN.height - h}h${COLUMN.width}`}
                    stroke="var(--ink)"
                    strokeWidth="1.2"
                  />
                )}
                {over > 0 && (
                  <rect
                    x={x}
                    y={line - over}
                    width={COLUMN.width}
                    height={over}
                    fill="url(#hatch)"
                    stroke="var(--warn)"
                    strokeWidth="1.5"
                  />
                )}
                <text
                  x={x + COLUMN.width / 2}
                  y={(over > 0 ? line - over : Math.max(line + 16, line + COLUMN.height - h)) - 5}
                  textAnchor="middle"
                  fontSize="15"
                  fontWeight="700"
                  fill={over > 0 ? 'var(--warn)' : 'var(--ink)'}
                >
                  {share.toFixed(1)} ×
                </text>
                <text
                  className="tea"
                  x={x + COLUMN.width / 2}
                  y={line + COLUMN.height + 18}
                  textAnchor="middle"
                  fontSize="14"
                  fill="var(--ink)"
                >
                  {first}
                </text>
                <text
                  className="tea"
                  x={x + COLUMN.width / 2}
                  y={line + COLUMN.height + 34}
                  textAnchor="middle"
                  fontSize="14"
                  fill="var(--ink)"
                >
                  {rest.join(' ')}
                </text>
              </g>
            );
          })}
          <path d={`M0 ${line}H760`} stroke="var(--ink)" strokeWidth="1.5" />
          <text x="0" y={line - 6} fontSize="14" fontWeight="700" fill="var(--ink)">
            full basket
          </text>
        </svg>
      )}
    </>
  );
}

/** What the wall does to boiling water, cold and warmed: the sums behind every card. */
function Facts({ vessel }: { vessel: Vessel }) {
  const { site } = useSession();
  const units = useUnits();
  const boiling = siteBoiling(site);
  const at = (wall: number) =>
    firstContact({
      water: grams(vessel.mark),
      waterAt: boiling,
      material: vessel.material,
      capacity: vessel.brim,
      wallGrams: vessel.wallGrams ?? undefined,
      wallAt: celsius(wall),
      leaf: grams(vessel.mark * 0.012),
      leafAt: site.ambient,
    });
  const cold = at(site.ambient);
  return (
    <>
      <h2>
        Heat<small>boiling water straight in, to the mark</small>
      </h2>
      <dl className="spec" style={{ gridTemplateColumns: '90px 1fr' }}>
        <dt>cold</dt>
        <dd>
          <span className="mid">{temperatureText(cold, units.temperature)}</span>
          <p>
            on the leaf
            <em>
              the wall takes {numberText(boiling - cold, 0)} °C of{' '}
              {temperatureText(boiling, units.temperature)}
            </em>
          </p>
        </dd>
        <dt>warmed</dt>
        <dd>
          <span className="mid">{temperatureText(at(75), units.temperature)}</span>
          <p>
            on the leaf<em>wall at about 75 °C: from memory</em>
          </p>
        </dd>
      </dl>
      <p className="small mt-2">
        A {PROFILES[vessel.kind].label} of {MATERIALS[vessel.material].label}: the wall takes up{' '}
        {numberText(
          engagedHeatCapacity(vessel.material, vessel.brim, vessel.wallGrams ?? undefined),
          0,
        )}{' '}
        J a degree{vessel.wallGrams ? ', weighed' : ', the usual for its size'}. Water keeps{' '}
        {volumeText(millilitres(vessel.brim - vessel.mark), units.volume)} below the brim at the
        mark.
        {vessel.basketDepth === null
          ? ''
          : ` Its basket hangs ${numberText(vessel.basketDepth, 0)} mm deep.`}
      </p>
      {vessel.material === 'glass' && (
        <p className="cautions">
          <span>
            <b className="strong">Glass</b> breaks from sudden heat: warm it first, cold liquid
            first.
          </span>
        </p>
      )}
    </>
  );
}

function LeadActs({
  vessel,
  onEdit,
  onWeigh,
}: {
  vessel: Vessel;
  onEdit: () => void;
  onWeigh: () => void;
}) {
  const { role } = useSession();
  const [change, { error, isLoading }] = useChangeVesselMutation();
  const [asking, setAsking] = useState(false);
  if (role !== 'lead') return null;
  const { id, siteId: _site, rev, retired, ...fields } = vessel;
  const set = (to: boolean) =>
    void change({ id, body: { ...fields, rev, retired: to } })
      .unwrap()
      .then(
        () => setAsking(false),
        () => setAsking(false),
      );
  return (
    <>
      {error && (
        <div className="mt-3">
          <Note bad>{failureOf(error).message}</Note>
        </div>
      )}
      <p className="small mt-3 prints">
        <Printer size={20} strokeWidth={2} aria-hidden="true" /> To print:{' '}
        <a
          className="btn quiet slim"
          href={`/api/vessels/${vessel.id}/pocket.pdf`}
          target="_blank"
          rel="noreferrer"
        >
          Pocket card
        </a>
        <a
          className="btn quiet slim"
          href={`/api/vessels/${vessel.id}/pocket.pdf?size=label62`}
          target="_blank"
          rel="noreferrer"
        >
          Label, 62 mm
        </a>
        <a
          className="btn quiet slim"
          href={`/api/vessels/${vessel.id}/scaling.pdf`}
          target="_blank"
          rel="noreferrer"
        >
          Scaling sheet
        </a>
      </p>
      <History thing="vessel" id={vessel.id} />
      <div className="foot">
        <button type="button" className="btn go" onClick={onWeigh}>
          Weigh it <kbd>W</kbd>
        </button>
        <button type="button" className="btn" onClick={onEdit}>
          Edit <kbd>E</kbd>
        </button>
        {retired ? (
          <button type="button" className="btn" disabled={isLoading} onClick={() => set(false)}>
            Back on the shelf
          </button>
        ) : (
          <button type="button" className="btn" onClick={() => setAsking(true)}>
            Retire
          </button>
        )}
      </div>
      <Sheet title={`Retire the ${vessel.name}?`} open={asking} onClose={() => setAsking(false)}>
        <p>It leaves the shelf and is no longer offered. The brews made in it keep it.</p>
        <div className="flex gap-2 mt-4">
          <button type="button" className="btn go" disabled={isLoading} onClick={() => set(true)}>
            Retire it
          </button>
          <button type="button" className="btn quiet" onClick={() => setAsking(false)}>
            Not yet
          </button>
        </div>
      </Sheet>
    </>
  );
}
