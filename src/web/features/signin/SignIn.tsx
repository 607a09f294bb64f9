import { type FormEvent, useEffect, useState } from 'react';
import type { House } from '#contracts/sites';
import { useNamesQuery } from '../../entities/people/api';
import { useSignInMutation } from '../../entities/people/api';
import { failureOf } from '../../platform/api';
import { othersWaiting } from '../../platform/outbox/writes';
import { settingsChanged } from '../../platform/settings';
import { useAppDispatch, useAppSelector } from '../../platform/store';
import { Note } from '../../ui/Note';
import { PairDevice } from './PairDevice';

type Named = { id: string; name: string; role: string; lastSeen: number | null };
const PIN_MOST = 12;

function seen(at: number | null): string {
  if (at === null) return 'not here yet';
  const days = Math.floor((Date.now() - at) / 86_400_000);
  const t = new Date(at);
  if (days < 1 && t.getDate() === new Date().getDate())
    return `here since ${String(t.getHours()).padStart(2, '0')}:${String(t.getMinutes()).padStart(2, '0')}`;
  if (days < 2) return 'yesterday';
  if (days < 7) return `${days} days ago`;
  return 'last week or before';
}

/** Pick your name, type your PIN. */
export function SignInPage({ house, onLeave }: { house: House; onLeave?: () => void }) {
  const dispatch = useAppDispatch();
  const kept = useAppSelector((s) => s.settings.siteId);
  const outbox = useAppSelector((s) => s.outbox.waiting);
  const waiting = outbox.length;
  const names = othersWaiting(outbox, '');
  const site = house.sites.find((s) => s.id === kept) ?? house.sites[0];
  const { data, isError } = useNamesQuery(site?.id ?? '', { skip: !site });
  const [who, setWho] = useState<Named | null>(null);
  const others = house.sites.filter((s) => s.id !== site?.id);
  return (
    <div className="shell">
      <header className="head">
        <span className="place">Limnos</span>
        <span className="site">{site?.name}</span>
        <span className="gap" />
        {onLeave && (
          <button type="button" className="btn quiet" onClick={onLeave}>
            Back to the bar
          </button>
        )}
        <span className="small">{house.demo ? 'Demo house: invented teas and people' : ''}</span>
      </header>
      <main className={`page split sign-in ${who ? 'chosen' : ''}`}>
        <section className="work">
          <h1 className="text-[30px] leading-tight">Who is brewing?</h1>
          <p className="small text-[16px]">
            Touch a name. The bar stays as it is whoever signs in.
          </p>
          {waiting > 0 && (
            <div className="mt-3">
              <Note>
                <b>{waiting} not saved yet.</b>{' '}
                {names.length > 0
                  ? `${names.join(' and ')}: sign in and your records are sent.`
                  : 'Sign in and they are kept.'}
              </Note>
            </div>
          )}
          {house.device?.revoked && (
            <div className="mt-3">
              <Note bad>
                <b>This device was taken out of the house.</b> The device has forgotten what it had
                read. Ask a lead for a new code.
              </Note>
            </div>
          )}
          {isError && (
            <div className="mt-3">
              <Note bad>The names cannot be read just now.</Note>
            </div>
          )}
          <div className="names">
            {(data?.people ?? []).map((p) => (
              <button
                type="button"
                key={p.id}
                aria-pressed={who?.id === p.id}
                onClick={() => setWho(p)}
              >
                <b>{p.name}</b>
                <span className="small text-[16px]">{p.role}</span>
                <span className="small">{seen(p.lastSeen)}</span>
              </button>
            ))}
          </div>
          <div className="flex flex-wrap gap-2 mt-5">
            {others.map((s) => (
              <button
                type="button"
                key={s.id}
                className="btn"
                onClick={() => {
                  setWho(null);
                  dispatch(settingsChanged({ siteId: s.id }));
                }}
              >
                {s.name}
                {s.altitudeM > 300 ? `, ${s.altitudeM} m` : ''}
              </button>
            ))}
          </div>
          {(!house.device || house.device.revoked) && <PairDevice />}
        </section>
        <section className="paper">
          {who && site ? (
            <Secret key={who.id} who={who} siteId={site.id} onOther={() => setWho(null)} />
          ) : (
            <p className="small mt-6 text-[16px]">
              Brewers and trainees type a PIN, leads a passphrase.
            </p>
          )}
        </section>
      </main>
    </div>
  );
}

function Secret({ who, siteId, onOther }: { who: Named; siteId: string; onOther: () => void }) {
  const lead = who.role === 'lead';
  const [typed, setTyped] = useState('');
  const [until, setUntil] = useState(0);
  const [, redraw] = useState(0);
  const [signIn, { error, isLoading }] = useSignInMutation();
  const wait = Math.max(0, Math.ceil((until - performance.now()) / 1000));
  useEffect(() => {
    if (until === 0) return;
    const timer = setInterval(() => redraw((n) => n + 1), 500);
    return () => clearInterval(timer);
  }, [until]);
  const failure = error ? failureOf(error) : null;
  const submit = (e?: FormEvent) => {
    e?.preventDefault();
    if (typed === '' || wait > 0 || isLoading) return;
    signIn({ personId: who.id, siteId, secret: typed })
      .unwrap()
      .catch((f: unknown) => {
        const told = failureOf(f);
        const seconds = told.kind === 'answer' ? Number(told.details?.wait ?? 0) : 0;
        if (seconds > 0) setUntil(performance.now() + seconds * 1000);
        if (told.kind === 'answer') setTyped('');
      });
  };
  const digit = (d: string) => setTyped((t) => (t + d).slice(0, PIN_MOST));
  useEffect(() => {
    if (lead) return;
    const onKey = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLInputElement) return;
      if (/^\d$/.test(e.key)) digit(e.key);
      else if (e.key === 'Backspace') setTyped((t) => t.slice(0, -1));
      else if (e.key === 'Enter') submit();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  });
  return (
    <form onSubmit={submit} className="flex flex-col flex-1">
      <h2 className="text-[20px]">
        {who.name}, {lead ? 'passphrase' : 'PIN'}
      </h2>
      {lead ? (
        <div className="field-row mt-5">
          <label htmlFor="secret">Passphrase</label>
          <input
            id="secret"
            className="box"
            type="password"
            autoComplete="current-password"
            autoFocus
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
        </div>
      ) : (
        <>
          <div className="pin" role="img" aria-label={`${typed.length} digits typed`}>
            {Array.from({ length: Math.max(4, typed.length) }, (_, i) => (
              <i key={i} className={i < typed.length ? 'typed' : ''} />
            ))}
          </div>
          <div className="keypad">
            {['1', '2', '3', '4', '5', '6', '7', '8', '9'].map((d) => (
              <button type="button" key={d} onClick={() => digit(d)}>
                {d}
              </button>
            ))}
            <button type="button" className="word" onClick={() => setTyped((t) => t.slice(0, -1))}>
              Back
            </button>
            <button type="button" onClick={() => digit('0')}>
              0
            </button>
            <button type="button" className="word" onClick={() => setTyped('')}>
              Clear
            </button>
          </div>
        </>
      )}
      <div aria-live="polite" className="mt-3 min-h-[44px]">
        {wait > 0 ? (
          <p className="font-semibold text-warn">Too many wrong tries. Wait {wait} s.</p>
        ) : (
          failure && !isLoading && <p className="font-semibold text-warn">{failure.message}</p>
        )}
      </div>
      <div className="foot">
        <button type="submit" className="btn go" disabled={typed === '' || wait > 0 || isLoading}>
          Sign in
        </button>
        <button type="button" className="btn quiet" onClick={onOther}>
          Not {who.name}
        </button>
      </div>
    </form>
  );
}
