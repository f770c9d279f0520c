import { Worker } from 'node:worker_threads';
import { proveDocument, type ProveOptions, type ViewProof } from '../proof/index.ts';
import type { OpenedProject } from './check-threads.ts';
import { workerRoom } from './worker-room.ts';

/** What is proved, without what cannot go to another thread. */
export type ProverOptions = Omit<ProveOptions, 'resources' | 'progress' | 'views'>;

/** What a thread is started with. */
export interface ProverStart {
  readonly file: string;
  readonly theme: string | undefined;
  readonly options: ProverOptions;
}

/** What a thread says. A document that cannot be used has no fingerprint. */
export type ProverSays =
  | { readonly type: 'open'; readonly fingerprint: string | undefined }
  | { readonly type: 'progress'; readonly view: string; readonly share: number }
  | { readonly type: 'proof'; readonly view: string; readonly proof: ViewProof }
  | { readonly type: 'failed'; readonly view: string };

/** What is proved on threads. */
export interface ProveJob {
  readonly file: string;
  readonly theme: string | undefined;
  readonly project: OpenedProject;
  readonly options: ProverOptions;
  readonly views: readonly string[];
  /** How many threads work; with one, or one view, it is this one. */
  readonly threads: number;
  /** Called with how many views are done, and a fraction of those under way. */
  readonly progress: (done: number, all: number) => void;
}

/**
 * Proves views on several threads, one view at a time each. A thread that read other bytes than this one did is asked nothing, and
 * what one could not do is done here. The same proofs, whoever made them.
 * @throws what {@link proveDocument} throws.
 */
export async function proveOnThreads(job: ProveJob): Promise<readonly ViewProof[]> {
  const { views, threads, project, options, progress } = job;
  const shares = new Map<string, number>();
  const tell = (view: string, share: number) => {
    shares.set(view, share);
    progress(
      [...shares.values()].reduce((sum, one) => sum + one, 0),
      views.length,
    );
  };
  const here = (view: string): ViewProof => {
    const { document, resources } = project;
    const [proof] = proveDocument(document, {
      ...options,
      resources,
      views: [view],
      progress: (done, all) => tell(view, done / all),
    });
    return proof!;
  };
  const found = new Map<string, ViewProof>();
  if (threads > 1 && views.length > 1) await askThreads(job, found, tell);
  for (const view of views) if (!found.has(view)) found.set(view, here(view));
  return views.map((view) => found.get(view)!);
}

/** Has threads prove what they can; each takes the next view when it has done one. */
async function askThreads(
  { file, theme, project, options, views, threads }: ProveJob,
  found: Map<string, ViewProof>,
  tell: (view: string, share: number) => void,
): Promise<void> {
  const queue = [...views];
  const start: ProverStart = { file, theme, options };
  const work = async () => {
    const worker = new Worker(new URL('./prove-worker.js', import.meta.url), {
      workerData: start,
      resourceLimits: workerRoom,
    });
    const ended = new Promise<void>((done) => {
      const next = () => {
        const view = queue.shift();
        if (view === undefined) done();
        else worker.postMessage(view);
      };
      worker.on('message', (message: ProverSays) => {
        if (message.type === 'progress') tell(message.view, message.share);
        else if (message.type === 'open') {
          if (message.fingerprint === project.fingerprint) next();
          else done();
        } else {
          if (message.type === 'proof') found.set(message.view, message.proof);
          next();
        }
      });
      // One that dies leaves its work to this thread.
      worker.on('error', () => done());
      worker.on('exit', () => done());
    });
    await ended;
    await worker.terminate();
  };
  await Promise.all(Array.from({ length: Math.min(threads, views.length) }, work));
}
