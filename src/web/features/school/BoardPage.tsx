import { useState } from 'react';
import { Link } from 'react-router';
import { siteDate } from '#core/time';
import { type Skill, SKILLS } from '#core/training';
import { signWords, skillsOf, type SkillStand } from '#core/training';
import { numberText } from '#core/units';
import type { Practice } from '#contracts/training';
import { useZone } from '../../entities/people/session';
import { useTrainingBoardQuery } from '../../entities/training/api';
import { useTraining } from '../../entities/training/useTraining';
import { useNow } from '../../platform/clock';
import { useGo } from '../../platform/useGo';
import { dateText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { Disputes } from './Disputes';
import { NewBrewers } from './NewBrewers';
import { ShopLacks } from './ShopLacks';
import { SignForm } from './SignForm';

const DRAWN_EVERY_MS = 60_000;
type Picked = { readonly person: Practice['person']; readonly skill: Skill };

/** Who can do what: people by name, skills as they are learnt; what is asked for is outlined. */
export function BoardPage() {
  const { data, isLoading, refetch } = useTrainingBoardQuery(undefined, {
    refetchOnMountOrArgChange: true,
  });
  const { school } = useTraining();
  const zone = useZone();
  const now = useNow(DRAWN_EVERY_MS);
  const go = useGo();
  const [picked, pick] = useState<Picked | null>(null);
  useKeys([
    { key: 'Escape', does: 'Back to School', run: () => (picked ? pick(null) : go('/school')) },
  ]);
  if (!data)
    return (
      <main className="page p-6">
        {isLoading ? (
          <Loading what="the board" />
        ) : (
          <Nothing
            action={
              <button type="button" className="btn" onClick={() => void refetch()}>
                Try again
              </button>
            }
          >
            The board cannot be read.
          </Nothing>
        )}
      </main>
    );
  const rows = data.people.map((p) => ({
    person: p.person,
    seen: p.seen,
    stands: skillsOf(p.answers, p.signs, now, siteDate(zone, now)),
  }));
  const row = rows.find((r) => r.person.id === picked?.person.id);
  const chosen = row?.stands.find((s) => s.skill === picked?.skill);
  return (
    <main className="page split whole school">
      <section className="work" role="group" aria-label="Who can do what" tabIndex={0}>
        <h1 className="text-[26px] font-semibold">
          The board{' '}
          <small className="text-[16px] font-normal">
            the lowest level that the last 30 answers can mean, and sign-offs
          </small>
        </h1>
        <div className="overflow-auto">
          <table className="grid-table plain skill-table">
            <thead>
              <tr>
                <th scope="col">Name</th>
                {Object.entries(SKILLS).map(([skill, name]) => (
                  <th key={skill} scope="col">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map(({ person, stands }) => (
                <tr key={person.id}>
                  <th scope="row">
                    {person.name}
                    <br />
                    <span className="small">{person.role}</span>
                  </th>
                  {stands.map((s) => (
                    <td key={s.skill}>
                      <Cell
                        stand={s}
                        label={`${SKILLS[s.skill]} of ${person.name}`}
                        isPicked={picked?.person.id === person.id && picked.skill === s.skill}
                        onPick={() => pick({ person, skill: s.skill })}
                      />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <ShopLacks people={data.people} today={siteDate(zone, now)} />
        <NewBrewers people={data.people} today={siteDate(zone, now)} wanted={school.brewerSkills} />
        <Disputes disputed={data.disputed} />
      </section>
      <section className="paper" aria-label="Sign-off">
        {picked && row && chosen ? (
          <SignForm
            key={`${picked.person.id}${picked.skill}`}
            person={picked.person}
            seen={row.seen}
            stand={chosen}
            onDone={() => pick(null)}
          />
        ) : (
          <p className="small">
            Choose a skill of a person to sign the skill or to withdraw a sign-off. A figure shows
            where to look. Taste a cup with the person before you sign.
          </p>
        )}
        <div className="foot">
          <Link className="btn quiet" to="/school">
            School <kbd>Esc</kbd>
          </Link>
        </div>
      </section>
    </main>
  );
}

function Cell({
  stand: { evidence, sign },
  label,
  isPicked,
  onPick,
}: {
  stand: SkillStand;
  label: string;
  isPicked: boolean;
  onPick: () => void;
}) {
  const figure = evidence.n > 0 ? numberText(100 * evidence.bound, 0) : '–';
  return (
    <button
      type="button"
      className={`skill-cell ${sign.asked ? 'asked' : ''} ${isPicked ? 'picked' : ''}`}
      aria-pressed={isPicked}
      aria-label={`${label}: ${figure}${sign.state === 'none' ? '' : `, ${signWords(sign, dateText)}`}`}
      onClick={onPick}
    >
      <span>{figure}</span>
      <small>{sign.asked ? 'asked' : signWords(sign, dateText)}</small>
    </button>
  );
}
