import { createHash, X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';

/** How the house is reached from its own network; null where it is not. */
export type Shop = {
  /** "https://machine.local:8443" */ readonly address: string;
  /** The plain page that helps a device in. */ readonly help: string;
  /** The authority's certificate; empty with a certificate of the owner's own, which devices trust already. */
  readonly authority: string;
  /** SHA-256 of it in pairs, as devices show it. */ readonly fingerprint: string;
};
/**
 * The help page stands at a bare address: a browser that was told to ask a name over HTTPS would never reach it by
 * the name.
 * @param authorityFile the authority's certificate; empty: none is needed
 */
export function shopAt(
  { host, ip }: { host: string; ip: string },
  port: number,
  helpPort: number,
  authorityFile: string,
): Shop {
  const authority = authorityFile === '' ? '' : readFileSync(authorityFile, 'utf8');
  const fingerprint =
    authority === ''
      ? ''
      : (createHash('sha256')
          .update(new X509Certificate(authority).raw)
          .digest('hex')
          .toUpperCase()
          .match(/../g)
          ?.join(' ') ?? '');
  return {
    address: `https://${host}${port === 443 ? '' : `:${port}`}`,
    help: `http://${ip}${helpPort === 80 ? '' : `:${helpPort}`}`,
    authority,
    fingerprint,
  };
}
