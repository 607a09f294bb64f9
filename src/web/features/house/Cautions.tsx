import { temperatureText } from '#core/units';
import { useSession } from '../../entities/people/session';

/** The usual cautions, and what a lead typed of the law of the place. */
export function Cautions() {
  const { site } = useSession();
  const { safety } = site;
  const hotHold = safety?.hotHold ?? null;
  return (
    <section>
      <h2>Cautions</h2>
      <p className="text-[15px] mt-1">
        Boiling water and steam scald. Glass breaks from sudden heat. Caffeine figures are rough.
        Herbs can matter in pregnancy or with medicines: ask a pharmacist or doctor. Local food
        codes and the site’s own safety plan decide. No health claims on cards or menus.
      </p>
      {safety && safety.codeName !== '' && (
        <p className="text-[15px] mt-1">
          The code at {site.name}:{' '}
          {safety.codeLink === '' ? (
            <b>{safety.codeName}</b>
          ) : (
            <a
              className="underline underline-offset-4 font-semibold"
              href={safety.codeLink}
              rel="noreferrer"
              target="_blank"
            >
              {safety.codeName}
            </a>
          )}
          .
        </p>
      )}
      {hotHold !== null && (
        <p className="text-[15px] mt-1">
          Tea that is kept hot stays at {temperatureText(hotHold, site.temperatureUnit)} or hotter;
          what was cooler is thrown out.
        </p>
      )}
    </section>
  );
}
