import { parentPort, workerData } from 'node:worker_threads';
import { proveDocument, type ViewProof } from '../proof/index.ts';
import { openProject } from './project.ts';
import { SharedViewList } from './shared-view-list.ts';
import type { ProverSays, ProverStart } from './prove-threads.ts';

const { file, theme, fingerprint, options, views, list: memory } = workerData as ProverStart;
const list = new SharedViewList(memory);
const say = (message: ProverSays) => parentPort!.postMessage(message);
const project = await openProject(file, { theme }).catch(() => undefined);
if (project?.document && project.fingerprint === fingerprint) {
  const { document, resources } = project;
  for (let nth = list.take(); nth !== undefined; nth = list.take()) {
    const [own, view] = [nth, views[nth]!];
    const progress = (done: number, all: number) => list.tell(own, done / all);
    say({ view, proof: proved({ ...options, resources, views: [view], progress }, document) });
  }
}

/** Whoever asked does again what fails, and gets the error itself. */
function proved(
  asked: Parameters<typeof proveDocument>[1],
  document: Parameters<typeof proveDocument>[0],
): ViewProof | undefined {
  try {
    return proveDocument(document, asked)[0];
  } catch {
    return undefined;
  }
}
