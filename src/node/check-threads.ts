import { Worker } from 'node:worker_threads';
import { runBatch, type BatchResult, type CheckPlan } from '../verdict/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import { everyTheme } from '../theme/index.ts';
import type { Resources } from '../view/index.ts';
import type { PlanOptions, WorkerAsk, WorkerSays, WorkerStart } from './check-messages.ts';

/** A project as it was opened here. */
export interface OpenedProject {
  readonly document: CheckedDocument;
  readonly resources: Resources;
  readonly fingerprint: string;
}

/** Batches a thread has at hand, so that it need not wait for the next. */
const atHand = 2;

interface Helper {
  readonly worker: Worker;
  /** Undefined until it has opened the project. */
  fingerprint: string | undefined;
  /** The plan it was told to make. */
  plan: CheckPlan | undefined;
  /** What it has been asked and not answered. */
  readonly asked: Set<number>;
}

/**
 * Threads that check a document beside this one. Each opens the file for itself; one that read other bytes than this
 * thread did is not asked anything. Results do not depend on who made them.
 */
export class CheckThreads {
  readonly #helpers: Helper[] = [];
  #changed: () => void = () => undefined;
  #onResult: (nth: number, result: BatchResult) => void = () => undefined;
  #queue: number[] = [];
  /** What a thread could not do: done here, where its error is met. */
  #own: number[] = [];
  #project: OpenedProject | undefined;
  #plan: CheckPlan | undefined;
  #options: PlanOptions | undefined;

  /** @param count Threads beside this one; none is fine. */
  constructor(file: string, theme: string | undefined, count: number) {
    const start: WorkerStart = { file, theme };
    for (let nth = 0; nth < count; nth++) {
      const worker = new Worker(new URL('./check-worker.js', import.meta.url), { workerData: start });
      const helper: Helper = { worker, fingerprint: undefined, plan: undefined, asked: new Set() };
      this.#helpers.push(helper);
      worker.on('message', (message: WorkerSays) => this.#heard(helper, message));
      // One that dies gives its work back.
      worker.on('error', () => this.#gone(helper));
      worker.on('exit', () => this.#gone(helper));
      worker.unref();
    }
  }

  /**
   * Runs batches of a plan, here and on the threads; results come in no particular order.
   * @throws what a check throws.
   */
  async run(
    project: OpenedProject,
    plan: CheckPlan,
    options: PlanOptions,
    wanted: readonly number[],
    onResult: (nth: number, result: BatchResult) => void,
  ): Promise<void> {
    this.#project = project;
    this.#plan = plan;
    this.#options = options;
    this.#queue = [...wanted].reverse();
    const themes = everyTheme(project.document);
    let left = wanted.length;
    this.#onResult = (nth, result) => {
      left--;
      onResult(nth, result);
    };
    for (const helper of this.#helpers) this.#feed(helper);
    while (left > 0) {
      const nth = this.#own.pop() ?? this.#queue.pop();
      if (nth === undefined) {
        await new Promise<void>((done) => (this.#changed = done));
        continue;
      }
      this.#onResult(nth, runBatch(project.document, project.resources, plan.batches[nth]!, themes));
      // Messages of the threads are heard between batches.
      await new Promise<void>((done) => setImmediate(done));
    }
  }

  /** Ends the threads. */
  async close(): Promise<void> {
    const workers = this.#helpers.splice(0).map(({ worker }) => worker.terminate());
    await Promise.all(workers);
  }

  #heard(helper: Helper, message: WorkerSays): void {
    if (message.type === 'open') helper.fingerprint = message.fingerprint ?? '';
    else {
      helper.asked.delete(message.nth);
      if (message.type === 'result') this.#onResult(message.nth, message.result);
      else this.#own.push(message.nth);
    }
    this.#feed(helper);
    this.#changed();
  }

  #gone(helper: Helper): void {
    const at = this.#helpers.indexOf(helper);
    if (at >= 0) this.#helpers.splice(at, 1);
    this.#own.push(...helper.asked);
    helper.asked.clear();
    this.#changed();
  }

  #feed(helper: Helper): void {
    if (!this.#plan || helper.fingerprint !== this.#project?.fingerprint) return;
    const ask = (message: WorkerAsk) => helper.worker.postMessage(message);
    if (helper.plan !== this.#plan) {
      helper.plan = this.#plan;
      ask({ type: 'plan', options: this.#options! });
    }
    while (helper.asked.size < atHand && this.#queue.length > 0) {
      const nth = this.#queue.pop()!;
      helper.asked.add(nth);
      ask({ type: 'run', nth });
    }
    // A thread that is asked something keeps the process going; one that is not does not.
    if (helper.asked.size > 0) helper.worker.ref();
    else helper.worker.unref();
  }
}
