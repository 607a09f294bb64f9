// A small certificate authority of the house's own, and the certificate of this machine by it. Kept beside the records.
import { createHash, randomBytes, webcrypto, X509Certificate } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';

const DAY = 86_400_000;
/**
 * Devices keep the authority for ten years; the machine's own certificate is for a year (Apple takes 825 days at
 * most).
 */
const DAYS = { authority: 3650, machine: 365 };
/** It is made anew when fewer days are left, or when the machine has other addresses. */
const RENEW_DAYS = 30;
const KEYS = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };

/** Names and addresses by which tablets reach this machine. */
export function reachable() {
  const host = hostname().split('.')[0].toLowerCase();
  const addresses = Object.values(networkInterfaces())
    .flat()
    .filter((a) => a && !a.internal && a.family === 'IPv4')
    .map((a) => a.address)
    .sort();
  return { names: [`${host}.local`, host, 'localhost'], addresses: [...addresses, '127.0.0.1'] };
}

async function tools() {
  await import('reflect-metadata');
  const x509 = await import('@peculiar/x509');
  x509.cryptoProvider.set(webcrypto);
  return x509;
}
const pem = (label, der) =>
  `-----BEGIN ${label}-----\n${Buffer.from(der)
    .toString('base64')
    .match(/.{1,64}/g)
    .join('\n')}\n-----END ${label}-----\n`;
async function keepKey(file, { privateKey }) {
  const der = await webcrypto.subtle.exportKey('pkcs8', privateKey);
  writeFileSync(file, pem('PRIVATE KEY', der), { mode: 0o600 });
}
async function keyFrom(file) {
  const der = Buffer.from(
    readFileSync(file, 'utf8')
      .split('\n')
      .filter((l) => l && !l.startsWith('-----'))
      .join(''),
    'base64',
  );
  return webcrypto.subtle.importKey('pkcs8', der, KEYS, true, ['sign']);
}
const newKeys = () => webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);
/** The first bit clear, as a serial number must be more than nothing. */
const serial = () => {
  const bytes = randomBytes(16);
  bytes[0] &= 0x7f;
  return bytes.toString('hex');
};

async function makeAuthority(x509, files, now) {
  const keys = await newKeys();
  const made = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Limnos house authority, O=${hostname()}`,
    notBefore: new Date(now - DAY),
    notAfter: new Date(now + DAYS.authority * DAY),
    signingAlgorithm: KEYS,
    keys,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(
        x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign,
        true,
      ),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  await keepKey(files.authorityKey, keys);
  writeFileSync(files.authority, made.toString('pem') + '\n');
}
async function makeMachine(x509, files, { names, addresses }, now) {
  const authority = new x509.X509Certificate(readFileSync(files.authority, 'utf8'));
  const keys = await newKeys();
  const made = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${names[0]}`,
    issuer: authority.subject,
    notBefore: new Date(now - DAY),
    notAfter: new Date(now + DAYS.machine * DAY),
    signingAlgorithm: KEYS,
    publicKey: keys.publicKey,
    signingKey: await keyFrom(files.authorityKey),
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth], false),
      new x509.SubjectAlternativeNameExtension([
        ...names.map((value) => ({ type: 'dns', value })),
        ...addresses.map((value) => ({ type: 'ip', value })),
      ]),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      await x509.AuthorityKeyIdentifierExtension.create(authority.publicKey),
    ],
  });
  await keepKey(files.key, keys);
  writeFileSync(files.certificate, made.toString('pem') + '\n');
}
/** True when it still stands for long enough, for every name and address. */
function stands(file, { names, addresses }, now) {
  if (!existsSync(file)) return false;
  const found = new X509Certificate(readFileSync(file));
  return (
    new Date(found.validTo).getTime() - now > RENEW_DAYS * DAY &&
    names.every((n) => found.checkHost(n)) &&
    addresses.every((a) => found.checkIP(a))
  );
}

/**
 * The certificates of a house, made or renewed where they must be. The keys are readable by their owner only.
 * @returns the files, and the authority's fingerprint as a device shows it
 */
export async function houseCertificates(
  folder,
  { where: find = reachable, now = Date.now() } = {},
) {
  const where = find();
  const at = join(folder, 'tls');
  mkdirSync(at, { recursive: true, mode: 0o700 });
  chmodSync(at, 0o700);
  const files = {
    authority: join(at, 'authority.crt'),
    authorityKey: join(at, 'authority.key'),
    certificate: join(at, 'machine.crt'),
    key: join(at, 'machine.key'),
  };
  const whole = existsSync(files.authority) && existsSync(files.authorityKey);
  if (!whole || !stands(files.certificate, where, now) || !existsSync(files.key)) {
    const x509 = await tools();
    if (!whole) await makeAuthority(x509, files, now);
    await makeMachine(x509, files, where, now);
  }
  return { ...files, fingerprint: fingerprintOf(files.authority), ...where };
}
/** SHA-256 of a certificate, in pairs. */
export function fingerprintOf(file) {
  const { raw } = new X509Certificate(readFileSync(file));
  return createHash('sha256').update(raw).digest('hex').toUpperCase().match(/../g).join(' ');
}
