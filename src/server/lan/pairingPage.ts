import crypto from 'node:crypto';
import { LONGEST_DEVICE_NAME } from '@/contract/lan';

/** The one page an unpaired device is given. It stands alone: no script, no file, nothing of the person's data. */

const STYLE = `
:root{color-scheme:light dark;--paper:#F6F3EC;--ink:#17262B;--soft:#55646A;--line:#55646A;--press:#0E5A64;--on:#FFFDF8;--bad:#8A1F0C}
@media(prefers-color-scheme:dark){:root{--paper:#000;--ink:#FF6A4D;--soft:#D95A41;--line:#D95A41;--press:#FF6A4D;--on:#000;--bad:#FF6A4D}}
*{box-sizing:border-box}
body{margin:0;background:var(--paper);color:var(--ink);font:17px/1.45 system-ui,sans-serif}
main{max-width:430px;margin:0 auto;padding:32px 20px}
svg{display:block;width:100%;height:34px;margin:0 0 22px}
h1{font-size:26px;line-height:1.2;margin:0 0 10px;font-weight:600}
p{margin:0 0 16px}
small{color:var(--soft);font-size:15px}
label{display:block;margin:18px 0 6px;font-weight:600}
input{width:100%;min-height:56px;padding:8px 14px;border:2px solid var(--line);border-radius:4px;background:none;color:inherit;font:inherit;font-size:19px}
input.code{font:600 30px/1 ui-monospace,monospace;letter-spacing:.16em;text-transform:uppercase}
button{width:100%;min-height:60px;margin:24px 0;border:0;border-radius:4px;background:var(--press);color:var(--on);font:600 20px/1 system-ui,sans-serif}
:focus-visible{outline:3px solid var(--ink);outline-offset:2px}
.bad{border-left:4px solid var(--bad);padding:2px 0 2px 12px;color:var(--bad);font-weight:600}
`;

const ICON =
  'data:image/svg+xml,%3Csvg xmlns=%22http://www.w3.org/2000/svg%22 viewBox=%220 0 8 8%22%3E%3Crect width=%228%22 height=%228%22 fill=%22%230E5A64%22/%3E%3Cpath d=%22M1 6h6M2 6V4M4 6V2M6 6V4%22 stroke=%22%23FFFDF8%22/%3E%3C/svg%3E';

/** A rule, as all of Jauge's controls are. */
const RULE = `<svg viewBox="0 0 390 34" preserveAspectRatio="none" aria-hidden="true"><path d="M0 33H390${Array.from(
  { length: 40 },
  (_, i) => `M${i * 10} 33V${i % 5 === 0 ? 12 : 22}`,
).join('')}" stroke="currentColor" stroke-width="1.5" fill="none"/></svg>`;

export const PAIRING_POLICY = `default-src 'none'; style-src 'sha256-${crypto.createHash('sha256').update(STYLE).digest('base64')}'; img-src data:; form-action 'self'; base-uri 'none'; frame-ancestors 'none'`;

const escaped = (text: string): string => text.replace(/[&<>"']/g, (letter) => `&#${letter.charCodeAt(0)};`);

/** A device that has named itself nothing yet. */
const USUAL_NAME = 'My phone';

/**
 * @param said why the last try did not do, in words
 * @param code what was typed, or came with the address
 */
export function pairingPage({
  said = '',
  code = '',
  name = USUAL_NAME,
}: {
  said?: string;
  code?: string;
  name?: string;
}) {
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>Pair with Jauge</title><link rel="icon" href="${ICON}"><style>${STYLE}</style></head>
<body><main>${RULE}
<h1>Pair this device</h1>
<p>This is Jauge on a computer in your home network. It knows this device no more than any other.</p>
${said ? `<p class="bad" role="alert">${escaped(said)}</p>` : ''}
<form method="post" action="/pair" autocomplete="off">
<label for="code">The code the computer shows</label>
<input id="code" name="code" class="code" required maxlength="20" autocapitalize="characters" autocomplete="off" spellcheck="false" value="${escaped(code)}">
<label for="name">What to call this device</label>
<input id="name" name="name" required maxlength="${LONGEST_DEVICE_NAME}" value="${escaped(name)}">
<button type="submit">Pair</button>
</form>
<p><small>On the computer: Kit, “Take it along”, “Show a code”. A code holds for five minutes and for one device.</small></p>
</main></body></html>`;
}
