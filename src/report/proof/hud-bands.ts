import { escapeXml } from '../../paint/index.ts';
import type { HudProof, HudRange } from '../../proof/index.ts';
import { printable, sentenceOf } from '../wording.ts';
import { atHudSizes, hudText, hudWhereText } from './told.ts';

/* Which HUD sizes of a range a view holds at, as bands one below the other: smaller HUDs to the left, larger ones to the right. */

/** Failures that have a band of their own; the others are told in the terminal and in JSON. */
const mostBands = 12;

export function hudBands(view: string, hud: HudProof): string {
  const { range, holds, failures, refused } = hud;
  const heading = `<h2>${escapeXml(printable(view))} ${escapeXml(hudText(hud))}</h2>`;
  if (refused !== undefined) return `<div class="bands">${heading}</div>`;
  const band = (label: string, detail: string, ranges: readonly HudRange[], kind: string) =>
    `<tr><th scope="row">${escapeXml(label)} <small>${escapeXml(detail)}</small></th><td><span class="band" aria-hidden="true">${ranges
      .map((one) => `<i class="${kind}" style="${placeIn(range, one)}"></i>`)
      .join('')}</span></td></tr>`;
  const rows = [
    ...(holds.length > 0 ? [band('all sizes and aspects hold', atHudSizes(holds), holds, 'good')] : []),
    ...failures
      .slice(0, mostBands)
      .map((one) =>
        band(
          `${printable(one.finding.widget)} ${printable(sentenceOf(one.finding))}`,
          hudWhereText(one, hud),
          one.hudSizes,
          'bad',
        ),
      ),
  ];
  const more =
    failures.length > mostBands ? `<p class="none">… and ${failures.length - mostBands} more.</p>` : '';
  return `<div class="bands">${heading}<table><thead><tr><th scope="col">What fails</th><th scope="col" class="ends"><span>${range.least}</span><span>${range.most}</span></th></tr></thead><tbody>${rows.join('')}</tbody></table>${more}</div>`;
}

/** Where a part of a range stands in it, as CSS: twice as large is always as far. */
function placeIn(whole: HudRange, { least, most }: HudRange): string {
  const at = (size: number) => (100 * Math.log(size / whole.least)) / Math.log(whole.most / whole.least);
  // One HUD size is seen too, the last as well.
  const left = Math.min(at(least), 100 - thinnestBand);
  return `left:${left.toFixed(2)}%;width:${Math.max(thinnestBand, at(most) - left).toFixed(2)}%`;
}

/** As a share of all bands. */
const thinnestBand = 0.5;

export const bandStyle = `
.bands { margin: 14px 0; } .bands h2 { font-size: 16px; }
.bands table { width: 100%; border-collapse: collapse; }
.bands th { text-align: left; font-weight: 400; padding: 5px 14px 5px 0; width: 45%; overflow-wrap: anywhere; } .bands th small { display: block; color: var(--soft); font-size: 13px; }
.bands thead th { color: var(--soft); font-size: 13px; } .bands .ends { display: flex; justify-content: space-between; width: auto; padding: 5px 0; }
.bands tr + tr { border-top: 1px solid var(--line); }
.band { position: relative; display: block; height: 16px; background: var(--raised); border: 1px solid var(--line); border-radius: 3px; overflow: hidden; forced-color-adjust: none; }
.band i { position: absolute; top: 0; bottom: 0; } .band .good { background: #2f9e7d; }
.band .bad { background: repeating-linear-gradient(45deg, #d55e00 0 6px, #8f3f00 6px 12px); }
@media (max-width: 640px) { .bands tr, .bands th, .bands td { display: block; width: auto; } .bands .ends { display: flex; } }
`;
