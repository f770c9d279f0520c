import {
  CanvasCache,
  drawLayout,
  localesOf,
  makeScreen,
  openView,
  paintOnCanvas,
  screens,
  type Screen,
} from 'pimbot';
import { checkDocument, onlyOn, pseudoLocales, sentenceOf, withOverlay, type Finding } from 'pimbot/tools';
import { documents, loadProject, type LoadedProject } from './project.ts';

const find = <T extends HTMLElement>(id: string): T => document.getElementById(id) as T;
const canvas = find<HTMLCanvasElement>('canvas');
const frame = find('frame');
const freeSize = 'any size';

/** Tinted pictures and the outlines of texts, kept from one drawing to the next. */
const cache = new CanvasCache(
  (width, height) => new OffscreenCanvas(width, height),
  () => new Path2D(),
);

/** What the page shows; everything drawn follows from it. */
const state = {
  project: undefined as LoadedProject | undefined,
  view: '',
  case: undefined as string | undefined,
  locale: undefined as string | undefined,
  theme: undefined as string | undefined,
  screen: 'desktop',
};

function screenNow(): Screen {
  if (state.screen !== freeSize) return screens.find((one) => one.name === state.screen)!;
  const ratio = window.devicePixelRatio || 1;
  const { width, height } = frame.getBoundingClientRect();
  return makeScreen({
    name: freeSize,
    width: Math.max(1, Math.round((width - 2) * ratio)),
    height: Math.max(1, Math.round((height - 2) * ratio)),
    density: 96 * ratio,
  });
}

let later: ReturnType<typeof setTimeout> | undefined;

function show(): void {
  const { project } = state;
  if (!project) return;
  const { document: checked, resources } = project;
  const hudSize = Number(find<HTMLInputElement>('hud-size').value);
  find('hud-size-value').textContent = String(hudSize);
  const screen = screenNow();
  const { case: caseName, locale, theme } = state;
  const view = openView(checked, state.view, { resources, case: caseName, locale, theme, hudSize });
  const on = view.layoutOn(screen);
  const here = checkDocument(checked, {
    resources,
    screens: [screen],
    views: [state.view],
    ...onlyOn(view.occasion),
  }).findings;
  const list = withOverlay(drawLayout(on), on, resources.fonts, {
    findings: isOn('show-findings') ? here : undefined,
    safeArea: isOn('show-safe'),
    outlines: isOn('show-outlines'),
  });
  canvas.width = screen.width;
  canvas.height = screen.height;
  fitCanvas(screen);
  paintOnCanvas(list, canvas.getContext('2d')!, cache);
  const { width, height } = on.layout.frame;
  find('caption').textContent =
    `${screen.title}: ${screen.width} × ${screen.height} px = ${round(width)} × ${round(height)} u`;
  listFindings(here);
  // The other screens are checked once this one is seen.
  clearTimeout(later);
  later = setTimeout(() => {
    const all = screens.some((one) => one.name === screen.name) ? screens : [...screens, screen];
    const options = { resources, screens: all, views: [state.view], ...onlyOn(view.occasion) };
    listScreens(checkDocument(checked, options).findings);
  });
}

function isOn(id: string): boolean {
  return find<HTMLInputElement>(id).checked;
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}

/** The canvas has the screen's pixels and is shown as large as fits. */
function fitCanvas(screen: Screen): void {
  const room = frame.getBoundingClientRect();
  const scale = Math.min(room.width / screen.width, room.height / screen.height, 1);
  canvas.style.width = `${Math.floor(screen.width * scale)}px`;
  canvas.style.height = `${Math.floor(screen.height * scale)}px`;
}

function listFindings(findings: readonly Finding[]): void {
  const summary = find('summary');
  const count = findings.length;
  summary.textContent =
    count === 0 ? 'Nothing found on this screen' : `${count} finding${count === 1 ? '' : 's'} on this screen`;
  summary.className = count === 0 ? 'good' : 'bad';
  find('findings').replaceChildren(
    ...findings.map((finding) => {
      const item = document.createElement('li');
      item.className = `finding ${finding.outcome}`;
      const name = document.createElement('b');
      name.textContent = finding.widget;
      item.append(name, ` ${sentenceOf(finding)}`);
      for (const reason of finding.reasons) {
        const small = document.createElement('small');
        small.textContent = reason.text;
        item.append(small);
      }
      return item;
    }),
  );
}

function listScreens(findings: readonly Finding[]): void {
  const names = [...screens.map((screen) => screen.name), freeSize];
  find('screens').replaceChildren(
    ...names.map((name) => {
      const count = findings.filter((finding) =>
        finding.occurrences.some((one) => one.screen === name),
      ).length;
      const button = document.createElement('button');
      button.dataset.screen = name;
      button.setAttribute('aria-pressed', String(name === state.screen));
      const mark = document.createElement('span');
      mark.className = count === 0 ? 'count none' : 'count';
      mark.textContent =
        name === freeSize && state.screen !== freeSize ? '' : count === 0 ? '✓' : String(count);
      button.append(name, mark);
      button.addEventListener('click', () => {
        state.screen = name;
        frame.classList.toggle('free', name === freeSize);
        show();
        find('screens').querySelector<HTMLButtonElement>(`[data-screen="${name}"]`)?.focus();
      });
      const item = document.createElement('li');
      item.append(button);
      return item;
    }),
  );
}

function fill(id: string, names: readonly string[]): HTMLSelectElement {
  const select = find<HTMLSelectElement>(id);
  select.replaceChildren(...names.map((name) => new Option(name, name)));
  return select;
}

async function open(path: string): Promise<void> {
  state.project = await loadProject(path);
  const themes = fill('theme', [...state.project.document.named.keys()]);
  const { themeName } = state.project.document;
  if (themeName !== undefined) themes.value = themeName;
  state.theme = themeName;
  const { source } = state.project.document;
  state.view = fill('view', Object.keys(source.views)).value;
  const cases = fill('case', Object.keys(source.cases ?? {}));
  state.case = cases.value === '' ? undefined : cases.value;
  state.locale = fill('locale', [
    ...localesOf(state.project.document, state.project.resources),
    ...pseudoLocales,
  ]).value;
  show();
}

find('theme').addEventListener('change', (event) => {
  state.theme = (event.target as HTMLSelectElement).value;
  show();
});
find('document').addEventListener('change', (event) => void open((event.target as HTMLSelectElement).value));
find('view').addEventListener('change', (event) => {
  state.view = (event.target as HTMLSelectElement).value;
  show();
});
find('locale').addEventListener('change', (event) => {
  state.locale = (event.target as HTMLSelectElement).value;
  show();
});
find('case').addEventListener('change', (event) => {
  state.case = (event.target as HTMLSelectElement).value;
  show();
});
for (const id of ['hud-size', 'show-findings', 'show-safe', 'show-outlines'])
  find(id).addEventListener('input', show);
new ResizeObserver(() => show()).observe(frame);

const choice = find<HTMLSelectElement>('document');
for (const [title, path] of Object.entries(documents)) choice.append(new Option(title, path));
await open(choice.value);
document.body.dataset.ready = 'yes';
