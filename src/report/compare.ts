import type { Comparison, WidgetChange } from '../compare/index.ts';
import { escapeXml } from '../paint/index.ts';
import { pageStyle } from './page/style.ts';
import type { Ink } from './report.ts';
import { amount, counted, printable } from './wording.ts';

/** What was compared with what, as the user named them. */
export interface Compared {
  readonly old: string;
  readonly now: string;
  readonly comparison: Comparison;
  readonly screens: readonly string[];
}

/** A view before and after, drawn where one of its widgets changed most. */
export interface Pair {
  readonly view: string;
  readonly screen: string;
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

/** What became of a widget, as the rest of a sentence that starts with it. */
export function changeSentence(
  { kind, by, screens, worst, from, to }: WidgetChange,
  screenCount: number,
): string {
  const where =
    screens.length === screenCount && screenCount > 1
      ? `on all ${screenCount} screens`
      : screens.length <= 2
        ? `on ${screens.join(' and ')}`
        : `on ${screens.length} of ${screenCount} screens`;
  const most = screens.length > 1 ? `, most on ${worst.screen}` : '';
  switch (kind) {
    case 'new':
      return `is new, ${where}`;
    case 'gone':
      return `is gone, ${where}`;
    case 'moved':
      return `moved by ${amount(by)} px ${where}${most}`;
    case 'resized':
      return `is ${sizeOf(to)} px where it was ${sizeOf(from)}, ${where}${most}`;
    case 'looks':
      return `looks different ${where}`;
    case 'says':
      return `says something else ${where}`;
  }
}

function sizeOf(size: WidgetChange['from']): string {
  return size ? size.map(amount).join(' × ') : 'nothing';
}

/** The comparison for a person. */
export function compareTerminal({ old, now, comparison, screens }: Compared, ink: Ink): string {
  const { changes, findings, views, layouts, unmatched } = comparison;
  const lines = [ink.strong(`${printable(old)} → ${printable(now)}`), ''];
  for (const name of views.new) lines.push(`${ink.good('+')} the view ${printable(name)} is new`);
  for (const name of views.gone) lines.push(`${ink.bad('−')} the view ${printable(name)} is gone`);
  for (const view of new Set(changes.map((one) => one.view))) {
    lines.push(ink.strong(printable(view)));
    for (const change of changes.filter((one) => one.view === view)) {
      const mark =
        change.kind === 'new' ? ink.good('+') : change.kind === 'gone' ? ink.bad('−') : ink.doubtful('~');
      lines.push(
        `  ${mark} ${printable(change.widget)} ${printable(changeSentence(change, screens.length))}`,
      );
    }
    lines.push('');
  }
  for (const one of findings.new)
    lines.push(`${ink.bad('✗ new')} ${told(one)}  ${ink.faint(`[${one.check}]`)}`);
  for (const one of findings.gone)
    lines.push(`${ink.good('✓ gone')} ${told(one)}  ${ink.faint(`[${one.check}]`)}`);
  if (findings.new.length + findings.gone.length > 0) lines.push('');
  const apart = unmatched > 0 ? `; ${counted(unmatched, 'layout')} only one of them has` : '';
  lines.push(
    `${counted(changes.length, 'change')} of widgets, findings: ${findings.new.length} new, ${findings.gone.length} gone, ${findings.unchanged.length} unchanged ${ink.faint(`(${counted(layouts, 'layout')} compared${apart})`)}`,
  );
  return `${lines.join('\n')}\n`;
}

function told({ view, widget, message }: Comparison['findings']['new'][number]): string {
  return printable(
    view === undefined ? message : `${view}/${message.startsWith(widget) ? message : `${widget} ${message}`}`,
  );
}

/** The comparison for machines. */
export function compareJson({ old, now, comparison }: Compared): string {
  const { views, changes, findings, layouts, unmatched } = comparison;
  return `${JSON.stringify(
    {
      'pimbot-comparison': 1,
      old,
      now,
      layouts,
      unmatched,
      views,
      'changes': changes.map(({ view, widget, kind, screens, by, worst }) => ({
        view,
        widget,
        kind,
        by,
        screens,
        worst: { screen: worst.screen, ...worst.occasion },
      })),
      'findings': Object.fromEntries(
        Object.entries(findings).map(([key, some]) => [
          key,
          some.map(({ check, view, widget, outcome, message }) => ({
            check,
            view,
            widget,
            outcome,
            message,
          })),
        ]),
      ),
    },
    null,
    2,
  )}\n`;
}

/** One page that stands by itself: each changed view before and after, with its changed widgets outlined in both. */
export function compareHtml({ old, now, comparison, screens }: Compared, pairs: readonly Pair[]): string {
  const { changes, findings } = comparison;
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
  const parts = pairs.map((pair) => {
    const mine = changes.filter(({ view }) => view === pair.view);
    const said = mine.map(
      (one) => `${escapeXml(one.widget)} ${escapeXml(changeSentence(one, screens.length))}`,
    );
    return `<section><h2>${escapeXml(pair.view)} <small class="none">on ${escapeXml(pair.screen)}</small></h2><div class="two">${picture(pair, 'before')}${picture(pair, 'after')}</div>${list(said)}</section>`;
  });
  const finding = (mark: string, tone: string) => (one: Comparison['findings']['new'][number]) =>
    `<span class="${tone}">${mark}</span> ${escapeXml(told(one))} <code>${escapeXml(one.check)}</code>`;
  const said = [...findings.new.map(finding('new', 'bad')), ...findings.gone.map(finding('gone', 'good'))];
  const title = `${counted(changes.length, 'change')}, findings: ${findings.new.length} new, ${findings.gone.length} gone, ${findings.unchanged.length} unchanged`;
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'">
<title>Pimbot: ${escapeXml(title)}</title>
<style>${pageStyle}${compareStyle}</style>
</head>
<body>
<header><h1>${escapeXml(title)} <small>${escapeXml(old)} → ${escapeXml(now)}</small></h1><p class="none"><i class="key before"></i> where it was <i class="key after"></i> where it is</p></header>
<main>
${said.length > 0 ? `<h2>Findings</h2>${list(said)}` : ''}
${parts.join('\n')}
</main>
</body>
</html>
`;
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
ol { gap: 6px; } li { padding: 6px 13px; }
`;
