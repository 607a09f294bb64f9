import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { knownFrom } from '#core/brews';
import {
  ALL_RIGHT,
  type Attribute,
  COLOUR_STEPS,
  type Mark,
  type Verdict,
  verdictWords,
} from '#core/corrections';
import { capital } from '#core/units';
import { TASTED_CUPS, type TastedCup } from '#contracts/brewEvents';
import type { Brew } from '#contracts/brews';
import { useBrewQuery } from '../../entities/brews/api';
import { ColourCups } from '../../entities/brews/ColourCups';
import { TasteBoard } from '../../entities/brews/TasteBoard';
import { useBrewCommands } from '../../entities/brews/useBrewCommands';
import { useSession } from '../../entities/people/session';
import { swatchOf } from '../../entities/teas/liquor';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { OneOf } from '../../ui/OneOf';
import { TASTED_WORDS } from './happened';

/** A judged cup, tasted once more: by a lead as it was served, or after it was rescued. */
export function TasteAgainPage() {
  const { id = '' } = useParams();
  const { data, isLoading } = useBrewQuery(id);
  if (isLoading)
    return (
      <main className="page">
        <Loading what="the cup" />
      </main>
    );
  if (!data?.brew.verdict)
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to={data ? `/log/${id}` : '/log'}>
              {data ? 'To the brew' : 'To the log'}
            </Link>
          }
        >
          {data ? 'Judge this cup before you taste again.' : 'This brew is not in the log.'}
        </Nothing>
      </main>
    );
  return <TasteAgain key={id} brew={data.brew} />;
}

const ASKED: Readonly<Record<TastedCup, string>> = {
  served: 'Mark the cup as it was served, without the first verdict in mind.',
  rescued: 'Mark the cup after the rescue: water added, leaf put back, or cups mixed.',
};

function TasteAgain({ brew }: { brew: Brew }) {
  const { personId } = useSession();
  const commands = useBrewCommands();
  const go = useGo();
  const isOwnRescue = brew.judgedBy?.id === personId && brew.proposal?.cup.kind !== 'none';
  const [cup, setCup] = useState<TastedCup>(isOwnRescue ? 'rescued' : 'served');
  const [verdict, setVerdict] = useState<Verdict>(ALL_RIGHT);
  const mark = (what: Attribute | 'colour', m: Mark) => setVerdict((v) => ({ ...v, [what]: m }));
  const back = () => go(`/log/${brew.id}`);
  const keep = () => {
    commands.tasteAgain(brew, { cup, verdict });
    back();
  };
  useKeys([
    ...COLOUR_STEPS.map((s, i) => ({
      key: String(i + 1),
      does: `Colour: ${s.word}`,
      run: () => mark('colour', s.mark),
    })),
    { key: 'Enter', does: 'Keep the marks', run: keep },
    { key: 'Escape', does: 'Back to the brew', run: back },
  ]);
  return (
    <main className="page split" style={{ gridTemplateColumns: undefined }}>
      <div className="say" style={{ padding: '0 24px', alignItems: 'center' }}>
        <h1 className="font-normal">
          Taste <span className="tea text-[25px]">{brew.tea.name}</span> again
        </h1>
      </div>
      <section className="work">
        <h2>
          Colour<small>hold the white cup beside the screen, touch the nearest</small>
        </h2>
        <ColourCups
          verdict={verdict}
          onMark={mark}
          liquorAt={(strength) =>
            swatchOf(knownFrom(brew.plan, brew.tea.style), brew.plan.recipe, strength)
          }
        />
        <h2 className="mt-3">
          Taste<small>only what is off: touch above the line for more, below for less</small>
        </h2>
        <TasteBoard verdict={verdict} onMark={mark} />
      </section>
      <section className="paper" aria-label="What is kept">
        <h2>Which cup</h2>
        <div className="mt-2">
          <OneOf
            label="Which cup"
            options={TASTED_CUPS.map((value) => ({ value, words: capital(TASTED_WORDS[value]) }))}
            chosen={cup}
            onChoose={setCup}
          />
        </div>
        <p className="mt-3">{ASKED[cup]}</p>
        <p className="text-[32px] font-semibold leading-[1.15] mt-4" role="status">
          {capital(verdictWords(verdict))}
        </p>
        <p className="small mt-2">
          The first verdict and its correction stay as they are. School counts colours that a lead
          marked too, and rescued cups that came nearer.
        </p>
        <div className="foot">
          <button type="button" className="btn go" onClick={keep}>
            Keep the marks
          </button>
          <Link className="btn quiet" to={`/log/${brew.id}`}>
            Back to the brew
          </Link>
        </div>
      </section>
    </main>
  );
}
