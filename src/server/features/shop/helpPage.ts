import type { RequestListener } from 'node:http';
import QRCode from 'qrcode';
import type { Shop } from './address';

const CERTIFICATE = '/authority.crt';
type Kind = { readonly name: string; readonly picture: string; readonly steps: readonly string[] };

/** A device of its own shape with a seal on it, drawn in lines. */
const drawn = (outline: string, x: number, y: number): string => {
  const seal = `<circle cx="${x}" cy="${y}" r="10"/><path d="M${x - 5} ${y}l4 4 7-8"/>`;
  const ribbon = `<path d="M${x - 5} ${y + 9}l-3 12 8-4 8 4-3-12"/>`;
  return `
    <svg viewBox="0 0 120 80" width="120" height="80" aria-hidden="true"
      fill="none" stroke="#14181c" stroke-width="1.6">${outline}${seal}${ribbon}</svg>`;
};
const TABLET = drawn(
  '<rect x="8" y="8" width="104" height="64" rx="5"/><path d="M104 34v12"/>',
  58,
  34,
);
const PHONE = drawn(
  '<rect x="36" y="3" width="46" height="74" rx="6"/><path d="M53 72h12"/>',
  59,
  32,
);
const COMPUTER = drawn(
  '<rect x="16" y="6" width="88" height="54" rx="3"/><path d="M60 60v10M40 72h40"/>',
  58,
  28,
);
const KINDS: readonly Kind[] = [
  {
    name: 'iPadOS, iOS',
    picture: TABLET,
    steps: [
      'Tap “Get the certificate” below and allow the download.',
      'Open Settings, Profile Downloaded. Install the profile.',
      'Open General, About, Certificate Trust Settings. Switch the certificate on.',
      'Compare the fingerprint in Settings with the fingerprint below.',
      'Open the address below. Tap Share, then Add to Home Screen.',
    ],
  },
  {
    name: 'Android',
    picture: PHONE,
    steps: [
      'Tap “Get the certificate” below. The device saves the file.',
      'Open Settings, Security. Choose Install a certificate, CA certificate.',
      'Read the warning, continue, and choose the saved file.',
      'Open Trusted credentials, User. Compare the fingerprint.',
      'Open the address below. In the menu, tap Add to Home screen.',
    ],
  },
  {
    name: 'Windows',
    picture: COMPUTER,
    steps: [
      'Click “Get the certificate” below. Open the saved file.',
      'Click Install Certificate. Choose Current User.',
      'Place the certificate in Trusted Root Certification Authorities.',
      'In Details, compare the fingerprint.',
      'Close the browser. Open it again and open the address below.',
    ],
  },
];
const STYLE = `
  body { font: 17px/1.45 system-ui, sans-serif; margin: 0; padding: 24px; max-width: 900px;
    background: #eef2f5; color: #14181c }
  h1 { font-size: 28px; margin: 0 0 4px }
  h2 { font-size: 18px; margin: 0 0 4px }
  ol { margin: 6px 0; padding-left: 22px }
  .kinds { display: flex; flex-wrap: wrap; gap: 28px; margin: 20px 0 }
  .kinds section { flex: 1 1 240px }
  a.go { display: inline-block; background: #1d3f94; color: #fff; padding: 12px 18px;
    margin: 4px 12px 4px 0; text-decoration: none; font-weight: 600 }
  code { font-size: 14px; word-spacing: 2px; overflow-wrap: anywhere }
  .small { color: #4a555e; font-size: 15px }
  img { background: #fff; padding: 8px }`;

const stepsOf = ({ name, picture, steps }: Kind): string => `
  <section>${picture}
    <h2>${name}</h2>
    <ol>${steps.map((s) => `<li>${s}</li>`).join('')}</ol>
  </section>`;
const withCertificate = (fingerprint: string): string => `
  <p>Do this once on each device. Without the certificate the browser shows a warning, the camera
    stays closed, Limnos stops when the network is away, and the screen goes dark during a brew.</p>
  <div class="kinds">${KINDS.map(stepsOf).join('')}</div>
  <p><a class="go" href="${CERTIFICATE}">Get the certificate</a></p>
  <p>Certificate fingerprint (SHA-256). The House page of Limnos shows the same fingerprint:<br>
    <code>${fingerprint}</code></p>
  <p class="small">If the fingerprints differ, stop and tell your lead: another computer may pretend
    to be your server. Remove the certificate from a device that leaves the shop.</p>`;

/** The page's text. With the owner's own certificate devices need nothing but the address. */
export async function helpText({ address, authority, fingerprint }: Shop): Promise<string> {
  const code = await QRCode.toDataURL(address, { margin: 0, width: 180 });
  const how =
    authority === ''
      ? '<p>Open the address. Nothing needs to be installed.</p>'
      : withCertificate(fingerprint);
  return `<!doctype html>
<html lang="en">
<head>
  <meta charset="utf-8">
  <meta name="viewport" content="width=device-width,initial-scale=1">
  <title>Limnos: add this device</title>
  <style>${STYLE}</style>
</head>
<body>
  <h1>Add this device</h1>
  ${how}
  <p><a class="go" href="${address}/">${address}</a></p>
  <p><img src="${code}" width="180" height="180" alt="The address as a code"></p>
</body>
</html>`;
}

/** Answers on plain HTTP with the page and the certificate, and with nothing else of the house. */
export function helpServer(shop: Shop): RequestListener {
  const page = helpText(shop);
  return (req, res) => {
    const path = req.url?.split('?')[0];
    res.setHeader('x-content-type-options', 'nosniff');
    res.setHeader('cache-control', 'no-store');
    if (req.method !== 'GET' && req.method !== 'HEAD') {
      res.writeHead(405).end();
    } else if (path === '/') {
      res.setHeader('content-type', 'text/html; charset=utf-8');
      res.setHeader(
        'content-security-policy',
        "default-src 'none'; style-src 'unsafe-inline'; img-src data:",
      );
      void page.then((text) => res.end(text));
    } else if (path === CERTIFICATE && shop.authority !== '') {
      res.setHeader('content-type', 'application/x-x509-ca-cert');
      res.setHeader('content-disposition', 'attachment; filename="limnos-house.crt"');
      res.end(shop.authority);
    } else {
      res.writeHead(404, { 'content-type': 'text/plain; charset=utf-8' });
      res.end(`The house is at ${shop.address}`);
    }
  };
}
