import { escapeXml } from '../../paint/index.ts';
import { page } from '../page/page.ts';
import type { Occasion } from '../../view/index.ts';
import { changeSentence, countsOf, told, toldAgain, viewSentences, type Compared } from './compared.ts';

/** A view before and after, drawn where much of what changed is seen. */
export interface Pair {
  readonly view: string;
  readonly screen: string;
  readonly occasion: Occasion;
  readonly width: number;
  readonly height: number;
  /** `data:` addresses; undefined of what was only saved, or is not there. */
  readonly before: string | undefined;
  readonly after: string | undefined;
  /** Boxes in shares of the screen. */
  readonly boxes: readonly PairBox[];
}

export interface PairBox {
  readonly when: 'before' | 'after';
  readonly widget: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** One page that stands by itself: each changed view before and after, with its changed widgets outlined in both. */
export function compareHtml({ old, now, comparison, screens }: Compared, pairs: readonly Pair[]): string {
  const { changes, findings, views } = comparison;
  const list = (items: readonly string[]) =>
    `<ol>${items.map((item) => `<li class="open">${item}</li>`).join('')}</ol>`;
  const picture = (pair: Pair, when: 'before' | 'after') => {
    const source = pair[when];
    const boxes = pair.boxes
      .filter((box) => source === undefined || box.when === when || when === 'after')
      .map(
        ({ x, y, width, height, when: then, widget }) =>
          `<i class="${then}" title="${escapeXml(widget)} ${then}" style="left:${share(x)};top:${share(y)};width:${share(width)};height:${share(height)}"></i>`,
      )
      .join('');
    const image = source === undefined ? '' : `<img alt="${escapeXml(pair.view)} ${when}" src="${source}">`;
    const fit = `aspect-ratio:${pair.width}/${pair.height};max-width:min(100%, calc(70vh * ${pair.width / pair.height}))`;
    return `<figure><figcaption>${when}</figcaption><div class="stage" style="${fit}">${image}${boxes}</div></figure>`;
  };
  const parts = [...new Set(changes.map(({ view }) => view))].map((view) => {
    const mine = changes.filter((one) => one.view === view);
    const said = mine.map(
      (one) => `${escapeXml(one.widget)} ${escapeXml(changeSentence(one, screens.length))}`,
    );
    const drawn = pairs
      .filter((pair) => pair.view === view)
      .map(
        (pair) =>
          `<h3>${escapeXml(occasionOf(pair))}</h3><div class="two">${picture(pair, 'before')}${picture(pair, 'after')}</div>`,
      );
    return `<section><h2>${escapeXml(view)}</h2>${drawn[0] ?? ''}${list(said)}${drawn.slice(1).join('')}</section>`;
  });
  const finding = (mark: string, tone: string, sentence: string, check: string) =>
    `<span class="${tone}">${mark}</span> ${escapeXml(sentence)} <code>${escapeXml(check)}</code>`;
  const said = [
    ...findings.new.map((one) => finding('new', 'bad', told(one), one.check)),
    ...findings.worse.map((one) => finding('worse', 'bad', toldAgain(one), one.now.check)),
    ...findings.better.map((one) => finding('better', 'good', toldAgain(one), one.now.check)),
    ...findings.gone.map((one) => finding('gone', 'good', told(one), one.check)),
  ];
  const whole = viewSentences(views).map(({ sentence }) => escapeXml(sentence));
  const title = countsOf(comparison);
  return page({
    title,
    style: compareStyle,
    body: `<header><h1>${escapeXml(title)} <small>${escapeXml(old)} → ${escapeXml(now)}</small></h1><p class="none"><i class="key before"></i> where it was <i class="key after"></i> where it is</p></header>
<main>
${whole.length > 0 ? `<h2>Views</h2>${list(whole)}` : ''}
${said.length > 0 ? `<h2>Findings</h2>${list(said)}` : ''}
${parts.join('\n')}
</main>`,
  });
}

/** What a drawing shows, beside its view. */
function occasionOf({ screen, width, height, occasion }: Pair): string {
  const { case: name, locale, theme, hudSize = 1, textSize = 1 } = occasion;
  return [
    `${screen}, ${width} × ${height} px`,
    name === undefined ? '' : `case ${name}`,
    locale ?? '',
    theme === undefined ? '' : `theme ${theme}`,
    hudSize === 1 ? '' : `HUD size ${hudSize}`,
    textSize === 1 ? '' : `text size ${textSize}`,
  ]
    .filter((part) => part !== '')
    .join(' · ');
}

function share(of: number): string {
  return `${(of * 100).toFixed(3)}%`;
}

const compareStyle = `
.two { display: grid; grid-template-columns: repeat(auto-fit, minmax(320px, 1fr)); gap: 16px; margin: 10px 0; align-items: start; }
figure { margin: 0; } figcaption { color: var(--soft); margin-bottom: 4px; }
.stage { margin: 0; }
.stage i.before, .key.before { border: 2px dashed var(--doubt); }
.stage i.after, .key.after { border: 2px solid var(--focus); }
.key { display: inline-block; width: 22px; height: 13px; margin: 0 4px 0 12px; vertical-align: -2px; }
.key:first-child { margin-left: 0; }
header p { margin: 0; }
section { margin-top: 28px; }
h3 { margin: 18px 0 0; font-size: 1em; font-weight: 400; color: var(--soft); }
ol { gap: 6px; } li { padding: 6px 13px; } li code { white-space: nowrap; }
`;
