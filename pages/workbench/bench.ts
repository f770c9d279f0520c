import { batch, computed, effect, signal } from '@preact/signals';
import { makeScreen, screens as catalogue, type Screen } from 'pimbot';
import {
  addressOf,
  newHistory,
  placeOf,
  redo,
  undo,
  withChange,
  withForeignChange,
  type Act,
  type Beside,
  type CloseUp,
  type History,
  type InspectorRow,
  type Outline,
  type Place,
  type Readings,
  type SizeOn,
  type ToldAt,
} from 'pimbot/tools';
import { DeskClient, Latest } from './desk-client.ts';
import type { Problem, Suggested, Summary, Told, Wanted } from './messages.ts';
import { Canvases } from './canvases.ts';
import { Played } from './played.ts';
import { Proofs } from './proofs.ts';
import { rowAt } from './row-at.ts';
import { saidOf } from './said.ts';
import { ChangedOnDisk, Server } from './server.ts';
import { freeName, usualPlace, type Mode, type Notice } from './names.ts';
import { talliesOf } from './tallies.ts';
import { mostBeside, turned, wantedSheets } from './sheets.ts';

/** Everything the page knows, and what it can do. One of it is made for the page; parts of the page read its signals. */
export class Bench {
  readonly server: Server;
  readonly files = signal<readonly string[]>([]);
  readonly place = signal<Place>(usualPlace);
  readonly mode = signal<Mode>('stage');
  readonly history = signal<History>(newHistory(''));
  readonly saved = signal<{ readonly text: string; readonly tag: string | undefined }>({
    text: '',
    tag: undefined,
  });
  /** What is on disk, where that is neither what was saved nor what is here. */
  readonly onDisk = signal<{ readonly text: string; readonly tag: string } | undefined>(undefined);
  readonly summary = signal<Summary | undefined>(undefined);
  readonly problems = signal<readonly Problem[]>([]);
  readonly outline = signal<Outline | undefined>(undefined);
  readonly closeUp = signal<CloseUp | undefined>(undefined);
  readonly sizes = signal<readonly SizeOn[]>([]);
  readonly rows = signal<readonly InspectorRow[]>([]);
  /** How well texts can be read, where that is drawn. */
  readonly readings = signal<(Readings & { readonly screen: string }) | undefined>(undefined);
  readonly findings = signal<readonly Told[]>([]);
  /** Screens that the view does not support: nothing is looked at on them. */
  readonly unsupported = signal<ReadonlySet<string>>(new Set());
  readonly fresh = signal<ReadonlySet<string>>(new Set());
  readonly checking = signal(false);
  /** Screens on which what is dragged at the moment breaks something. */
  readonly breaking = signal<ReadonlySet<string>>(new Set());
  readonly suggested = signal<{ readonly key: string; readonly found: Suggested | undefined } | undefined>(
    undefined,
  );
  readonly folds = signal<readonly { screen: string; others: readonly string[] }[]>([]);
  readonly notice = signal<Notice | undefined>(undefined);
  readonly connected = signal(true);
  readonly ready = signal(false);
  /** Questions to workers that have no answer yet. */
  readonly busy = signal(0);
  readonly free = signal<{ readonly width: number; readonly height: number }>({ width: 1600, height: 900 });
  /** Grows with every version of the document that is shown. */
  readonly version = signal(0);
  /** A line of the text that is to be seen; a new object each time somebody asks. */
  readonly lineShown = signal<{ readonly line: number } | undefined>(undefined);
  /** CSS px of the stage for one px of the screen. */
  readonly stageScale = signal(1);
  /** How long the workers took for each step of drags, in ms from the ask to the last picture. */
  readonly dragTimes: { readonly stage: number[]; readonly others: number[] } = { stage: [], others: [] };

  readonly unsaved = computed(() => this.history.value.text !== this.saved.value.text);
  readonly selected = computed(() => {
    const outline = this.outline.value;
    return this.place.value.selected.flatMap((id) => outline?.rows.find((row) => row.id === id) ?? []);
  });
  readonly tallies = computed(() => talliesOf(this.findings.value, this.fresh.value));
  readonly wallScreens = computed(() => {
    const folds = this.folds.value;
    return folds.length === 0 ? catalogue : folds.map(({ screen }) => this.screenOf(screen));
  });

  readonly #front: DeskClient;
  readonly #wall: DeskClient;
  readonly #judge: DeskClient;
  readonly proofs: Proofs;
  readonly played: Played;
  readonly #look = new Latest();
  readonly #judging = new Latest();
  readonly #dragging = new Latest();
  readonly #draggingOthers = new Latest('restful');
  readonly #glancing = new Latest('restful');
  readonly #opening = new Latest();
  readonly #canvases = new Canvases();
  #noticeEnds: ReturnType<typeof setTimeout> | undefined;
  /** What was found last, and in what. */
  #known: { readonly shown: string; readonly keys: ReadonlySet<string> } | undefined;

  constructor(token: string) {
    this.server = new Server(token);
    const drawn = (screen: string, bitmap: ImageBitmap) => this.#canvases.show(screen, bitmap);
    const busy = (by: 1 | -1) => void (this.busy.value += by);
    const onStage = (screen: string, bitmap: ImageBitmap) => this.#canvases.show(`stage ${screen}`, bitmap);
    this.#front = new DeskClient(token, onStage, busy);
    this.#wall = new DeskClient(token, drawn, busy);
    this.#judge = new DeskClient(token, drawn, busy);
    this.played = new Played(this.#front);
    this.proofs = new Proofs(this.#judge, (message) => this.say('wrong', message));
  }

  async start(): Promise<void> {
    this.files.value = await this.server.files();
    const usual = { ...this.place.value, file: this.files.value[0]! };
    const place = placeOf(location.hash, usual);
    this.place.value = this.files.value.includes(place.file) ? place : usual;
    await this.openFile(this.place.value.file);
    effect(() => {
      const address = `${location.pathname}${location.search}#${addressOf(this.place.value)}`;
      window.history.replaceState(undefined, '', address);
    });
    window.addEventListener('hashchange', () => this.go(placeOf(location.hash, usual)));
    void this.server.follow(
      (paths) => void this.#changedOnDisk(paths),
      () => (this.connected.value = false),
    );
    this.ready.value = true;
  }

  screenOf(name: string): Screen {
    if (name === freeName) return makeScreen({ ...this.free.value, name: freeName, title: 'any size' });
    return catalogue.find((one) => one.name === name) ?? catalogue.find((one) => one.name === 'desktop')!;
  }

  get screen(): Screen {
    return this.screenOf(this.place.value.screen);
  }

  say(kind: Notice['kind'], text: string): void {
    this.notice.value = { kind, text };
    clearTimeout(this.#noticeEnds);
    this.#noticeEnds = setTimeout(() => (this.notice.value = undefined), kind === 'done' ? 4000 : 9000);
  }

  // The document.

  async openFile(file: string): Promise<void> {
    const { text, tag } = await this.server.read(file);
    batch(() => {
      this.history.value = newHistory(text);
      this.saved.value = { text, tag };
      this.onDisk.value = undefined;
      this.place.value = { ...this.place.value, file };
    });
    await this.#open(true);
  }

  /** Reads the text as it is now, in every worker: what is looked at comes first. */
  async #open(fresh: boolean): Promise<void> {
    const others = this.#opens(fresh);
    const opened = await this.#front.ask('open', others.ask);
    this.problems.value = opened.problems;
    if (!opened.summary) return void (await others.open());
    const { views } = opened.summary;
    batch(() => {
      this.summary.value = opened.summary;
      const { view } = this.place.value;
      if (view === undefined || !views.includes(view))
        this.place.value = { ...this.place.value, view: views[0] };
    });
    await this.#show(others.open);
  }

  /** How the text as it is now is opened by those that nobody looks at first. */
  #opens(fresh: boolean) {
    const ask = { file: this.place.value.file, text: this.history.value.text, fresh };
    return { ask, open: () => Promise.all([this.#wall, this.#judge].map((one) => one.ask('open', ask))) };
  }

  /** A text that somebody types: shown once it can be read. */
  typed(text: string, goesOn: boolean): void {
    this.history.value = withChange(this.history.value, text, 'type in the text', goesOn);
    this.#opening.do(() => this.#open(false));
  }

  /** A text that came of something else than an act here. */
  async replaceText(text: string, said: string): Promise<void> {
    this.history.value = withChange(this.history.value, text, said);
    await this.#open(false);
    this.say('done', `${said[0]!.toUpperCase()}${said.slice(1)}.`);
  }

  async #changedOnDisk(paths: readonly string[]): Promise<void> {
    this.connected.value = true;
    const { file } = this.place.value;
    const read = paths.includes(file) ? await this.server.read(file).catch(() => undefined) : undefined;
    const found = read?.tag === this.saved.value.tag ? undefined : read;
    const isKept = this.unsaved.value;
    if (found && isKept) this.onDisk.value = found;
    else if (found) {
      this.history.value = withForeignChange(this.history.value, found.text);
      this.saved.value = found;
    }
    // Where other files have changed all is read again; of the document alone, only what it names may be another.
    if (paths.some((path) => path !== file)) return this.#open(true);
    if (found && !isKept) await this.#open(false).then(() => this.#refresh());
  }

  /** What the file on disk names may be other fonts and catalogs than before: shown once that is known. */
  async #refresh(): Promise<void> {
    if (await this.#wall.ask('refresh', { file: this.place.value.file })) await this.#open(true);
  }

  /** What is on disk instead of what is here; undoing still knows what was done here. */
  async takeDisk(): Promise<void> {
    const found = this.onDisk.value;
    if (!found) return;
    this.onDisk.value = undefined;
    this.history.value = withChange(this.history.value, found.text, 'take the file on disk');
    this.saved.value = found;
    await this.#open(true);
  }

  /** Keeps what is here; saving then replaces what is on disk, which undoing brings back. */
  keepMine(): void {
    const found = this.onDisk.value;
    if (!found) return;
    this.onDisk.value = undefined;
    this.saved.value = found;
  }

  async save(): Promise<void> {
    const { text } = this.history.value;
    if (!this.unsaved.value) return;
    this.busy.value++;
    try {
      const tag = await this.server.write(this.place.value.file, text, this.saved.value.tag);
      this.saved.value = { text, tag };
      this.say('done', 'Saved.');
      await this.#refresh();
    } catch (error) {
      if (error instanceof ChangedOnDisk) await this.#changedOnDisk([this.place.value.file]);
      else this.say('wrong', (error as Error).message);
    } finally {
      this.busy.value--;
    }
  }

  async step(way: 'undo' | 'redo'): Promise<void> {
    const turned = way === 'undo' ? undo(this.history.value) : redo(this.history.value);
    if (!turned.history) {
      const nothing = way === 'undo' ? 'Nothing to undo.' : 'Nothing to redo.';
      const text =
        turned.refused === 'nothing'
          ? nothing
          : `“${turned.said}” cannot be ${way === 'undo' ? 'undone' : 'redone'}: the same lines were changed in the file since.`;
      return this.say('refused', text);
    }
    this.history.value = turned.history;
    await this.#open(false);
    this.say('done', `${way === 'undo' ? 'Undone' : 'Redone'}: ${turned.said}.`);
  }

  // What is shown.

  /** Shows something else; what is not said stays. */
  go(change: Partial<Place>): void {
    const before = this.place.value;
    const place = { ...before, ...change };
    this.place.value = place;
    if (place.file !== before.file) return void this.openFile(place.file);
    if (place.view !== before.view || place.occasion !== before.occasion) return void this.#show();
    if (
      place.screen !== before.screen ||
      place.selected !== before.selected ||
      place.beside !== before.beside ||
      place.layers !== before.layers
    )
      this.#look.do(() =>
        this.#lookClosely(place.screen !== before.screen || place.beside !== before.beside),
      );
  }

  select(ids: readonly string[]): void {
    this.go({ selected: ids });
  }

  /** @param others What the other workers have to do before they show the same. */
  async #show(others?: () => Promise<unknown>): Promise<void> {
    const { view, occasion } = this.place.value;
    if (view === undefined || !this.summary.value) return;
    const desk = { view, occasion };
    try {
      await this.#front.ask('show', desk);
    } catch (error) {
      await others?.();
      this.say('wrong', (error as Error).message);
      this.place.value = { ...this.place.value, occasion: {} };
      return;
    }
    this.version.value++;
    this.suggested.value = undefined;
    await this.#front.ask('draw', { wanted: this.#onStage() });
    this.#look.do(() => this.#lookClosely(false));
    // Now, and not before, the others may take what the machine has.
    await others?.();
    await Promise.all([this.#wall, this.#judge].map((one) => one.ask('show', desk)));
    this.proofs.changed(this.#whatIsShown());
    this.folds.value = await this.#wall.ask('folds', {});
    this.#drawWall();
    this.check();
  }

  /** What findings and proofs are of. */
  #whatIsShown(): string {
    const { file, view, occasion } = this.place.value;
    return JSON.stringify([file, view, occasion]);
  }

  /** Draws the stage, and describes what is on it. */
  async #lookClosely(drawsToo: boolean): Promise<void> {
    const { screen } = this;
    if (drawsToo) await this.#front.ask('draw', { wanted: this.#onStage() });
    const { layers } = this.place.value;
    const reads = layers.includes('contrast') || layers.includes('reading');
    const [outline, readings] = await Promise.all([
      this.#front.ask('outline', { screen }),
      reads ? this.#front.ask('readings', { screen }) : undefined,
    ]);
    const there = this.place.value.selected.filter((id) => outline.rows.some((row) => row.id === id));
    batch(() => {
      this.outline.value = outline;
      this.readings.value = readings && { ...readings, screen: screen.name };
      if (there.length !== this.place.value.selected.length)
        this.place.value = { ...this.place.value, selected: there };
    });
    const [widget] = there;
    const [closeUp, rows, sizes] =
      widget === undefined
        ? [undefined, [], []]
        : await Promise.all([
            this.#front.ask('closeUp', { widget, screen }),
            this.#front.ask('inspect', { widget, screen }),
            this.#front.ask('sizes', { widget }),
          ]);
    batch(() => {
      this.closeUp.value = closeUp;
      this.rows.value = rows;
      this.sizes.value = sizes;
    });
  }

  #onStage(): Wanted[] {
    const most = this.stageScale.value * (devicePixelRatio || 1);
    const others = this.place.value.beside;
    return wantedSheets(this.screen, others, (name) => this.screenOf(name), most, this.saved.value.text);
  }

  /** Shows something beside, or takes it away where it is there. */
  turnBeside(one: Beside): void {
    const beside = turned(this.place.value.beside, one);
    if (beside) this.go({ beside });
    else this.say('refused', `No more than ${mostBeside} are shown beside.`);
  }

  #onWall(): Wanted[] {
    const shown = this.wallScreens.value.filter(({ name }) => this.#canvases.has(name));
    return shown.map((screen) => this.#canvases.wanted(screen));
  }

  #drawWall(): void {
    const wanted = this.#onWall();
    if (wanted.length > 0) void this.#wall.ask('draw', { wanted });
  }

  /** A canvas that shows a screen from now on, until it is taken back. */
  attach(name: string, canvas: HTMLCanvasElement, scale = 1): () => void {
    const end = this.#canvases.add(name, canvas, scale);
    if (!name.startsWith('stage ') && this.ready.value)
      void this.#wall.ask('draw', { wanted: [this.#canvases.wanted(this.screenOf(name))] });
    return end;
  }

  /** The stage is shown at another scale. */
  zoomed(scale: number): void {
    const before = this.stageScale.value;
    this.stageScale.value = scale;
    // Above one px for one px the drawing stays what it is.
    if (this.summary.value && Math.min(1, before) !== Math.min(1, scale))
      this.#look.do(() => this.#lookClosely(true));
  }

  /** Pulls the free screen to a size. */
  resizeFree(width: number, height: number): void {
    this.free.value = { width, height };
    this.#look.do(() => this.#lookClosely(true));
  }

  /** Opens the text at a line. */
  showLine(line: number): void {
    this.go({ panel: 'text' });
    this.lineShown.value = { line };
  }

  /** Selects the widget that is written at a place of the text. */
  selectAt(offset: number): void {
    const best = rowAt(this.outline.value?.rows ?? [], offset);
    if (best && this.place.value.selected.join() !== best.id) this.select([best.id]);
  }

  // Changing.

  /** Tries a change everywhere while it is dragged. Nothing ends it. */
  try(act: Act | undefined): void {
    const { screen } = this;
    this.#glancing.do(async () => {
      // Those in view are enough: to look at all takes seconds of a large view.
      const seen = [screen, ...this.#onWall().map((one) => one.screen)];
      const screens = [...new Map(seen.map((one) => [one.name, one])).values()];
      const broken = act ? await this.#judge.ask('glance', { act, screen, screens }).catch(() => []) : [];
      this.breaking.value = new Set(broken);
    });
    if (this.place.value.panel === 'sizes') this.proofs.try(act, screen);
    this.#dragging.do(async () => {
      const start = performance.now();
      const refused = await this.#front.ask('try', { act, screen, wanted: this.#onStage() });
      this.dragTimes.stage.push(performance.now() - start);
      if (refused !== undefined) this.say('refused', `${refused}.`);
    });
    // The stage does not wait for the others.
    this.#draggingOthers.do(async () => {
      const start = performance.now();
      await this.#wall.ask('try', { act, screen, wanted: this.#onWall().slice(0, 12) });
      this.dragTimes.others.push(performance.now() - start);
    });
  }

  /** The anchor that fits where a widget stands now, where that is another one than it has. */
  advice(widget: string): Promise<{ readonly anchor: string; readonly why: string } | undefined> {
    return this.#front.ask('advice', { widget });
  }

  /** Makes a change. @returns whether it was made. */
  async act(act: Act): Promise<boolean> {
    const { screen } = this;
    // What is still being tried would be drawn over what comes of it.
    this.#dragging.forget();
    this.#draggingOthers.forget();
    this.#glancing.do(() => Promise.resolve(void (this.breaking.value = new Set())));
    try {
      const done = await this.#front.ask('perform', { act, screen });
      if (done.text === this.history.value.text) return true;
      this.history.value = withChange(this.history.value, done.text, done.said);
      this.place.value = { ...this.place.value, selected: done.widgets };
      await this.#show(this.#opens(false).open);
      this.say('done', saidOf(done));
      return true;
    } catch (error) {
      this.say('refused', `${(error as Error).message}.`);
      this.try(undefined);
      return false;
    }
  }

  /** Adds an empty view, and shows it. */
  async addView(name: string): Promise<void> {
    try {
      await this.replaceText(await this.#front.ask('newView', { name }), `add the view ${name}`);
      this.go({ view: name, selected: [] });
    } catch (error) {
      this.say('refused', `${(error as Error).message}.`);
    }
  }

  // Findings.

  /** Checks the view on every screen, once what is under way is done. */
  check(): void {
    this.checking.value = true;
    this.#judging.do(async () => {
      const extra = this.place.value.screen === freeName ? [this.screen] : [];
      const { findings: found, unsupported } = await this.#judge.ask('check', { extra });
      const keys = new Set(found.map(({ key }) => key));
      const shown = this.#whatIsShown();
      // Of something else that is shown now nothing is new.
      const before = this.#known?.shown === shown ? this.#known.keys : keys;
      batch(() => {
        this.fresh.value = new Set([...keys].filter((key) => !before.has(key)));
        this.findings.value = found;
        this.unsupported.value = new Set(unsupported);
        this.checking.value = false;
      });
      this.#known = { shown, keys };
    });
  }

  /** Accepts a finding of a widget, with the reason why it is meant so. */
  accept(widget: string, check: string, reason: string): Promise<boolean> {
    const row = this.outline.value?.rows.find(({ id }) => id === widget);
    return this.act({ do: 'set', widget, key: 'accept', value: { ...row?.accept, [check]: reason } });
  }

  reasonsOf(key: string): Promise<readonly ToldAt[]> {
    return this.#judge.ask('reasons', { key });
  }

  async suggest(key: string): Promise<void> {
    const found = await this.#judge.ask('suggest', { key });
    this.suggested.value = { key, found };
  }

  compare(text: string, screen: Screen, side: number): Promise<{ before: ImageBitmap; after: ImageBitmap }> {
    const scale = Math.min(1, side / Math.max(screen.width, screen.height));
    return this.#judge.ask('compare', { text, wanted: { screen, scale } });
  }

  // Play.

  async stopPlay(): Promise<void> {
    await this.played.stop();
    this.#look.do(() => this.#lookClosely(true));
  }
}
