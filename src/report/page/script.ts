/*
 * What the page does. It builds everything with the document's own functions and puts texts in as text, so that a widget
 * called <script> is a word and nothing else.
 */
export const pageScript = `
'use strict';
const data = JSON.parse(document.getElementById('data').textContent);
const find = (id) => document.getElementById(id);
const make = (tag, props, ...children) => { const one = Object.assign(document.createElement(tag), props); one.append(...children); return one; };
const filters = ['check', 'severity', 'screen', 'locale'];

for (const name of filters) {
  const values = name === 'screen' ? data.screens : name === 'locale' ? data.locales : [...new Set(data.findings.map((one) => one[name]))].sort();
  find(name).append(new Option('all', ''), ...values.map((value) => new Option(value, value)));
}

function chosen() {
  return Object.fromEntries(filters.map((name) => [name, find(name).value]));
}
function matches(finding, by) {
  return (!by.check || finding.check === by.check) && (!by.severity || finding.severity === by.severity)
    && (!by.screen || !finding.view || finding.screens.includes(by.screen)) && (!by.locale || !finding.view || finding.locales.includes(by.locale));
}
function stage(shot, by) {
  const box = make('span', { className: 'stage' }, make('img', { src: shot.picture, alt: shot.view + ' on ' + shot.screen, loading: 'lazy' }));
  box.style.aspectRatio = shot.width + ' / ' + shot.height;
  for (const mark of shot.marks) {
    const finding = data.findings[mark.finding];
    if (!matches(finding, by)) continue;
    const kind = finding.outcome !== 'failed' ? 'open' : finding.severity;
    const line = make('i', { className: kind, title: finding.name + ' ' + said(finding, shot.screen) });
    // What is off the screen is pinned to the edge it went over, with an arrow.
    const off = mark.x >= 1 ? '→' : mark.y >= 1 ? '↓' : mark.x + mark.width <= 0 ? '←' : mark.y + mark.height <= 0 ? '↑' : '';
    if (off) {
      const pin = (from, size) => Math.min(0.96, Math.max(0.04, from + size / 2));
      line.className += ' off';
      line.textContent = off;
      line.style.left = pin(mark.x, mark.width) * 100 + '%';
      line.style.top = pin(mark.y, mark.height) * 100 + '%';
    } else for (const [side, share] of [['left', mark.x], ['top', mark.y], ['width', mark.width], ['height', mark.height]]) line.style[side] = share * 100 + '%';
    box.append(line);
  }
  return box;
}
function said(finding, screen) {
  const [nth, number] = (finding.on[screen] || []);
  return nth === undefined ? finding.sentence : finding.says[nth].replaceAll('\u0001', number);
}
const kinds = { error: 'error', warning: 'warning', open: 'undecided' };
function item(finding, shot) {
  const screen = shot && shot.screen;
  const kind = finding.outcome !== 'failed' ? 'open' : finding.severity;
  const one = make('li', { className: kind }, make('span', { className: 'kind', textContent: kinds[kind] }), ' ', make('b', { textContent: finding.name }), ' ' + said(finding, screen));
  if (screen && screen !== finding.worst && said(finding, screen) !== finding.sentence)
    one.append(make('p', { textContent: 'worse on ' + finding.worst + ': ' + finding.sentence }));
  if (finding.where) one.append(make('p', { textContent: finding.where }));
  const of = screen && screen !== finding.worst && finding.why.length > 0 ? 'on ' + finding.worst + ' because ' : 'because ';
  for (const reason of finding.why) one.append(make('p', { textContent: of + reason }));
  if (finding.say) one.append(make('p', { className: 'try', textContent: 'try ' + finding.say + ': mends it, breaks nothing' }));
  one.append(make('p', {}, make('code', { textContent: finding.place + '  ' + finding.check })));
  const number = data.findings.indexOf(finding);
  if (shot && !shot.marks.some((mark) => mark.finding === number)) {
    const drawn = shown.findIndex((other) => other.marks.some((mark) => mark.finding === number));
    if (drawn >= 0) {
      const label = 'not in this drawing; see ' + [shown[drawn].screen, shown[drawn].case, shown[drawn].locale].filter(Boolean).join(', ');
      const go = make('button', { type: 'button', className: 'go', textContent: label });
      go.addEventListener('click', () => open(drawn));
      one.append(go);
    }
  }
  return one;
}
const here = (shot, by) => data.findings.filter((one) => one.view === shot.view && one.file === shot.file && one.screens.includes(shot.screen) && matches(one, by));

let shown = [];
// Of several drawings of one screen each says what it shows.
function nameOf(shot, among) {
  const several = among.filter((one) => one.screen === shot.screen).length > 1;
  return several ? [shot.screen, shot.case, shot.locale].filter(Boolean).join(', ') : shot.screen;
}
function show() {
  const by = chosen();
  const onlyBad = find('only').checked;
  shown = data.shots.filter((shot) => (!by.screen || shot.screen === by.screen) && (!onlyBad || here(shot, by).length > 0));
  const parts = [];
  const written = data.findings.filter((one) => !one.view && matches(one, by));
  if (written.length > 0) parts.push(make('h2', { textContent: 'As it is written' }), make('ol', {}, ...written.map((one) => item(one))));
  for (const title of [...new Set(shown.map((shot) => shot.title))]) {
    const inView = shown.filter((shot) => shot.title === title);
    parts.push(make('h2', { textContent: title }), make('div', { className: 'grid' }, ...inView.map((shot) => {
      const found = here(shot, by);
      const failed = found.filter((one) => one.outcome === 'failed');
      const isError = failed.some((one) => one.severity === 'error');
      const count = make('span', { textContent: failed.length > 0 ? (isError ? '✗ ' : '! ') + failed.length : found.length > 0 ? '? ' + found.length : '✓' });
      count.className = isError ? 'bad' : found.length > 0 ? 'doubt' : 'good';
      const button = make('button', { className: 'shot', type: 'button' }, stage(shot, by), make('div', { className: 'name' }, nameOf(shot, inView), count));
      button.addEventListener('click', () => open(shown.indexOf(shot)));
      return button;
    })));
  }
  if (parts.length === 0) parts.push(make('p', { className: 'none', textContent: 'Nothing matches these filters.' }));
  find('sheet').replaceChildren(...parts);
}

let at = 0;
function open(index) {
  at = (index + shown.length) % shown.length;
  const shot = shown[at];
  const by = chosen();
  const found = here(shot, by);
  find('large-title').textContent = shot.title + ' on ' + shot.screen;
  find('large-with').textContent = [shot.width + ' × ' + shot.height, shot.case && 'case ' + shot.case, shot.locale, shot.theme].filter(Boolean).join(' · ');
  find('large').replaceChildren(stage(shot, by), found.length > 0 ? make('ol', {}, ...found.map((one) => item(one, shot))) : make('p', { className: 'none', textContent: 'Nothing found here.' }));
  if (!find('dialog').open) find('dialog').showModal();
}
find('before').addEventListener('click', () => open(at - 1));
find('after').addEventListener('click', () => open(at + 1));
find('dialog').addEventListener('keydown', (event) => {
  if (event.key === 'ArrowLeft') open(at - 1);
  if (event.key === 'ArrowRight') open(at + 1);
});
for (const name of [...filters, 'only']) find(name).addEventListener('change', show);
show();
document.body.dataset.ready = 'yes';
`;
