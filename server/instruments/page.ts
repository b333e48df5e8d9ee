import { CHANNEL_IDS, CHANNELS } from '../../src/core/monitor/channels';
import { PARAMETERS } from '../../src/core/parameters/registry';
import { unitSymbol } from '../../src/core/units/units';
import type { Instrument } from '../../src/core/monitor/protocol';
import { FAULTS, SHOCKS } from './standIns/faults';
import type { PlayedMonitor } from './standIns/monitor';

export const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** A page in the style of the app's own colours, with nothing that a policy would have to allow. */
export function page(title: string, body: string): string {
  return `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>${escaped(title)}</title><link rel="stylesheet" href="/instruments/v1/screen.css"><main>${body}</main></html>`;
}

/** What the screens of instruments look like. */
export const SCREEN_CSS = `
:root{color-scheme:light dark;--ink:#15252e;--soft:#4a5b63;--paper:#f6f1e6;--rule:#cfc8ba;--sea:#0b5c73}
@media(prefers-color-scheme:dark){:root{--ink:#d9d3c4;--soft:#9aa9ad;--paper:#0d1a21;--rule:#33434f;--sea:#7cc8dc}}
body{margin:0;background:var(--paper);color:var(--ink);font:17px/1.5 'Public Sans',system-ui,sans-serif}
main{max-width:34rem;margin:0 auto;padding:24px 16px 48px}h1{font-size:1.5rem;margin:0}h2{font-size:1.1rem;margin:2rem 0 .5rem}
.code{font:600 3rem/1.2 ui-monospace,monospace;letter-spacing:.12em;color:var(--sea);margin:.5rem 0}
p{margin:.25rem 0;color:var(--soft)}table{width:100%;border-collapse:collapse}td{padding:.5rem 0;border-bottom:1px solid var(--rule)}
td:last-child{text-align:right;font-variant-numeric:tabular-nums}form{display:flex;flex-wrap:wrap;gap:8px}
button{font:inherit;color:var(--ink);background:none;border:1px solid var(--rule);border-radius:4px;padding:10px 14px;min-height:44px;text-align:left}
button[aria-pressed=true]{border-color:var(--sea);color:var(--sea);font-weight:600}`;

function codeWords(code: string, until: number, now: number): string {
  const minutes = Math.max(1, Math.ceil((until - now) / 60_000));
  return `<h2>Code for pairing</h2><div class="code" data-code="${code}">${code.slice(0, 3)} ${code.slice(3)}</div>
<p>Type it in Zoarium within ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}. It is good once.</p>`;
}

function monitorWords(monitor: PlayedMonitor): string {
  const { values, reached, faults, waiting } = monitor.shown();
  const rows = CHANNEL_IDS.map((channel) => {
    const spec = PARAMETERS[CHANNELS[channel].parameter];
    const value = values[channel];
    const shown =
      value === undefined ? 'nothing yet' : `${value} ${unitSymbol(spec.canonicalUnit)}`;
    return `<tr><td>${spec.name}<td>${escaped(shown)}`;
  });
  const button = (name: string, id: string, words: string, pressed?: boolean) =>
    `<button name="${name}" value="${id}"${pressed === undefined ? '' : ` aria-pressed="${pressed}"`}>${escaped(words)}</button>`;
  return `<h2>It shows</h2><table>${rows.join('')}</table><p>At ${new Date(reached).toISOString().slice(0, 16).replace('T', ' ')} UTC, ${waiting} samples not fetched.</p>
<h2>Let something go wrong</h2><p>Ends after half an hour, or by a second press.</p><form method="post">
${Object.entries(FAULTS)
  .map(([id, words]) =>
    button(
      'fault',
      id,
      words,
      faults.some((one) => one === id),
    ),
  )
  .join('')}
</form><h2>Let something happen</h2><form method="post">
${Object.entries(SHOCKS)
  .map(([id, words]) => button('shock', id, words))
  .join('')}</form>`;
}

/** The screen of an instrument: its code, what it shows, and for a monitor what may go wrong. */
export function instrumentPage(
  about: Instrument,
  pairing: { code: string; until: number },
  monitor: PlayedMonitor | null,
  now: number,
): string {
  return page(
    about.name,
    `<h1>${escaped(about.name)}</h1><p>Made up: it measures a tank that nobody has.</p>
${codeWords(pairing.code, pairing.until, now)}${monitor ? monitorWords(monitor) : ''}`,
  );
}

/** Every instrument behind this address. */
export function listPage(instruments: readonly Instrument[]): string {
  const links = instruments.map(
    ({ id, name }) =>
      `<tr><td><a href="/instruments/v1/${id}/screen">${escaped(name)}</a><td>${escaped(id)}`,
  );
  return page(
    'Instruments',
    `<h1>Instruments</h1><p>Each has a screen with its code.</p><table>${links.join('')}</table>`,
  );
}
