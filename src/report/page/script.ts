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
    const line = make('i', { className: finding.outcome === 'failed' ? '' : 'open', title: finding.name + ' ' + finding.sentence });
    for (const [side, share] of [['left', mark.x], ['top', mark.y], ['width', mark.width], ['height', mark.height]]) line.style[side] = share * 100 + '%';
    box.append(line);
  }
  return box;
}
function item(finding) {
  const said = make('li', { className: finding.outcome === 'failed' ? '' : 'open' }, make('b', { textContent: finding.name }), ' ' + finding.sentence);
  if (finding.where) said.append(make('p', { textContent: finding.where }));
  for (const reason of finding.why) said.append(make('p', { textContent: 'because ' + reason }));
  if (finding.say) said.append(make('p', { className: 'try', textContent: 'try ' + finding.say + ': mends it, breaks nothing' }));
  said.append(make('p', {}, make('code', { textContent: finding.place + '  ' + finding.check })));
  return said;
}
const here = (shot, by) => data.findings.filter((one) => one.view === shot.view && one.file === shot.file && one.screens.includes(shot.screen) && matches(one, by));

let shown = [];
function show() {
  const by = chosen();
  const onlyBad = find('only').checked;
  shown = data.shots.filter((shot) => (!by.screen || shot.screen === by.screen) && (!onlyBad || here(shot, by).length > 0));
  const parts = [];
  const written = data.findings.filter((one) => !one.view && matches(one, by));
  if (written.length > 0) parts.push(make('h2', { textContent: 'As it is written' }), make('ol', {}, ...written.map(item)));
  for (const title of [...new Set(shown.map((shot) => shot.title))]) {
    const inView = shown.filter((shot) => shot.title === title);
    parts.push(make('h2', { textContent: title }), make('div', { className: 'grid' }, ...inView.map((shot) => {
      const found = here(shot, by);
      const failed = found.filter((one) => one.outcome === 'failed').length;
      const count = make('span', { textContent: failed > 0 ? '✗ ' + failed : found.length > 0 ? '? ' + found.length : '✓' });
      count.className = failed > 0 ? 'bad' : found.length > 0 ? 'doubt' : 'good';
      const button = make('button', { className: 'shot', type: 'button' }, stage(shot, by), make('div', { className: 'name' }, shot.screen, count));
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
  find('large').replaceChildren(stage(shot, by), found.length > 0 ? make('ol', {}, ...found.map(item)) : make('p', { className: 'none', textContent: 'Nothing found here.' }));
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
