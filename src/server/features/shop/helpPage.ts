import type { RequestListener } from 'node:http';
import QRCode from 'qrcode';
import type { Shop } from './address';

const CERTIFICATE = '/authority.crt';
type Kind = { readonly name: string; readonly picture: string; readonly steps: readonly string[] };

/** A device of its own shape with a seal on it, drawn in lines. */
const drawn = (outline: string, sealX: number, sealY: number) =>
  `<svg viewBox="0 0 120 80" width="120" height="80" fill="none" stroke="#14181c" stroke-width="1.6" aria-hidden="true">${outline}<circle cx="${sealX}" cy="${sealY}" r="10"/><path d="M${sealX - 5} ${sealY}l4 4 7-8"/><path d="M${sealX - 5} ${sealY + 9}l-3 12 8-4 8 4-3-12"/></svg>`;
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
      'Tap “The certificate” below and allow the download.',
      'Settings, Profile Downloaded: install it.',
      'Settings, General, About, Certificate Trust Settings: switch it on.',
      'Compare the fingerprint there with the one below.',
      'Open the address below; Share, Add to Home Screen.',
    ],
  },
  {
    name: 'Android',
    picture: PHONE,
    steps: [
      'Tap “The certificate” below: it is saved.',
      'Settings, Security: install a certificate, CA certificate.',
      'Read the warning, go on, and choose the saved file.',
      'In Trusted credentials, User: compare the fingerprint.',
      'Open the address below; the menu, Add to Home screen.',
    ],
  },
  {
    name: 'Windows',
    picture: COMPUTER,
    steps: [
      'Click “The certificate” below, then open the saved file.',
      'Install Certificate, for the Current User.',
      'Place it in Trusted Root Certification Authorities.',
      'In Details, compare the thumbprint or fingerprint.',
      'Close the browser, open it again, open the address below.',
    ],
  },
];
const STYLE = `body{font:17px/1.45 system-ui,sans-serif;margin:0;padding:24px;background:#eef2f5;color:#14181c;max-width:900px}
h1{font-size:28px;margin:0 0 4px}h2{font-size:18px;margin:0 0 4px}.kinds{display:flex;flex-wrap:wrap;gap:28px;margin:20px 0}
.kinds section{flex:1 1 240px}ol{margin:6px 0;padding-left:22px}a.go{display:inline-block;background:#1d3f94;color:#fff;padding:12px 18px;text-decoration:none;font-weight:600;margin:4px 12px 4px 0}
code{font-size:14px;word-spacing:2px;overflow-wrap:anywhere}.small{color:#4a555e;font-size:15px}img{background:#fff;padding:8px}`;

/** The page's text. Without an authority of the house's own, devices need nothing but the address. */
export async function helpText({ address, authority, fingerprint }: Shop): Promise<string> {
  const code = await QRCode.toDataURL(address, { margin: 0, width: 180 });
  const into =
    authority === ''
      ? '<p>Open the address. Nothing needs to be installed.</p>'
      : `<p>Once for each device: it must know this house’s own certificate, or it warns of a stranger, and shows no camera, keeps no brew while the network is away, and falls asleep while one runs.</p>
<div class="kinds">${KINDS.map((k) => `<section>${k.picture}<h2>${k.name}</h2><ol>${k.steps.map((s) => `<li>${s}</li>`).join('')}</ol></section>`).join('')}</div>
<p><a class="go" href="${CERTIFICATE}">The certificate</a></p>
<p>Its fingerprint, SHA-256, as it stands on the house’s own page too:<br><code>${fingerprint}</code></p>
<p class="small">If the two are not the same, stop: somebody stands between. Take the certificate off a device that leaves the house.</p>`;
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>Limnos: let this device in</title><style>${STYLE}</style></head><body><h1>Let this device in</h1>${into}<p><a class="go" href="${address}/">${address}</a></p><p><img src="${code}" width="180" height="180" alt="The address as a code"></p></body></html>`;
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
