import { Worker } from 'node:worker_threads';
import { proveDocument, type ProveOptions, type ViewProof } from '../proof/index.ts';
import type { OpenedProject } from './check-threads.ts';
import type { AskedOfView, KeptResults } from './kept-results.ts';
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
  /** What earlier runs found is taken from here, and what is found now kept here. */
  readonly kept?: KeptResults;
  /** Called with how many views are done, and a fraction of those under way. */
  readonly progress: (done: number, all: number) => void;
}

/**
 * Proves views on this thread and on others, one view at a time each; those of which an earlier run has kept its proof are not
 * proved again. A thread that read other bytes than this one did proves nothing, and what one could not do is done here. The
 * same proofs, whoever made them.
 * @throws what {@link proveDocument} throws.
 */
export async function proveOnThreads(job: ProveJob): Promise<readonly ViewProof[]> {
  const { views, project, options, kept, progress } = job;
  const found = new Map<string, ViewProof>();
  const askedOf = (view: string): AskedOfView => ({
    document: project.document,
    view,
    named: project.named,
    asked: ['proof', options],
  });
  for (const view of views) {
    const proof = kept?.read(askedOf(view));
    if (proof !== undefined) found.set(view, proof as ViewProof);
  }
  const left = views.filter((view) => !found.has(view));
  const list = SharedViewList.of(left.length);
  const tell = () => progress(views.length - left.length + list.done, views.length);
  const here = (nth: number): ViewProof => {
    const { document, resources } = project;
    const [proof] = proveDocument(document, {
      ...options,
      resources,
      views: [left[nth]!],
      progress: (done, all) => {
        list.tell(nth, done / all);
        tell();
      },
    });
    return proof!;
  };
  const helpers = Array.from({ length: Math.max(0, Math.min(job.threads, left.length) - 1) }, () =>
    helperOf({ ...job, views: left }, list, found),
  );
  // While they end their last ones, nobody else says how far they are.
  let said: NodeJS.Timeout | undefined;
  try {
    for (let nth = list.take(); nth !== undefined; nth = list.take()) found.set(left[nth]!, here(nth));
    if (helpers.length > 0) said = setInterval(tell, 100);
    await Promise.all(helpers.map(({ ended }) => ended));
  } finally {
    clearInterval(said);
    await Promise.all(helpers.map(({ worker }) => worker.terminate()));
  }
  left.forEach((view, nth) => {
    if (!found.has(view)) found.set(view, here(nth));
    kept?.write(askedOf(view), found.get(view));
  });
  if (left.length > 0) kept?.tidy();
  if (helpers.length > 0 || left.length < views.length) progress(views.length, views.length);
  return views.map((view) => found.get(view)!);
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
