import { useState } from 'react';
import { Link } from 'react-router';
import { lineDiffers, recipeLines } from '#core/recipes';
import {
  SITE_REASON_LETTERS,
  SITE_REASON_WORDS,
  SITE_REASONS,
  type SiteReason,
  versionOfTheHouse,
} from '#core/teas';
import type { Version } from '#contracts/recipes';
import type { SiteRecipe, Tea } from '#contracts/teas';
import { useSession, useUnits } from '../../../entities/people/session';
import { dayText } from '../../../ui/days';
import { Note } from '../../../ui/Note';
import { Picked } from '../../../ui/Picked';
import { SaveOrLeave } from '../../../ui/SaveOrLeave';
import { useSiteRecipe } from '../useSiteRecipe';

/** The page where two versions stand side by side: the house's at the left, as it is by itself. */
const besideTheHouse = (tea: Tea, { method, version }: SiteRecipe): string =>
  `/book/${tea.id}/versions?${new URLSearchParams({ method, right: String(version.number) })}`;

/** What is otherwise than in the house's recipe, line by line. */
function BesideTheHouse({ tea, of }: { tea: Tea; of: SiteRecipe }) {
  const units = useUnits();
  const house = versionOfTheHouse(tea, of.method);
  if (!house) return null;
  const lines = recipeLines(house.recipe, of.version.recipe, units).filter(lineDiffers);
  return (
    <table className="mt-1 text-[15px]">
      <thead>
        <tr className="small text-left">
          <td />
          <th className="font-normal pr-4">{of.siteName}</th>
          <th className="font-normal">the house</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((l) => (
          <tr key={l.name}>
            <th className="small text-left font-normal pr-4">{l.name}</th>
            <td className="font-semibold pr-4">{l.right}</td>
            <td>{l.left}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Sites that brew another version than the house's: which, why, and both side by side. */
export function SiteRecipes({
  tea,
  sites,
  lead,
}: {
  tea: Tea;
  sites: readonly SiteRecipe[];
  lead: boolean;
}) {
  const { site } = useSession();
  const own = useSiteRecipe(tea);
  return (
    <>
      {sites.map((s) => (
        <div key={s.siteId} className="mt-2">
          <Note>
            <b>
              {s.siteName} brews version {s.version.number}
            </b>{' '}
            because of {SITE_REASON_WORDS[s.why]}: {s.words}{' '}
            <span className="small">
              {s.by.name}, {dayText(s.at)}
            </span>
            <BesideTheHouse tea={tea} of={s} />
            <span className="flex flex-wrap gap-2 mt-2">
              <Link className="btn slim" to={besideTheHouse(tea, s)}>
                Compare both cups
              </Link>
              {lead && s.siteId === site.id && (
                <button
                  type="button"
                  className="btn slim"
                  disabled={own.isSaving}
                  onClick={() => void own.set(s.method, null)}
                >
                  Back to the house recipe
                </button>
              )}
            </span>
          </Note>
        </div>
      ))}
      {own.failure && (
        <Note bad>
          <b>Not changed.</b> {own.failure.message}
        </Note>
      )}
    </>
  );
}
/** A lead takes a version for this site alone, and says why. */
export function UseHere({ tea, version }: { tea: Tea; version: Version }) {
  const { site } = useSession();
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <button type="button" className="btn slim" onClick={() => setOpen(true)}>
        Brew version {version.number} at {site.name} only
      </button>
    );
  return <UseHereForm {...{ tea, version }} onDone={() => setOpen(false)} />;
}

function UseHereForm({ tea, version, onDone }: { tea: Tea; version: Version; onDone: () => void }) {
  const { site } = useSession();
  const own = useSiteRecipe(tea);
  const [why, setWhy] = useState<SiteReason>('altitude');
  const [words, setWords] = useState('');
  const [tried, setTried] = useState(false);
  const lacks = tried && words.trim() === '';
  const save = async () => {
    setTried(true);
    if (words.trim() === '') return;
    if (await own.set(version.method, { versionId: version.id, why, words: words.trim() }))
      onDone();
  };
  return (
    <form
      className="form w-full"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <p>
        {site.name} brews version {version.number} from now on. Other sites brew as the house does.
      </p>
      <div className="pair">
        <Picked
          label="Because of"
          value={why}
          options={SITE_REASONS.map((r) => [r, SITE_REASON_WORDS[r]] as const)}
          onPick={setWhy}
        />
        <div className="field-row">
          <label className="contents">
            <span className="font-normal">Reason</span>
            <input
              className="box"
              value={words}
              maxLength={SITE_REASON_LETTERS}
              aria-invalid={lacks}
              onChange={(e) => setWords(e.target.value)}
            />
          </label>
          {lacks && (
            <span className="fault" role="alert">
              Type the reason for the next lead.
            </span>
          )}
        </div>
      </div>
      {own.failure && (
        <Note bad>
          <b>Not changed.</b> {own.failure.message} What was typed is kept.
        </Note>
      )}
      <SaveOrLeave saving={own.isSaving} leaveWords="Not yet" onLeave={onDone}>
        Brew version {version.number} here
      </SaveOrLeave>
    </form>
  );
}
