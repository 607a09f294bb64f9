import { Link, useNavigate, useParams } from 'react-router';
import type { Brew } from '#contracts/brews';
import { verdictWords, COLOUR_STEPS } from '#core/correction';
import { minutesText, secondsBetween, volumeText, type EpochMs } from '#core/units';
import { now } from '../../app/clock';
import { useBrewQuery } from '../../app/records';
import { useUnits } from '../../app/session';
import { weekdayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { Cup, LevelMark, VesselDrawing } from '../../ui/vessel';
import { BrewWorking, clockText, houseCup, liquorAfter, liquorOf, swatchOf } from '../bar';
import { seconds } from '#core/units';
import { tint } from '#core/colour';

/** One brew's story: planned above the line, real below it, the liquor, the verdict and what was done. */
export function BrewPage() {
  const { id } = useParams();
  const { data, isLoading } = useBrewQuery(id ?? '');
  const navigate = useNavigate();
  const next = data?.next;
  useKeys([{ key: 'Escape', does: 'Back to the list', run: () => navigate('/log') }, ...(next ? [{ key: 'k', does: 'Next brew of this tea', run: () => navigate(`/log/${next.id}`) }] : [])]);
  if (isLoading) return <main className="page"><Loading what="the brew" /></main>;
  if (!data) return <main className="page p-6"><Nothing action={<Link className="btn" to="/log">To the log</Link>}>This brew is not in the log.</Nothing></main>;
  const { brew } = data;
  return (
    <main className="page split" style={{ gridTemplateColumns: undefined }}>
      <div className="say"><h1 className="tea text-[25px]">{brew.tea.name}</h1><span className="small text-[16px]">{brew.plan.vessel.name}, {weekdayText(brew.startedAt)} {clockText(brew.startedAt)}, {brew.startedBy.name}, {brew.lot ? `${brew.lot.name}, ` : ''}recipe version {brew.versionNumber}</span><span className="gap" /><Link className="btn quiet" to="/log">Back to the list <kbd>Esc</kbd></Link></div>
      <section className="work">
        <TimeLine brew={brew} />
        <div className="grid gap-6 mt-4 items-start" style={{ gridTemplateColumns: 'auto 1fr' }}>
          <div className="border-b-[3px] border-ink"><VesselDrawing vessel={brew.plan.vessel} scale={0.8} bowl={false} fill={brew.plan.water} leaf={brew.plan.leaf} liquor={liquorOf(brew, now()) ?? undefined} level label={`${brew.plan.vessel.name}, ${Math.round(brew.plan.water)} ml`} /></div>
          <div><h2 className="mb-2">Its card</h2><BrewWorking brew={brew} /></div>
        </div>
      </section>
      <section className="paper" aria-label="What happened"><WhatHappened brew={brew} next={next ?? null} /></section>
    </main>
  );
}

type Mark = { at: number; title: string; text: string };
function marksOf(brew: Brew): { planned: Mark[]; real: Mark[]; on: EpochMs | null } {
  const { state, plan } = brew;
  const { window } = plan.recipe;
  const on: EpochMs | null = 'waterOn' in state ? state.waterOn : null;
  if (on === null) return { planned: [], real: [], on };
  const planned: Mark[] = [{ at: 0, title: 'water on', text: `${Math.round(plan.water)} ml at ${Math.round(plan.temperature)}` }, { at: window.best, title: `best ${minutesText(window.best)}`, text: `${minutesText(window.earliest)} to ${minutesText(window.latest)}` }];
  const real: Mark[] = [{ at: 0, title: 'water on', text: clockText(on as number) }];
  if ('pulled' in state) real.push({ at: secondsBetween(on, state.pulled), title: `${plan.pull.done.toLowerCase()} ${minutesText(secondsBetween(on, state.pulled))}`, text: brew.pulledBy ? `by ${brew.pulledBy.name}` : '' });
  if (state.kind === 'judged' && brew.verdict) real.push({ at: secondsBetween(on, state.judged), title: 'judged', text: verdictWords(brew.verdict) });
  if (brew.startedAt < on - 1000) real.unshift({ at: (brew.startedAt - on) / 1000, title: 'warming', text: minutesText((on - brew.startedAt) / 1000) });
  return { planned, real, on };
}

/** Planned stands over the line with open marks, real hangs under it with filled ones; long waits are cut short. */
function TimeLine({ brew }: { brew: Brew }) {
  const { planned, real, on } = marksOf(brew);
  if (on === null) return <Nothing>No water was poured.</Nothing>;
  const { window } = brew.plan.recipe;
  const W = 800;
  const cap = window.latest * 2.2 + 60;
  const first = Math.max(-90, Math.min(0, ...real.map((m) => m.at)) - 10);
  const last = Math.min(cap, Math.max(window.latest * 1.15, ...real.map((m) => m.at)));
  const x = (s: number) => 16 + ((Math.max(first, Math.min(last, s)) - first) / (last - first)) * (W - 130);
  const steeped = 'pulled' in brew.state ? secondsBetween(on, brew.state.pulled) : 0;
  const strips = 40;
  const every = last - first <= 120 ? 30 : last - first < 420 ? 60 : 120;
  const ticks = Array.from({ length: Math.floor(last / every) + 1 }, (_, i) => i * every);
  const depth = (marks: Mark[], i: number) => (i % 2 === 0 || x(marks[i]?.at ?? 0) - x(marks[i - 1]?.at ?? 0) > 130 ? 62 : 112);
  return (
    <svg viewBox={`0 0 ${W} 330`} style={{ width: '100%', maxWidth: 880, height: 'auto' }} role="img" aria-label={`Planned ${planned.map((m) => m.title).join(', ')}; real ${real.map((m) => `${m.title} ${m.text}`).join(', ')}`}>
      <path d={`M0 110H${W}`} stroke="var(--ink)" strokeWidth="2.5" />
      <text x={W} y="98" fontSize="15" fontWeight="700" textAnchor="end" fill="var(--ink)">planned</text><text x={W} y="132" fontSize="15" fontWeight="700" textAnchor="end" fill="var(--ink)">real</text>
      <path d={`M${x(window.earliest)} 107v-10H${x(window.latest)}v10`} fill="none" stroke="var(--accent)" strokeWidth="3" />
      {planned.map((m) => <g key={m.title}><path d={`M${x(m.at)} 96V34`} stroke="var(--line-2)" /><LevelMark x={x(m.at)} y={109} size={13} className="open" /><text x={x(m.at) + 5} y="44" fontSize="15" fontWeight="700" fill="var(--ink)">{m.title}</text><text x={x(m.at) + 5} y="62" fontSize="14" fill="var(--ink-2)">{m.text}</text></g>)}
      {real.map((m, i) => {
        const low = 110 + depth(real, i);
        return <g key={m.title}><path d={`M${x(m.at)} 122V${low + 22}`} stroke="var(--line-2)" /><path d={`M${x(m.at)} 112l-6.5 10.5h13z`} fill="var(--ink)" /><text x={x(m.at) + 5} y={low + 2} fontSize="15" fontWeight="700" fill="var(--ink)">{m.title}</text><text x={x(m.at) + 5} y={low + 20} fontSize="14" fill="var(--ink-2)">{m.text}</text></g>;
      })}
      {steeped > 0 && Array.from({ length: strips }, (_, i) => <rect key={i} x={x((i / strips) * steeped)} y="262" width={(x(steeped) - x(0)) / strips + 0.8} height="18" fill={tint(liquorAfter(brew.tea.style, brew.plan.recipe, seconds(((i + 0.5) / strips) * steeped)))} />)}
      {steeped > 0 && <rect x={x(0)} y="262" width={x(steeped) - x(0)} height="18" fill="none" stroke="var(--ink)" strokeWidth="1.5" />}
      <path d={`M0 296H${W}`} stroke="var(--ink)" strokeWidth="1.2" />
      {ticks.map((t) => <g key={t}><path d={`M${x(t)} 296v6`} stroke="var(--ink)" /><text x={x(t)} y="318" fontSize="13" textAnchor="middle" fill="var(--ink-2)">{minutesText(t)}</text></g>)}
    </svg>
  );
}

function WhatHappened({ brew, next }: { brew: Brew; next: { id: string; at: number; verdict: string } | null }) {
  const units = useUnits();
  const { state, verdict, proposal, plan } = brew;
  const { window } = plan.recipe;
  const s = 'pulled' in state ? secondsBetween(state.waterOn, state.pulled) : null;
  const words = s === null ? (state.kind === 'abandoned' ? `Given up. ${brew.remark}` : 'Still on the bar.') : s > window.latest ? `${plan.pull.done} ${minutesText(s - window.latest)} past latest.` : s < window.earliest ? `${plan.pull.done} ${minutesText(window.earliest - s)} before its window.` : `${plan.pull.done} in its window, ${minutesText(Math.abs(s - window.best))} ${s >= window.best ? 'past' : 'before'} best.`;
  const strength = COLOUR_STEPS.find((c) => c.mark === verdict?.colour)?.strength ?? 1;
  return (
    <>
      <h2>What happened</h2>
      <p className="text-[20px] font-semibold leading-tight mt-1">{words}</p>
      {verdict && (
        <div className="cups mt-3" style={{ gridTemplateColumns: '1fr 1fr' }}>
          <div className="grid justify-items-center py-3 text-[#14191d] text-[15px]"><Cup liquor={swatchOf(brew.tea.style, plan.recipe, strength)} size={92} />judged: {COLOUR_STEPS.find((c) => c.mark === verdict.colour)?.word}</div>
          <div className="grid justify-items-center py-3 text-[#14191d] text-[15px]"><Cup liquor={houseCup(brew.tea.style, plan.recipe)} size={92} />house</div>
        </div>
      )}
      <div className="working mt-3">
        <p><b>Verdict</b> {verdict ? `${verdictWords(verdict)}${brew.judgedBy ? `, ${brew.judgedBy.name}` : ''}` : state.kind === 'judged' ? 'none kept' : 'not judged yet'}{brew.remark && state.kind !== 'abandoned' ? `. ${brew.remark}` : ''}</p>
        {proposal && proposal.lever !== 'keep' && <p><b>Proposed</b> {proposal.headline}. {proposal.change} {proposal.reason}</p>}
        {proposal && proposal.lever !== 'keep' && <p><b>Taken</b> {brew.accepted ? 'yes, noted for the lead' : 'no'}</p>}
        {proposal?.cup.text && <p><b>Cup in hand</b> {proposal.cup.water > 0 ? `${volumeText(proposal.cup.water, units.volume)} hot water. ` : ''}{proposal.cup.text}</p>}
        {next && <p><b>Next brew of it</b> {weekdayText(next.at)} {clockText(next.at)}: {next.verdict}</p>}
      </div>
      <div className="foot">
        {state.kind === 'pulled' && <Link className="btn go" to={`/judge/${brew.id}`}>Judge the cup</Link>}
        {next && <Link className="btn" to={`/log/${next.id}`}>Next of it <kbd>K</kbd></Link>}
        <Link className="btn" to={`/start?tea=${brew.tea.id}&vessel=${brew.vesselId}&water=${plan.water}`}>Brew it again</Link>
      </div>
    </>
  );
}
