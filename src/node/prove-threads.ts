import { Worker } from 'node:worker_threads';
import { proveDocument, type ProveOptions, type ViewProof } from '../proof/index.ts';
import type { OpenedProject } from './check-threads.ts';
import { SharedViewList } from './shared-view-list.ts';
import { workerRoom } from './worker-room.ts';

/** What is proved, without what cannot go to another thread. */
export type ProverOptions = Omit<ProveOptions, 'resources' | 'progress' | 'views'>;

/** What a thread is started with. */
export interface ProverStart {
  readonly file: string;
  readonly theme: string | undefined;
  /** Of what was read here: a thread that reads other bytes proves nothing. */
  readonly fingerprint: string;
  readonly options: ProverOptions;
  readonly views: readonly string[];
  readonly list: SharedArrayBuffer;
}

/** A proof that a thread has made, or `undefined` of a view that it could not prove. */
export type ProverSays = { readonly view: string; readonly proof: ViewProof | undefined };

/** What is proved on threads. */
export interface ProveJob {
  readonly file: string;
  readonly theme: string | undefined;
  readonly project: OpenedProject;
  readonly options: ProverOptions;
  readonly views: readonly string[];
  /** How many threads work, this one among them. */
  readonly threads: number;
  /** Called with how many views are done, and a fraction of those under way. */
  readonly progress: (done: number, all: number) => void;
}

/**
 * Proves views on this thread and on others, one view at a time each. A thread that read other bytes than this one did proves
 * nothing, and what one could not do is done here. The same proofs, whoever made them.
 * @throws what {@link proveDocument} throws.
 */
export async function proveOnThreads(job: ProveJob): Promise<readonly ViewProof[]> {
  const { views, project, options, progress } = job;
  const list = SharedViewList.of(views.length);
  const here = (nth: number): ViewProof => {
    const { document, resources } = project;
    const [proof] = proveDocument(document, {
      ...options,
      resources,
      views: [views[nth]!],
      progress: (done, all) => {
        list.tell(nth, done / all);
        progress(list.done, views.length);
      },
    });
    return proof!;
  };
  const found = new Map<string, ViewProof>();
  const helpers = Array.from({ length: Math.min(job.threads, views.length) - 1 }, () =>
    helperOf(job, list, found),
  );
  // While they end their last ones, nobody else says how far they are.
  let said: NodeJS.Timeout | undefined;
  try {
    for (let nth = list.take(); nth !== undefined; nth = list.take()) found.set(views[nth]!, here(nth));
    if (helpers.length > 0) said = setInterval(() => progress(list.done, views.length), 100);
    await Promise.all(helpers.map(({ ended }) => ended));
  } finally {
    clearInterval(said);
    await Promise.all(helpers.map(({ worker }) => worker.terminate()));
  }
  const proofs = views.map((view, nth) => found.get(view) ?? here(nth));
  if (helpers.length > 0) progress(views.length, views.length);
  return proofs;
}

/** Another thread that proves what it can, view by view, until all are taken. */
function helperOf(
  { file, theme, project: { fingerprint }, options, views }: ProveJob,
  list: SharedViewList,
  found: Map<string, ViewProof>,
): { readonly worker: Worker; readonly ended: Promise<void> } {
  const start: ProverStart = { file, theme, fingerprint, options, views, list: list.memory };
  const worker = new Worker(new URL('./prove-worker.js', import.meta.url), {
    workerData: start,
    resourceLimits: workerRoom,
  });
  worker.on('message', ({ view, proof }: ProverSays) => {
    if (proof) found.set(view, proof);
  });
  const ended = new Promise<void>((done) => {
    // One that dies leaves its work to this thread.
    worker.on('error', () => done());
    worker.on('exit', () => done());
  });
  return { worker, ended };
}
