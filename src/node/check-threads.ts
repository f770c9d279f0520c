import { Worker } from 'node:worker_threads';
import { SharedChecks, runBatch, type BatchResult, type CheckPlan } from '../verdict/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import type { Resources } from '../view/index.ts';
import type { PlanOptions, WorkerAsk, WorkerSays, WorkerStart } from './check-messages.ts';
import { Shares } from './shares.ts';
import { workerRoom } from './worker-room.ts';

/** A project as it was opened here. */
export interface OpenedProject {
  readonly document: CheckedDocument;
  readonly resources: Resources;
  readonly fingerprint: string;
  /** Of every byte that was read beside the document itself. */
  readonly named: string;
}

/** Batches a thread has at hand, so that it need not wait for the next. */
const atHand = 2;
/** Fewer layouts than this are made before another thread has read the document. */
const worthSharing = 300;

/** What is being run. */
interface Job {
  readonly project: OpenedProject;
  readonly plan: CheckPlan;
  readonly options: PlanOptions;
  readonly onResult: (nth: number, result: BatchResult) => void;
  /** What nobody has taken yet. */
  readonly shares: Shares;
  /** What a thread could not do: done here, where its error is met. */
  readonly own: number[];
}

interface Helper {
  readonly worker: Worker;
  /** Undefined until it has opened the project. */
  fingerprint: string | undefined;
  /** The job whose plan it was told to make. */
  job: Job | undefined;
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
  #job: Job | undefined;

  /** @param count Threads beside this one; none is fine. */
  constructor(file: string, theme: string | undefined, count: number) {
    const start: WorkerStart = { file, theme };
    for (let nth = 0; nth < count; nth++) {
      const worker = new Worker(new URL('./check-worker.js', import.meta.url), {
        workerData: start,
        resourceLimits: workerRoom,
      });
      const helper: Helper = { worker, fingerprint: undefined, job: undefined, asked: new Set() };
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
    const shared = new SharedChecks(project.document, project.resources);
    let left = wanted.length;
    const tell = (nth: number, result: BatchResult) => {
      left--;
      onResult(nth, result);
    };
    const job: Job = { project, plan, options, onResult: tell, shares: new Shares(plan, wanted), own: [] };
    const layouts = wanted.reduce((sum, nth) => sum + plan.batches[nth]!.screens.length, 0);
    this.#job = layouts < worthSharing ? undefined : job;
    for (const helper of this.#helpers) this.#feed(helper);
    while (left > 0) {
      const nth = job.own.pop() ?? job.shares.take(this);
      if (nth === undefined) {
        await new Promise<void>((done) => (this.#changed = done));
        continue;
      }
      tell(nth, runBatch(project.document, project.resources, plan.batches[nth]!, shared));
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
      if (message.type === 'result') helper.job?.onResult(message.nth, message.result);
      else helper.job?.own.push(message.nth);
    }
    this.#feed(helper);
    this.#changed();
  }

  #gone(helper: Helper): void {
    const at = this.#helpers.indexOf(helper);
    if (at >= 0) this.#helpers.splice(at, 1);
    helper.job?.own.push(...helper.asked);
    helper.asked.clear();
    this.#changed();
  }

  #feed(helper: Helper): void {
    const job = this.#job;
    if (!job || helper.fingerprint !== job.project.fingerprint) return;
    const ask = (message: WorkerAsk) => helper.worker.postMessage(message);
    if (helper.job !== job) {
      helper.job = job;
      ask({ type: 'plan', options: job.options });
    }
    while (helper.asked.size < atHand) {
      const nth = job.shares.take(helper);
      if (nth === undefined) break;
      helper.asked.add(nth);
      ask({ type: 'run', nth });
    }
    // A thread that is asked something keeps the process going; one that is not does not.
    if (helper.asked.size > 0) helper.worker.ref();
    else helper.worker.unref();
  }
}
