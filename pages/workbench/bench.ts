import { batch, computed, effect, signal } from '@preact/signals';
import { makeScreen, screens as catalogue, type Screen } from 'pimbot';
import {
  addressOf,
  placeOf,
  redo,
  undo,
  withChange,
  type Act,
  type Beside,
  type CloseUp,
  type InspectorRow,
  type Outline,
  type Place,
  type Readings,
  type SizeOn,
} from 'pimbot/tools';
import { DeskClient } from './desk-client.ts';
import { Judged } from './judged.ts';
import type { Problem, Summary, Wanted } from './messages.ts';
import { Canvases } from './canvases.ts';
import { Drafts } from './drafts.ts';
import { Played } from './played.ts';
import { Proofs } from './proofs.ts';
import { rowAt } from './row-at.ts';
import { saidOf, whyNot } from './said.ts';
import { ChangedOnDisk, Server } from './server.ts';
import { freeName, usualPlace, type Mode } from './names.ts';
import { Notices, type Notice } from './notices.ts';
import { InTurn, Latest } from './turns.ts';
import { mostBeside, turned, wantedSheets } from './sheets.ts';

/** Everything the page knows, and what it can do. One of it is made for the page; parts of the page read its signals. */
export class Bench {
  readonly server: Server;
  readonly files = signal<readonly string[]>([]);
  readonly place = signal<Place>(usualPlace);
  readonly mode = signal<Mode>('stage');
  readonly drafts = new Drafts();
  /** The text that is open, and what was done to it. */
  readonly history = this.drafts.history;
  readonly summary = signal<Summary | undefined>(undefined);
  readonly problems = signal<readonly Problem[]>([]);
  readonly outline = signal<Outline | undefined>(undefined);
  readonly closeUp = signal<CloseUp | undefined>(undefined);
  readonly sizes = signal<readonly SizeOn[]>([]);
  readonly rows = signal<readonly InspectorRow[]>([]);
  /** How well texts can be read, where that is drawn. */
  readonly readings = signal<(Readings & { readonly screen: string }) | undefined>(undefined);
  /** Screens on which what is dragged at the moment breaks something. */
  readonly breaking = signal<ReadonlySet<string>>(new Set());
  readonly folds = signal<readonly { screen: string; others: readonly string[] }[]>([]);
  readonly notices = new Notices();
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

  readonly selected = computed(() => {
    const outline = this.outline.value;
    return this.place.value.selected.flatMap((id) => outline?.rows.find((row) => row.id === id) ?? []);
  });
  readonly wallScreens = computed(() => {
    const folds = this.folds.value;
    return folds.length === 0 ? catalogue : folds.map(({ screen }) => this.screenOf(screen));
  });

  readonly #front: DeskClient;
  readonly #wall: DeskClient;
  readonly #judge: DeskClient;
  readonly judged: Judged;
  readonly proofs: Proofs;
  readonly played: Played;
  readonly #wrong = (message: string) => {
    // What was still asked of the document before is no trouble of this one.
    if (this.summary.value) this.say('wrong', message);
  };
  readonly #showing = new Latest(this.#wrong);
  readonly #look = new Latest(this.#wrong);
  readonly #dragging = new Latest(this.#wrong);
  readonly #draggingOthers = new Latest(this.#wrong, 'restful');
  readonly #glancing = new Latest(this.#wrong, 'restful');
  readonly #opening = new Latest(this.#wrong);
  readonly #changing = new InTurn();
  readonly #canvases = new Canvases();
  /** The text that the stage's worker has; undefined where it has none of this document. */
  #read: string | undefined;
  /** What the other workers have to read before they show anything. */
  #toRead: 'nothing' | 'text' | 'files' = 'files';

  constructor(token: string) {
    this.server = new Server(token);
    const drawn = (screen: string, bitmap: ImageBitmap) => this.#canvases.show(screen, bitmap);
    const busy = (by: 1 | -1) => void (this.busy.value += by);
    const onStage = (screen: string, bitmap: ImageBitmap) => this.#canvases.show(`stage ${screen}`, bitmap);
    this.#front = new DeskClient(token, onStage, busy);
    this.#wall = new DeskClient(token, drawn, busy);
    this.#judge = new DeskClient(token, drawn, busy);
    this.played = new Played(this.#front);
    this.judged = new Judged(this.#judge, this.#wrong);
    this.proofs = new Proofs(this.#judge, this.#wrong);
  }

  async start(): Promise<void> {
    this.files.value = await this.server.files();
    const usual = { ...this.place.value, file: this.files.value[0]! };
    const place = placeOf(location.hash, usual);
    await this.#openFile(this.files.value.includes(place.file) ? place : usual);
    effect(() => {
      const address = `${location.pathname}${location.search}#${addressOf(this.place.value)}`;
      window.history.replaceState(undefined, '', address);
    });
    window.addEventListener('hashchange', () => this.go(placeOf(location.hash, usual)));
    void this.server.follow(
      (paths) => void this.#inTurn(() => this.#changedOnDisk(paths)),
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
    this.notices.say(kind, text);
  }

  // The document. What changes it is done in turn: nothing is made of a text that is another meanwhile.

  /** Does something that changes the document once all before it is done. */
  async #inTurn<Result>(work: () => Promise<Result>): Promise<Result | undefined> {
    this.busy.value++;
    try {
      return await this.#changing.do(work);
    } catch (error) {
      this.say('wrong', (error as Error).message);
      return undefined;
    } finally {
      this.busy.value--;
    }
  }

  /** Goes on with another document; what was done to this one is kept. */
  async #openFile(place: Place): Promise<void> {
    const read = await this.server.read(place.file);
    batch(() => {
      this.drafts.turnTo(place.file, read);
      this.place.value = place;
      // Nothing of the one before is shown for this.
      this.summary.value = this.outline.value = this.closeUp.value = this.readings.value = undefined;
      this.rows.value = this.sizes.value = this.folds.value = [];
      this.judged.forget();
    });
    this.#read = undefined;
    await this.#open(true);
  }

  /** Has the stage read the text as it is now, and shows it where it is a document. @returns whether it is. */
  async #open(fresh: boolean): Promise<boolean> {
    const { text } = this.history.value;
    const { file } = this.place.value;
    const { problems, summary } = await this.#front.ask('open', { file, text, fresh });
    if (file !== this.place.value.file) return false;
    this.problems.value = problems;
    this.#toRead = fresh || this.#toRead === 'files' ? 'files' : 'text';
    if (!summary) return false;
    this.#read = text;
    const { view } = this.place.value;
    const [first] = summary.views;
    batch(() => {
      this.summary.value = summary;
      if (view === undefined || !summary.views.includes(view))
        this.place.value = { ...this.place.value, view: first };
    });
    this.#showing.do(() => this.#show());
    return true;
  }

  /** A text that somebody types: shown once it can be read. */
  typed(text: string, goesOn: boolean): void {
    this.history.value = withChange(this.history.value, text, 'type in the text', goesOn);
    this.#opening.do(async () => void (await this.#open(false)));
  }

  /**
   * What the stage makes of the text as it is now; made again where somebody types meanwhile.
   * @throws Error where the text is no document: what was shown last would take its place.
   */
  async #madeOf<Made>(make: () => Promise<Made>): Promise<Made> {
    for (;;) {
      if (this.#read !== this.history.value.text && !(await this.#open(false)))
        throw new Error('The text has a mistake. Mend it first: what is shown is the last version without');
      const { text } = this.history.value;
      const made = await make();
      if (this.history.value.text === text) return made;
      this.#read = undefined;
    }
  }

  /** A text that came of something else than an act here. @param of The text that it is made of. */
  replaceText(text: string, said: string, of: string): void {
    void this.#inTurn(async () => {
      if (this.history.value.text === of) await this.#put(text, said);
      else this.say('refused', 'The document is another since.');
    });
  }

  async #put(text: string, said: string): Promise<void> {
    this.history.value = withChange(this.history.value, text, said);
    await this.#open(false);
    this.say('done', `${said[0]!.toUpperCase()}${said.slice(1)}.`);
  }

  /** @returns whether the document is there, where it is among the files. */
  async #changedOnDisk(paths: readonly string[]): Promise<boolean> {
    this.connected.value = true;
    const { file } = this.place.value;
    const read = paths.includes(file) ? await this.server.read(file).catch(() => undefined) : undefined;
    const isOther = read !== undefined && this.drafts.changedOnDisk(read);
    // Where other files have changed all is read again; of the document alone, only what it names may be another.
    if (paths.some((path) => path !== file)) await this.#open(true);
    else if (isOther) {
      await this.#open(false);
      await this.#refresh();
    }
    return read !== undefined;
  }

  /** What the file on disk names may be other fonts and catalogs than before: shown once that is known. */
  async #refresh(): Promise<void> {
    if (await this.#wall.ask('refresh', { file: this.place.value.file })) await this.#open(true);
  }

  /** What is on disk instead of what is here. */
  takeDisk(): void {
    void this.#inTurn(async () => {
      this.drafts.takeDisk();
      await this.#open(true);
    });
  }

  save(): void {
    void this.#inTurn(async () => {
      const { text } = this.history.value;
      if (!this.drafts.unsaved.value) return;
      const { file } = this.place.value;
      try {
        const tag = await this.server.write(file, text, this.drafts.saved.value.tag);
        this.drafts.saved.value = { text, tag };
        this.say('done', 'Saved.');
        await this.#refresh();
      } catch (error) {
        if (!(error instanceof ChangedOnDisk)) throw error;
        if (await this.#changedOnDisk([file])) return;
        this.drafts.goneFromDisk();
        this.say('refused', `${file} is not on disk any more. Saving again writes it.`);
      }
    });
  }

  step(way: 'undo' | 'redo'): void {
    void this.#inTurn(async () => {
      const turned = way === 'undo' ? undo(this.history.value) : redo(this.history.value);
      if (!turned.history) return this.say('refused', whyNot(way, turned));
      this.history.value = turned.history;
      await this.#open(false);
      this.say('done', `${way === 'undo' ? 'Undone' : 'Redone'}: ${turned.said}.`);
    });
  }

  // What is shown.

  /** Shows something else; what is not said stays. */
  go(change: Partial<Place>): void {
    const before = this.place.value;
    const place = { ...before, ...change };
    if (place.file !== before.file) return void this.#inTurn(() => this.#openFile(place));
    this.place.value = place;
    if (place.view !== before.view || place.occasion !== before.occasion)
      return this.#showing.do(() => this.#show());
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

  async #show(): Promise<void> {
    const { file, view, occasion } = this.place.value;
    if (view === undefined || !this.summary.value) return;
    const desk = { view, occasion };
    try {
      await this.#front.ask('show', desk);
    } catch (error) {
      this.say('wrong', (error as Error).message);
      this.place.value = { ...this.place.value, occasion: {} };
      // As usual it can be shown, or the document could not have been opened.
      if (Object.keys(occasion).length > 0) await this.#show();
      return;
    }
    this.version.value++;
    this.judged.suggested.value = undefined;
    await this.#front.ask('draw', { wanted: this.#onStage() });
    this.#look.do(() => this.#lookClosely(false));
    // Now, and not before, the others may take what the machine has.
    await this.#readByOthers();
    await Promise.all([this.#wall, this.#judge].map((one) => one.ask('show', desk)));
    const folds = await this.#wall.ask('folds', {});
    if (file !== this.place.value.file) return;
    this.proofs.changed(this.#whatIsShown());
    this.folds.value = folds;
    this.#drawWall();
    this.check();
  }

  /** Those that nobody looks at first read what the stage has read. */
  async #readByOthers(): Promise<void> {
    if (this.#toRead === 'nothing' || this.#read === undefined) return;
    const [text, fresh] = [this.#read, this.#toRead === 'files'];
    const { file } = this.place.value;
    this.#toRead = 'nothing';
    await Promise.all([this.#wall.ask('open', { file, text, fresh }), this.judged.open(file, text, fresh)]);
  }

  /** What findings and proofs are of. */
  #whatIsShown(): string {
    const { file, view, occasion } = this.place.value;
    return JSON.stringify([file, view, occasion]);
  }

  /** Draws the stage, and describes what is on it. */
  async #lookClosely(drawsToo: boolean): Promise<void> {
    const { screen } = this;
    const { file, layers } = this.place.value;
    if (!this.summary.value) return;
    if (drawsToo) await this.#front.ask('draw', { wanted: this.#onStage() });
    const reads = layers.includes('contrast') || layers.includes('reading');
    const [outline, readings] = await Promise.all([
      this.#front.ask('outline', { screen }),
      reads ? this.#front.ask('readings', { screen }) : undefined,
    ]);
    if (file !== this.place.value.file) return;
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
    if (file !== this.place.value.file) return;
    batch(() => {
      this.closeUp.value = closeUp;
      this.rows.value = rows;
      this.sizes.value = sizes;
    });
  }

  #onStage(): Wanted[] {
    const most = this.stageScale.value * (devicePixelRatio || 1);
    const others = this.place.value.beside;
    return wantedSheets(
      this.screen,
      others,
      (name) => this.screenOf(name),
      most,
      this.drafts.saved.value.text,
    );
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
    if (!name.startsWith('stage ') && this.ready.value && this.summary.value)
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
    const made = await this.#inTurn(async () => {
      try {
        const done = await this.#madeOf(() => this.#front.ask('perform', { act, screen }));
        if (done.text === this.history.value.text) return true;
        this.history.value = withChange(this.history.value, done.text, done.said);
        this.#read = done.text;
        if (this.#toRead === 'nothing') this.#toRead = 'text';
        this.place.value = { ...this.place.value, selected: done.widgets };
        this.#showing.do(() => this.#show());
        this.say('done', saidOf(done));
        return true;
      } catch (error) {
        this.say('refused', `${(error as Error).message}.`);
        this.try(undefined);
        return false;
      }
    });
    return made ?? false;
  }

  /** Adds an empty view, and shows it. */
  addView(name: string): void {
    void this.#inTurn(async () => {
      try {
        const text = await this.#madeOf(() => this.#front.ask('newView', { name }));
        await this.#put(text, `add the view ${name}`);
        this.go({ view: name, selected: [] });
      } catch (error) {
        this.say('refused', `${(error as Error).message}.`);
      }
    });
  }

  // Findings.

  /** Checks the view on every screen, once what is under way is done. */
  check(): void {
    this.judged.check(
      () => this.#whatIsShown(),
      () => (this.place.value.screen === freeName ? [this.screen] : []),
    );
  }

  /** Accepts a finding of a widget, with the reason why it is meant so. */
  accept(widget: string, check: string, reason: string): Promise<boolean> {
    const row = this.outline.value?.rows.find(({ id }) => id === widget);
    return this.act({ do: 'set', widget, key: 'accept', value: { ...row?.accept, [check]: reason } });
  }

  // Play.

  async stopPlay(): Promise<void> {
    await this.played.stop();
    this.#look.do(() => this.#lookClosely(true));
  }
}
