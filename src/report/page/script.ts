/*
 * What the page does. It builds everything with the document's own functions and puts texts in as text, so that a widget
 * called <script> is a word and nothing else.
 */
export const pageScript = `
'use strict';
(async () => {
const letters = atob(document.getElementById('data').textContent);
const packed = new Uint8Array(letters.length);
for (let at = 0; at < letters.length; at++) packed[at] = letters.charCodeAt(at);
const data = JSON.parse(await new Response(new Blob([packed]).stream().pipeThrough(new DecompressionStream('deflate-raw'))).text());
// A finding is on the screens it says something of.
for (const one of data.findings) one.screens = Object.keys(one.on);
for (const shot of data.shots) {
  const numbers = shot.marks;
  shot.marks = [];
  for (let at = 0; at < numbers.length; at += 5) {
    const [finding, ...box] = numbers.slice(at, at + 5);
    const [x, y, width, height] = box.map((part) => part / 10000);
    shot.marks.push({ finding, x, y, width, height });
  }
}
/** On a small drawing no more marks can be told apart; the large one has them all. */
const mostMarks = 30;
const find = (id) => document.getElementById(id);
const make = (tag, props, ...children) => { const one = Object.assign(document.createElement(tag), props); one.append(...children); return one; };
const filters = ['severity', 'check', 'view', 'screen', 'case', 'locale', 'theme'];
const lists = { view: 'views', screen: 'screens', case: 'cases', locale: 'locales', theme: 'themes' };
const ranks = { error: 0, warning: 1, open: 2 };
const kindOf = (finding) => finding.outcome !== 'failed' ? 'open' : finding.severity;

for (const name of filters) {
  const values = lists[name] ? data[lists[name]] : [...new Set(data.findings.map((one) => one[name]))].sort();
  // What has one value alone is nothing to choose from.
  find(name).parentElement.hidden = values.length < 2;
  find(name).append(new Option('all', ''), ...values.map((value) => new Option(value, value)));
}

function chosen() {
  return { ...Object.fromEntries(filters.map((name) => [name, find(name).value])), search: find('search').value.trim().toLowerCase() };
}
function matches(finding, by) {
  if (by.search && !(finding.name + ' ' + finding.sentence + ' ' + finding.check).toLowerCase().includes(by.search)) return false;
  if (by.check && finding.check !== by.check || by.severity && finding.severity !== by.severity) return false;
  if (!finding.view) return !by.view;
  return (!by.view || finding.view === by.view) && ['screen', 'case', 'locale', 'theme'].every((name) => !by[name] || finding[lists[name]].includes(by[name]));
}
/** Whether a drawing is that of a screen, or of one that looks the same. */
const isOn = (shot, screen) => !screen || shot.screen === screen || shot.alike.includes(screen);
/** The screen that a drawing is shown as. */
const screenOf = (shot) => { const wanted = find('screen').value; return wanted && isOn(shot, wanted) ? wanted : shot.screen; };
/** Places for a number, nearest to its mark first, in its own widths and heights. */
const steps = [];
for (let x = -6; x <= 6; x++) for (let y = -4; y <= 4; y++) steps.push([x, y]);
steps.sort(([a, b], [c, d]) => Math.hypot(a, b) - Math.hypot(c, d) || d - b || c - a);
/** Numbers stay in the drawing and off each other: each at the corner of its mark, or as near as there is room; without room it is left out, and that is said. */
const apart = new ResizeObserver((entries) => {
  for (const { target, contentRect: { width, height } } of entries) {
    if (width === 0) continue;
    const taken = [...target.querySelectorAll('i.off, em')].map((pin) => [pin.offsetLeft, pin.offsetTop, pin.offsetWidth, pin.offsetHeight]);
    const badges = [...target.querySelectorAll('i b')].map((badge) => {
      const { offsetLeft, offsetTop, clientLeft, clientTop } = badge.parentElement;
      return { badge, w: badge.offsetWidth + 3, h: badge.offsetHeight + 2, left: offsetLeft, top: offsetTop, inset: [clientLeft, clientTop] };
    });
    let without = 0;
    for (const { badge, w, h, left, top, inset } of badges) {
      const within = (from, size, most) => Math.max(1, Math.min(from, most - size));
      const at = ([x, y]) => [within(left - w * 0.45 + x * w, w, width), within(top - h * 0.45 + y * h, h, height)];
      const isFree = ([x, y]) => taken.every(([ox, oy, ow, oh]) => x >= ox + ow || ox >= x + w || y >= oy + oh || oy >= y + h);
      const free = steps.map(at).find(isFree);
      const [x, y] = free || at([0, 0]);
      badge.style.visibility = free ? '' : 'hidden';
      if (free) taken.push([x, y, w, h]);
      else without++;
      badge.style.transform = 'none';
      badge.style.left = x - left - inset[0] + 'px';
      badge.style.top = y - top - inset[1] + 'px';
    }
    note(target, without === 0 ? '' : without + ' unnumbered');
  }
});
/** What is not shown in a drawing, in its corner. */
function note(box, more) {
  const text = [box.dataset.marks, more].filter(Boolean).join(', ');
  const known = box.querySelector('em');
  if (known) { if (text) known.textContent = text; else known.remove(); }
  else if (text) box.append(make('em', { textContent: text, title: 'open it for all' }));
}
/** Drawings whose marks are made when they come near the part of the page that is seen. */
const waiting = new Map();
const near = new IntersectionObserver((entries) => {
  for (const { target, isIntersecting } of entries) if (isIntersecting) mark(target);
}, { rootMargin: '800px' });
function mark(box) {
  near.unobserve(box);
  const marks = waiting.get(box);
  waiting.delete(box);
  if (marks) marks();
}
const markAll = () => { for (const box of [...waiting.keys()]) mark(box); };
addEventListener('beforeprint', markAll);
/** A small drawing, of which there may be hundreds. */
function smallStage(shot, by) {
  const box = emptyStage(shot);
  waiting.set(box, () => addMarks(box, shot, by, mostMarks));
  near.observe(box);
  return box;
}
function emptyStage(shot) {
  const box = make('span', { className: 'stage' }, make('img', { src: shot.picture, alt: shot.view + ' on ' + screenOf(shot), loading: 'lazy' }));
  box.style.aspectRatio = shot.width + ' / ' + shot.height;
  return box;
}
function addMarks(box, shot, by, most) {
  const wanted = shot.marks.filter((mark) => matches(data.findings[mark.finding], by));
  if (wanted.length > most) {
    wanted.sort((a, b) => ranks[kindOf(data.findings[a.finding])] - ranks[kindOf(data.findings[b.finding])]);
    box.dataset.marks = most + ' of ' + wanted.length + ' marks';
    note(box, '');
  }
  for (const mark of wanted.slice(0, most)) {
    const finding = data.findings[mark.finding];
    const line = make('i', { className: kindOf(finding), title: finding.number + ': ' + finding.name + ' ' + said(finding, screenOf(shot)) });
    line.append(make('b', { textContent: finding.number }));
    // What is off the screen is pinned to the edge it went over, with an arrow.
    const off = mark.x >= 1 ? '→' : mark.y >= 1 ? '↓' : mark.x + mark.width <= 0 ? '←' : mark.y + mark.height <= 0 ? '↑' : '';
    if (off) {
      const pin = (from, size) => Math.min(0.96, Math.max(0.04, from + size / 2));
      line.className += ' off';
      line.append(off);
      line.style.left = pin(mark.x, mark.width) * 100 + '%';
      line.style.top = pin(mark.y, mark.height) * 100 + '%';
    } else for (const [side, share] of [['left', mark.x], ['top', mark.y], ['width', mark.width], ['height', mark.height]]) line.style[side] = share * 100 + '%';
    box.append(line);
  }
  apart.observe(box);
}
function said(finding, screen) {
  const on = finding.on[screen];
  if (on === undefined) return finding.sentence;
  const [nth, number] = typeof on === 'string' ? [0, on] : on;
  return finding.says[nth].replaceAll('\u0001', number);
}
const kinds = { error: 'error', warning: 'warning', open: 'undecided' };
function item(finding, shot) {
  const screen = shot && screenOf(shot);
  const kind = kindOf(finding);
  const one = make('li', { className: kind }, make('span', { className: 'number', textContent: finding.number }), ' ', make('span', { className: 'kind', textContent: kinds[kind] }), ' ', make('b', { textContent: finding.name }), ' ' + said(finding, screen));
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
const here = (shot, by) => data.findings.filter((one) => one.view === shot.view && one.file === shot.file && one.on[screenOf(shot)] !== undefined && matches(one, by));

/** Everything that was found, by what would have to be changed, errors first: with what leads to its drawing. */
function listOf(by) {
  const some = data.findings.filter((one) => matches(one, by));
  const grouped = new Map();
  for (const one of [...some].sort((a, b) => a.number - b.number)) grouped.set(one.cause, [...(grouped.get(one.cause) || []), one]);
  const causes = [...grouped.values()];
  causes.sort((a, b) => Math.min(...a.map((one) => ranks[kindOf(one)])) - Math.min(...b.map((one) => ranks[kindOf(one)])) || a[0].number - b[0].number);
  const count = some.length === data.findings.length ? some.length : some.length + ' of ' + data.findings.length;
  const head = make('h2', { textContent: data.findings.length === 0 ? 'Nothing found' : count + (some.length === 1 ? ' finding' : ' findings') + ', by cause' });
  const ofOne = (group) => group.length > 1 && group[0].what ? [make('p', { className: 'what', textContent: group.length + ' findings of one cause: ' + group[0].what })] : [];
  const row = (one) => {
    const screens = one.screens.length === 1 ? one.screens[0] : one.screens.length + ' screens';
    const where = one.view ? one.view + ', ' + screens : 'as written';
    const button = make('button', { type: 'button', className: 'row ' + kindOf(one) }, make('span', { className: 'number', textContent: one.number }),
      make('span', {}, make('b', { textContent: one.name }), ' ' + one.sentence, make('small', { textContent: one.check + ' · ' + where })));
    button.addEventListener('click', () => { location.hash = 'finding=' + one.number; });
    return make('li', {}, button);
  };
  // What is written at one place is one row, and the rest of it behind it.
  const placesOf = (group) => {
    const places = new Map();
    for (const one of group) places.set(one.first, [...(places.get(one.first) || []), one]);
    return [...places.values()];
  };
  const rows = causes.flatMap((group) => [...ofOne(group), make('ul', { className: 'cause' }, ...placesOf(group).flatMap(([one, ...others]) => others.length === 0 ? [row(one)] : [row(one),
    make('li', {}, make('details', {}, make('summary', { textContent: others.length + ' more of the same line' }), make('ul', {}, ...others.map(row))))]))]);
  return [head, ...rows];
}

// On paper nothing can be opened.
addEventListener('beforeprint', () => { for (const one of document.querySelectorAll('details')) one.open = true; });

let shown = [];
// Of several drawings of one screen each says what it shows.
function nameOf(shot, among) {
  const several = among.filter((one) => one.screen === shot.screen).length > 1;
  const name = several ? [screenOf(shot), shot.case, shot.locale].filter(Boolean).join(', ') : screenOf(shot);
  return shot.alike.length > 0 ? name + ' + ' + shot.alike.length + ' alike' : name;
}
function show() {
  const by = chosen();
  waiting.clear();
  near.disconnect();
  find('list').replaceChildren(...listOf(by));
  const onlyBad = find('only').checked;
  shown = data.shots.filter((shot) => isOn(shot, by.screen) && (!by.view || shot.view === by.view) && (!onlyBad || here(shot, by).length > 0));
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
      const button = make('button', { className: 'shot', type: 'button' }, smallStage(shot, by), make('div', { className: 'name' }, nameOf(shot, inView), count));
      button.addEventListener('click', () => open(shown.indexOf(shot)));
      return button;
    })));
  }
  for (const { title, screens } of data.unsupported.filter((one) => (!by.view || one.view === by.view) && (!by.screen || one.screens.includes(by.screen)) && !onlyBad))
    parts.push(make('p', { className: 'none unsupported', textContent: title + ' does not support ' + screens.join(', ') + ': nothing was looked at there.' }));
  if (parts.length === 0) parts.push(make('p', { className: 'none', textContent: 'Nothing matches these filters.' }));
  find('sheet').replaceChildren(...parts);
}

let at = 0;
function open(index, number) {
  at = (index + shown.length) % shown.length;
  const shot = shown[at];
  const by = chosen();
  // What was asked for comes first.
  const found = here(shot, by).sort((a, b) => (b.number === number) - (a.number === number));
  find('large-title').textContent = shot.title + ' on ' + screenOf(shot);
  const others = [shot.screen, ...shot.alike].filter((name) => name !== screenOf(shot));
  find('large-with').textContent = [screenOf(shot) === shot.screen && shot.width + ' × ' + shot.height, shot.case && 'case ' + shot.case, shot.locale, shot.theme, others.length > 0 && 'the same on ' + others.join(', ')].filter(Boolean).join(' · ');
  const box = emptyStage(shot);
  addMarks(box, shot, by, Infinity);
  find('large').replaceChildren(box, found.length > 0 ? make('ol', {}, ...found.map((one) => item(one, shot))) : make('p', { className: 'none', textContent: 'Nothing found here.' }));
  for (const one of find('large').querySelectorAll('li')) one.classList.toggle('meant', one.querySelector('.number').textContent === String(number));
  if (!find('dialog').open) find('dialog').showModal();
  find('large').querySelector('.meant')?.scrollIntoView({ block: 'nearest' });
}
/** Opens the drawing in which a finding is worst, or any that has it. */
function openFinding(number) {
  const index = data.findings.findIndex((one) => one.number === number);
  const finding = data.findings[index];
  if (!finding) return;
  const has = (shot) => shot.marks.some((mark) => mark.finding === index);
  let drawn = shown.findIndex((shot) => has(shot) && isOn(shot, finding.worst));
  if (drawn < 0) drawn = shown.findIndex(has);
  if (drawn < 0) drawn = shown.findIndex((shot) => shot.view === finding.view && finding.screens.includes(screenOf(shot)));
  if (drawn >= 0) open(drawn, number);
  else find('sheet').querySelector('ol')?.scrollIntoView();
}
/** An address may name a finding or a check. */
function follow() {
  const parts = new URLSearchParams(location.hash.slice(1));
  if (parts.has('check')) { find('check').value = parts.get('check'); show(); }
  if (parts.has('finding')) openFinding(Number(parts.get('finding')));
  else if (find('dialog').open) find('dialog').close();
}
find('dialog').addEventListener('close', () => { if (location.hash.startsWith('#finding=')) history.replaceState(null, '', location.pathname + location.search); });
addEventListener('hashchange', follow);
find('before').addEventListener('click', () => open(at - 1));
find('after').addEventListener('click', () => open(at + 1));
find('dialog').addEventListener('keydown', (event) => {
  if (event.key === 'ArrowLeft') open(at - 1);
  if (event.key === 'ArrowRight') open(at + 1);
});
for (const name of [...filters, 'only']) find(name).addEventListener('change', show);
find('search').addEventListener('input', show);
show();
follow();
document.body.dataset.ready = 'yes';
})();
`;
