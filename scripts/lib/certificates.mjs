// A small certificate authority of the house's own, and the certificate of this machine by it. Kept beside the records.
import { createHash, randomBytes, webcrypto, X509Certificate } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { BlockList, isIPv4 } from 'node:net';
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

/**
 * Networks that nobody on the internet has: private ones (RFC 1918), carriers' own (RFC 6598), this machine and
 * link-local. The house's authority may speak for these and its own names alone, so a stolen key of it cannot pretend
 * to be a bank.
 * @type {[string, number][]}
 */
const PRIVATE_NETWORKS = [
  ['10.0.0.0', 8],
  ['172.16.0.0', 12],
  ['192.168.0.0', 16],
  ['100.64.0.0', 10],
  ['169.254.0.0', 16],
  ['127.0.0.0', 8],
];
const privateAddresses = new BlockList();
for (const [net, bits] of PRIVATE_NETWORKS) privateAddresses.addSubnet(net, bits);
const isPrivate = (address) => isIPv4(address) && privateAddresses.check(address);

/** The authority's name constraints (RFC 5280, 4.2.1.10): a certificate by it for anything else is not believed. */
async function nameConstraints(x509, names) {
  const asn1 = await import('@peculiar/asn1-x509');
  const { AsnConvert } = await import('@peculiar/asn1-schema');
  const permitted = [
    ...names.map((dNSName) => new asn1.GeneralName({ dNSName })),
    ...PRIVATE_NETWORKS.map(
      ([address, bits]) => new asn1.GeneralName({ iPAddress: `${address}/${bits}` }),
    ),
  ].map((base) => new asn1.GeneralSubtree({ base }));
  const constraints = new asn1.NameConstraints({
    permittedSubtrees: new asn1.GeneralSubtrees(permitted),
  });
  return new x509.Extension(asn1.id_ce_nameConstraints, true, AsnConvert.serialize(constraints));
}
/** True when the authority may speak for every name; one made before there were constraints may for all. */
async function maySpeakFor(x509, authority, names) {
  const asn1 = await import('@peculiar/asn1-x509');
  const { AsnConvert } = await import('@peculiar/asn1-schema');
  const extension = new x509.X509Certificate(readFileSync(authority, 'utf8')).getExtension(
    asn1.id_ce_nameConstraints,
  );
  if (!extension) return true;
  const { permittedSubtrees } = AsnConvert.parse(extension.value, asn1.NameConstraints);
  const permitted = (permittedSubtrees ?? []).map((t) => t.base.dNSName).filter(Boolean);
  return names.every((n) => permitted.some((p) => n === p || n.endsWith(`.${p}`)));
}

async function tools() {
  await import('reflect-metadata');
  const x509 = await import('@peculiar/x509');
  x509.cryptoProvider.set(/** @type {any} */ (webcrypto));
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

async function makeAuthority(x509, files, where, now) {
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
      await nameConstraints(x509, where.names),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  await keepKey(files.authorityKey, keys);
  writeFileSync(files.authority, made.toString('pem') + '\n');
}
/** A certificate for these names and addresses by the authority of `files`; written to `files`. */
export async function makeMachine(files, { names, addresses }, now) {
  const x509 = await tools();
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
  const found = find();
  // An address of the open internet wants a certificate of the owner's (TLS_CERT, TLS_KEY).
  const where = { ...found, addresses: found.addresses.filter(isPrivate) };
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
    // A machine of another name: its devices are let in anew.
    if (!whole || !(await maySpeakFor(x509, files.authority, where.names)))
      await makeAuthority(x509, files, where, now);
    await makeMachine(files, where, now);
  }
  return { ...files, fingerprint: fingerprintOf(files.authority), ...where };
}
/** SHA-256 of a certificate, in pairs. */
export function fingerprintOf(file) {
  const { raw } = new X509Certificate(readFileSync(file));
  return createHash('sha256').update(raw).digest('hex').toUpperCase().match(/../g).join(' ');
}
