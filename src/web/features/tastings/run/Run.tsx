import { useState } from 'react';
import { scheduleFor, type Tasting, type TastingAct, validateAct } from '#core/tastings';
import type { OpenTasting } from '#contracts/tastings';
import { useSession, useUnits } from '../../../entities/people/session';
import { predictionBasis } from '../../../entities/teas/predictionBasis';
import { useNow } from '../../../platform/clock';
import { useAppDispatch } from '../../../platform/store';
import { toastShown } from '../../../platform/toasts';
import { useKeys } from '../../../ui/keys';
import { alikeWords, cupsWords, exerciseName } from '../cups';
import { Rungs } from '../Rungs';
import { actOf, codesOf, heatTexts, keyText, lastAct, pouredOff, stageOf } from './model';
import { RunNext } from './RunNext';
import { RunPaper } from './RunPaper';
import { type OpenSheet, RunSheets } from './RunSheets';

const CLOCK_WORDS = {
  oneClock: 'one clock',
  together: 'lifted together',
  inTurn: 'one leaf, steep after steep',
  onePot: 'one pot, cup after cup',
} as const;

function RunHead({ view, onStop }: { view: OpenTasting; onStop: () => void }) {
  const units = useUnits();
  const { exercise: e } = view;
  const facts = [
    cupsWords(e.cups.length),
    CLOCK_WORDS[scheduleFor(e).kind],
    e.kind === 'dialIn' && `${view.lot ?? 'no lot'}, round ${view.rounds.length + 1}`,
    alikeWords(e, units.temperature),
  ];
  return (
    <div className="say">
      <h1 className="font-normal">
        {exerciseName(e)}: <span className="tea text-[25px]">{view.tea.name}</span>
      </h1>
      <span className="small text-[16px]">{facts.filter(Boolean).join(', ')}</span>
      <span className="gap" />
      <button type="button" className="btn quiet" onClick={onStop}>
        Stop it
      </button>
    </div>
  );
}

/** What is seldom done: another cup first, one spilled, codes mixed up, a figure of an instrument. */
function RunOdd({
  brewing,
  poured,
  cups,
  onOpen,
  onUndo,
}: {
  brewing: boolean;
  poured: number;
  cups: number;
  onOpen: (sheet: OpenSheet) => void;
  onUndo: (() => void) | null;
}) {
  return (
    <div className="run-odd">
      {brewing && cups - poured > 1 && (
        <button type="button" className="btn" onClick={() => onOpen('other')}>
          Poured another
        </button>
      )}
      <button type="button" className="btn" onClick={() => onOpen('spilled')}>
        Spilled one <kbd>X</kbd>
      </button>
      <button type="button" className="btn" onClick={() => onOpen('codes')}>
        Wrong code
      </button>
      {poured > 0 && (
        <button type="button" className="btn" onClick={() => onOpen('measured')}>
          Measured
        </button>
      )}
      {onUndo && (
        <button type="button" className="btn quiet" onClick={onUndo}>
          Undo <kbd>Z</kbd>
        </button>
      )}
    </div>
  );
}

type Props = { view: OpenTasting; now: Tasting; does: (act: TastingAct) => string };
/** The table while it is brewed and tasted: one big clock, every cup, who has submitted. */
export function Run({ view, now, does }: Props) {
  const units = useUnits();
  const { personId } = useSession();
  const dispatch = useAppDispatch();
  const t = useNow(250);
  const [sheet, setSheet] = useState<OpenSheet>(null);
  const { exercise: e } = view;
  const stage = stageOf(e, now);
  const next = stage.kind === 'brewing' ? stage.next : null;
  const codeOf = (cup: number) => codesOf(now, cup);
  const heats = heatTexts(e, units.temperature);
  const act = (a: TastingAct) => {
    const why = validateAct(e, view.events, a, { id: personId, runs: true });
    if (why === null) does(a);
  };
  const doNext = () => {
    const a = actOf(stage);
    if (a) act(a);
  };
  const last = lastAct(view.events);
  const undo = last
    ? () => {
        act({ kind: 'undo', of: last.id });
        dispatch(toastShown({ text: 'Taken back.' }));
      }
    : null;
  useKeys([
    { key: ' ', does: keyText(stage), run: doNext },
    ...(undo ? [{ key: 'z', does: 'Take the last one back', run: undo }] : []),
    { key: 'x', does: 'One was spilled', run: () => setSheet('spilled') },
  ]);
  return (
    <main className="page split run-page">
      <RunHead view={view} onStop={() => setSheet('stop')} />
      <section className="work">
        <RunNext
          view={view}
          now={now}
          stage={stage}
          t={t}
          heats={heats}
          codeOf={codeOf}
          onAct={doNext}
        />
        <Rungs view={view} now={now} t={t} next={next?.cup ?? null} codeOf={codeOf} />
        <RunOdd
          brewing={next !== null}
          poured={pouredOff(now)}
          cups={e.cups.length}
          onOpen={setSheet}
          onUndo={undo}
        />
        <p className="small">
          {scheduleFor(e).kind === 'oneClock' &&
            `The strip is this tea’s colour as it steeps, ${predictionBasis(view.tea).toLowerCase()}. Open marks are poured; the stroke is when it really was. `}
          The result uses the real times.
        </p>
      </section>
      <RunPaper view={view} now={now} heats={heats} codeOf={codeOf} act={act} />
      <RunSheets
        id={view.id}
        now={now}
        open={sheet}
        codeOf={codeOf}
        act={act}
        onClose={() => setSheet(null)}
      />
    </main>
  );
}
