import { createHash, X509Certificate } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import { fingerprintOf } from './authority.ts';

/** What a phone opens before it trusts the certificate: how to, and the way on. Nothing of the collection. */

const CERTIFICATE = '/fernbank.crt';

/** In the order of menus as they are known to stand, from memory: names differ a little between versions. */
const SYSTEMS: readonly { name: string; match: string; steps: readonly string[] }[] = [
  {
    name: 'iPhone or iPad',
    match: 'iPhone|iPad|Macintosh.*Mobile',
    steps: [
      'Fetch the certificate below, in Safari, and allow it.',
      'Settings › General › VPN &amp; Device Management › Fernbank at home › Install.',
      'Settings › General › About › Certificate Trust Settings: switch Fernbank at home on. Then come back here.',
    ],
  },
  {
    name: 'Android',
    match: 'Android',
    steps: [
      'Fetch the certificate below.',
      'Settings › Security › More › Install from storage › CA certificate, and “Install anyway”.',
      'Choose fernbank.crt among the downloads. Then come back here.',
    ],
  },
  {
    name: 'A computer',
    match: 'Windows|Macintosh|X11|CrOS',
    steps: [
      'Fetch the certificate below and open it.',
      'Put it among the trusted root authorities of your user (in a keychain: trust it for SSL).',
      'Close the browser, open it again, and come back here.',
    ],
  },
];

const STYLE = `
body{margin:0;background:#f6f2e7;color:#24301f;font:18px/1.5 system-ui,sans-serif}
main{max-width:34rem;margin:0 auto;padding:20px 18px 40px}
h1{font:600 1.7rem/1.2 Georgia,serif;margin:0 0 .4em}
details{background:#fffdf6;border:1px solid #cfc8b2;border-radius:10px;margin:10px 0;padding:0 14px}
summary{min-height:48px;line-height:48px;font-weight:700}
ol{margin:0 0 14px;padding-left:1.3em}
li{margin:6px 0}
a.act{display:block;min-height:54px;line-height:54px;text-align:center;border-radius:10px;margin:14px 0;font-weight:700;text-decoration:none;color:#24301f;border:2px solid #8e4a22}
a.on{background:#8e4a22;color:#fff}
code{overflow-wrap:anywhere;font-size:.85rem}
.small{font-size:.92rem;color:#47523f}
@media (prefers-color-scheme:dark){body{background:#171d15;color:#e9e6d8}details{background:#20281d;border-color:#4a5543}a.act{color:#e9e6d8;border-color:#e2a882}a.on{background:#e2a882;color:#12190f}.small{color:#c0c4b2}}
`;

/** The code never goes over the wire in the clear: it stands behind the hash of both addresses. */
const SCRIPT = `
var on = document.getElementById('on');
on.href = 'https://' + location.host + '/rounds' + (location.hash ? '#pair=' + location.hash.slice(1) : '');
var all = document.querySelectorAll('details');
for (var i = 0; i < all.length; i++) {
  if (new RegExp(all[i].dataset.match).test(navigator.userAgent)) { all[i].open = true; break; }
}
`;

const page = (fingerprint: string) => `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>Fernbank on this phone</title><style>${STYLE}</style></head>
<body><main>
<h1>Fernbank on this phone</h1>
<p>Your own machine vouches for itself by a certificate that it made. Let this phone trust it, once:</p>
${SYSTEMS.map(
  ({ name, match, steps }) =>
    `<details data-match="${match}"><summary>${name}</summary><ol>${steps.map((step) => `<li>${step}</li>`).join('')}</ol></details>`,
).join('\n')}
<a class="act" href="${CERTIFICATE}" download="fernbank.crt">Fetch the certificate</a>
<a class="act on" id="on" href="/">Go on to Fernbank</a>
<noscript><p>To go on, open this address again with https in place of http.</p></noscript>
<p class="small">Trust it only in your own network, and only if Fernbank shows this fingerprint at the desk too:<br><code>${fingerprint}</code></p>
<p class="small">It can vouch for addresses of home networks and for no site of the internet. You can take it away again where you put it.</p>
<p class="small">You may go on without it: the browser will warn you, and Fernbank will not work away from the network, nor be installed.</p>
</main><script>${SCRIPT}</script></body></html>`;

const hashed = (text: string) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;

/** Answers plain HTTP on the port for phones. @param authority  gives that of now, PEM */
export function welcome(authority: () => string): Server {
  const headers = {
    'Content-Security-Policy': `default-src 'none'; style-src ${hashed(STYLE)}; script-src ${hashed(SCRIPT)}; base-uri 'none'; form-action 'none'; frame-ancestors 'none'`,
    'X-Content-Type-Options': 'nosniff',
    'Referrer-Policy': 'no-referrer',
    'Cache-Control': 'no-store',
  };
  return createServer((request, response) => {
    // Whoever is in the network may send what is no address at all: it is compared, never parsed.
    const [pathname] = (request.url ?? '/').split('?');
    if (request.method !== 'GET' && request.method !== 'HEAD') {
      response.writeHead(405, headers).end();
    } else if (pathname === CERTIFICATE) {
      const type = { 'Content-Type': 'application/x-x509-ca-cert' };
      response.writeHead(200, { ...headers, ...type }).end(new X509Certificate(authority()).raw);
    } else if (pathname === '/') {
      response
        .writeHead(200, { ...headers, 'Content-Type': 'text/html; charset=utf-8' })
        .end(page(fingerprintOf(authority())));
    } else {
      response.writeHead(302, { ...headers, Location: '/' }).end();
    }
  });
}
