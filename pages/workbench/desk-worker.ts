/// <reference lib="webworker" />
import {
  BuildError,
  CanvasCache,
  drawLayout,
  formatDiagnostic,
  localesOf,
  makeScreen,
  paintOnCanvas,
  screens as catalogue,
  toSvg,
  type CheckedDocument,
  type Diagnostic,
  type InputEvent,
  type Screen,
} from 'pimbot';
import {
  Desk,
  EditError,
  NoSuchName,
  SharedChecks,
  addView,
  checkDocument,
  byPlace,
  causesOf,
  contains,
  desktop,
  everySize,
  findingKey,
  findingTold,
  foldScreens,
  kinds,
  namesIn,
  onlyOn,
  proofMap,
  proofPlot,
  proveDocument,
  provedSentence,
  reasonsTold,
  sentenceOf,
  suggestFor,
  wrongValues,
  type Finding,
  type Verdict,
  type ViewProof,
} from 'pimbot/tools';
import { Playing } from './playing.ts';
import { ProjectReader } from './project.ts';
import { SmallerPictures } from './smaller.ts';
import { KeptSheet } from './kept-sheet.ts';
import type {
  AskMessage,
  AskName,
  Asks,
  DeskMessage,
  Opened,
  PageMessage,
  Problem,
  Proved,
  Told,
  Wanted,
} from './messages.ts';

const scope = self as unknown as DedicatedWorkerGlobalScope;
const post = (message: DeskMessage, transfer: Transferable[] = []) => scope.postMessage(message, transfer);

/** Tinted pictures and outlines of texts, kept from one drawing to the next. */
const cache = new CanvasCache(
  (width, height) => new OffscreenCanvas(width, height),
  () => new Path2D(),
);

const smaller = new SmallerPictures();

/** More are not kept: a wall of all screens, and what is beside the stage. */
const mostSheets = 80;

/** A worker that holds a document and answers what the page asks. */
class DeskWorker {
  readonly #reader: ProjectReader;
  /** The document that was asked for last. */
  #file: string | undefined;
  readonly #decoding = new Map<number, (bitmap: ImageBitmap | undefined) => void>();
  #desk: Desk | undefined;
  #verdict: Verdict | undefined;
  #shared: SharedChecks | undefined;
  #playing: Playing | undefined;
  #proof: ViewProof | undefined;
  #other: { readonly key: string; readonly desk: Desk } | undefined;
  /** What is drawn on, by its name. */
  readonly #sheets = new Map<string, { readonly size: string; readonly sheet: KeptSheet }>();

  constructor(token: string) {
    let next = 0;
    this.#reader = new ProjectReader(token, (bytes, width, height) => {
      const picture = next++;
      return new Promise((done) => {
        this.#decoding.set(picture, done);
        post({ type: 'decode', picture, bytes, width, height });
      });
    });
  }

  decoded(picture: number, bitmap: ImageBitmap | undefined): void {
    this.#decoding.get(picture)?.(bitmap);
    this.#decoding.delete(picture);
  }

  #sure(): Desk {
    if (!this.#desk) throw new Error('no document is open');
    return this.#desk;
  }

  readonly answers: {
    readonly [Name in AskName]: (
      ask: Asks[Name]['ask'],
    ) => Asks[Name]['answer'] | Promise<Asks[Name]['answer']>;
  } = {
    open: async ({ file, text, fresh }) => {
      if (fresh) this.#reader.forget();
      // Of a document that cannot be read nothing is shown, and not the one before it.
      if (file !== this.#file) this.#desk = undefined;
      this.#file = file;
      const { document, diagnostics, problems, resources } = await this.#reader.read(file, text);
      const all = [...diagnostics.map((one) => problemOf(one, file)), ...problems.map(plainProblem)];
      const opened: Opened = { problems: withoutTwins(all), summary: undefined };
      if (!document) return opened;
      const before = this.#desk?.shown;
      const views = Object.keys(document.source.views);
      const view = before && views.includes(before.view) ? before.view : views[0]!;
      let desk: Desk;
      try {
        desk = new Desk(document, resources, { view, occasion: before?.occasion ?? {} });
      } catch {
        // What was chosen before is not there any more.
        desk = new Desk(document, resources, { view, occasion: {} });
      }
      try {
        desk.layoutOn(makeScreen(desk.view.reference));
      } catch (error) {
        if (!(error instanceof BuildError)) throw error;
        const wrong = wrongValues(document, resources, error).map((one) => problemOf(one, file));
        return { problems: withoutTwins([...all, ...wrong]), summary: undefined };
      }
      this.#desk = desk;
      this.#verdict = undefined;
      this.#shared = undefined;
      this.#other = undefined;
      return {
        ...opened,
        summary: {
          ...namesIn(document),
          locales: localesOf(document, resources),
          kinds,
        },
      };
    },
    refresh: ({ file }) => this.#reader.refresh(file),
    show: (desk) => this.#sure().show(desk),
    draw: ({ wanted }) => this.#draw(wanted),
    try: ({ act, screen, wanted }) => {
      const desk = this.#sure();
      let refused: string | undefined;
      try {
        desk.try(act, screen);
      } catch (error) {
        refused = (error as Error).message;
      }
      this.#draw(wanted);
      return refused;
    },
    perform: ({ act, screen }) => this.#sure().perform(act, screen),
    newView: ({ name }) => addView(this.#sure().document, name),
    outline: ({ screen }) => this.#sure().outline(screen),
    readings: ({ screen }) => this.#sure().readings(screen),
    closeUp: ({ widget, screen }) => this.#sure().closeUp(widget, screen),
    sizes: ({ widget }) => this.#sure().sizes(widget),
    inspect: ({ widget, screen }) => this.#sure().inspect(widget, screen),
    folds: () =>
      foldScreens(this.#sure().view, catalogue).map(({ screen, others }) => ({
        screen: screen.name,
        others: others.map(({ name }) => name),
      })),
    advice: ({ widget }) => {
      try {
        return this.#sure().advice(widget);
      } catch {
        // One that its parent places has none.
        return undefined;
      }
    },
    glance: ({ act, screen, screens }) => {
      const desk = this.#sure();
      const known = new Set(this.#verdict?.findings.map(findingKey));
      desk.try(act, screen);
      try {
        const { findings } = checkDocument(desk.view.document, { ...this.#options([]), screens });
        const fresh = findings.filter((one) => !known.has(findingKey(one)));
        return [...new Set(fresh.flatMap(({ occurrences }) => occurrences.map((one) => one.screen)))];
      } finally {
        desk.try(undefined, screen);
      }
    },
    check: ({ extra }) => this.#check(extra),
    reasons: ({ key }) => {
      const finding = this.#finding(key);
      return finding ? reasonsTold(this.#sure().document, finding) : [];
    },
    suggest: ({ key }) => {
      const desk = this.#sure();
      const finding = this.#finding(key);
      if (!finding || !this.#verdict) return undefined;
      this.#shared ??= new SharedChecks(desk.document, desk.resources);
      const found = suggestFor(desk.document, finding, this.#verdict, this.#options([]), this.#shared);
      return (
        found && { say: found.say, disturbs: found.disturbs, mendsToo: found.mendsToo, text: found.text }
      );
    },
    compare: ({ text, wanted }) => {
      const desk = this.#sure();
      const other = new Desk(desk.document, desk.resources, desk.shown);
      other.take(text);
      return { before: pictureOf(desk, wanted), after: pictureOf(other, wanted) };
    },
    prove: ({ act, screen }) => {
      const desk = this.#sure();
      if (!act || !screen) return provedTold(desk, (this.#proof = this.#prove()));
      try {
        desk.try(act, screen);
        return provedTold(desk, this.#prove());
      } finally {
        desk.try(undefined, screen);
      }
    },
    read: ({ width, height }) =>
      (this.#proof?.failures ?? [])
        .filter(({ parts }) => parts.some((part) => contains(part, { x: width, y: height })))
        .map(({ finding }) => `${finding.widget} ${sentenceOf(finding)}`),
    play: ({ screen }) => {
      const desk = this.#sure();
      this.#playing = new Playing(desk, screen, cache, (bitmap) =>
        post({ type: 'drawn', screen: screen.name, bitmap }, [bitmap]),
      );
      return this.#playing.start();
    },
    hear: ({ events, ms, values }) =>
      this.#playing?.hear(events as InputEvent[], ms, values) ?? { log: [], values: {} },
    stop: () => {
      this.#playing = undefined;
    },
  };

  #draw(wanted: readonly Wanted[]): void {
    const desk = this.#desk;
    // What is shown once it is read is drawn then.
    if (!desk) return;
    for (const one of wanted) {
      const bitmap = this.#pictureOf(desk, one);
      post({ type: 'drawn', screen: one.name ?? one.screen.name, bitmap }, [bitmap]);
    }
  }

  /** A sheet; an empty one for a language or theme that is not there (any more), and for a text that is no document. */
  #pictureOf(desk: Desk, wanted: Wanted): ImageBitmap {
    const { text, occasion } = wanted;
    if (text === undefined && !occasion)
      return this.#sheetOf(wanted).picture(desk.layoutOn(wanted.screen), smaller, cache);
    try {
      return pictureOf(text === undefined ? desk : this.#deskOf(text), wanted);
    } catch (error) {
      if (!(error instanceof NoSuchName || error instanceof EditError)) throw error;
      const nothing = new OffscreenCanvas(1, 1);
      // Without a context there is no picture to take.
      nothing.getContext('2d');
      return nothing.transferToImageBitmap();
    }
  }

  /** What a screen is drawn on again and again. */
  #sheetOf({ screen, scale, name = screen.name }: Wanted): KeptSheet {
    const size = [screen.name, screen.width, screen.height, scale].join(' ');
    const known = this.#sheets.get(name);
    if (known?.size === size) return known.sheet;
    if (this.#sheets.size > mostSheets) this.#sheets.clear();
    const sheet = new KeptSheet(screen, scale);
    this.#sheets.set(name, { size, sheet });
    return sheet;
  }

  /** A desk with another text of the document: how it was. @throws EditError for one that is no document. */
  #deskOf(text: string): Desk {
    const { document, resources, shown } = this.#sure();
    const key = JSON.stringify([text, shown]);
    if (this.#other?.key === key) return this.#other.desk;
    const desk = new Desk(document, resources, shown);
    desk.take(text);
    this.#other = { key, desk };
    return desk;
  }

  #finding(key: string): Finding | undefined {
    return this.#verdict?.findings.find((one) => findingKey(one) === key);
  }

  #options(extra: readonly Screen[]) {
    const { view, resources, shown } = this.#sure();
    return { ...onlyOn(view.occasion), resources, views: [shown.view], screens: [...catalogue, ...extra] };
  }

  #prove(): ViewProof {
    const { resources, shown, view } = this.#sure();
    const [proof] = proveDocument(view.document, {
      ...onlyOn(view.occasion),
      resources,
      views: [shown.view],
      device: desktop,
      region: everySize,
    });
    return proof!;
  }

  #check(extra: readonly Screen[]): { findings: Told[]; unsupported: readonly string[] } {
    const { document } = this.#sure();
    this.#verdict = checkDocument(document, this.#options(extra));
    this.#shared = undefined;
    const lineOf = ({ pointer }: Finding) => document.origin.at(pointer).range?.start ?? 0;
    const causes = causesOf(this.#verdict.findings, this.#verdict, lineOf);
    let number = 0;
    // Most fail on the same screens: a list that is one object is sent once.
    const lists = new Map<string, readonly string[]>();
    const screensOf = ({ occurrences }: Finding) => {
      const screens = [...new Set(occurrences.map(({ screen }) => screen))];
      const key = screens.join();
      if (!lists.has(key)) lists.set(key, screens);
      return lists.get(key)!;
    };
    return {
      findings: causes.flatMap(({ what, findings }, cause) =>
        byPlace(findings).flatMap((those, place) =>
          those.map((finding) => ({
            ...told(document, finding, screensOf(finding), ++number),
            cause,
            what,
            place,
          })),
        ),
      ),
      unsupported: this.#verdict.unsupported.flatMap(({ screens }) => screens),
    };
  }
}

function provedTold({ resources }: Desk, proof: ViewProof): Proved {
  const { frame, scales } = proofPlot(proof);
  return {
    svg: toSvg(proofMap(proof, resources.fonts)),
    says: provedSentence(proof),
    frame,
    scales,
    holding: Math.max(0, 1 - proof.failing - proof.unproved),
    failures: proof.failures.map(({ finding, worst, share }) => ({
      text: `${finding.widget} ${sentenceOf(finding)}`,
      widget: finding.widget,
      worst: [Math.round(worst.x), Math.round(worst.y)],
      share,
    })),
  };
}

function told(
  document: CheckedDocument,
  finding: Finding,
  screens: readonly string[],
  number: number,
): Omit<Told, 'cause' | 'what' | 'place'> {
  const { check, severity, outcome, widget, other, worst } = finding;
  return {
    ...findingTold(document, finding),
    key: findingKey(finding),
    number,
    check,
    severity,
    outcome,
    widget,
    other,
    screens,
    worst: worst.screen,
  };
}

/** The view on a screen, in as many px as are wanted. */
function pictureOf(desk: Desk, { screen, scale, occasion }: Wanted): ImageBitmap {
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(screen.width * scale)),
    Math.max(1, Math.round(screen.height * scale)),
  );
  const context = canvas.getContext('2d')!;
  context.scale(canvas.width / screen.width, canvas.height / screen.height);
  const list = occasion ? drawLayout(desk.view.shownIn(occasion).layoutOn(screen)) : desk.drawing(screen);
  paintOnCanvas(smaller.for(list, scale), context, cache);
  return canvas.transferToImageBitmap();
}

function problemOf(diagnostic: Diagnostic, file: string): Problem {
  const { severity, source, range } = diagnostic;
  const own = source?.name === file;
  return {
    severity,
    text: formatDiagnostic(diagnostic),
    file: source?.name,
    line: source && range ? source.placeOf(range.start).line : undefined,
    start: own ? range?.start : undefined,
    end: own ? range?.end : undefined,
  };
}

function plainProblem(text: string): Problem {
  const [, file, line, , severity] = /^(.*?):(\d+):(\d+): (error|warning)/.exec(text) ?? [];
  return {
    severity: severity === 'warning' ? 'warning' : 'error',
    text,
    file,
    line: line === undefined ? undefined : Number(line),
    start: undefined,
    end: undefined,
  };
}

function withoutTwins(problems: readonly Problem[]): Problem[] {
  return [...new Map(problems.map((one) => [one.text, one])).values()];
}

let desk: DeskWorker | undefined;
/** What is asked is answered in order. */
let last: Promise<unknown> = Promise.resolve();

scope.onmessage = ({ data }: MessageEvent<PageMessage>) => {
  if (data.name === 'hello') desk = new DeskWorker(data.token);
  else if (data.name === 'decoded') desk?.decoded(data.picture, data.bitmap);
  else last = last.then(() => answer(data));
};

async function answer({ id, name, ask }: AskMessage): Promise<void> {
  try {
    const reply = await (desk!.answers[name] as (ask: unknown) => unknown)(ask);
    post({ type: 'answer', id, answer: reply });
  } catch (error) {
    post({ type: 'failed', id, error: (error as Error).message });
  }
}
