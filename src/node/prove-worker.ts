import { parentPort, workerData } from 'node:worker_threads';
import { proveDocument } from '../proof/index.ts';
import { openProject } from './project.ts';
import type { ProverSays, ProverStart } from './prove-threads.ts';

const { file, theme, options } = workerData as ProverStart;
const say = (message: ProverSays) => parentPort!.postMessage(message);
const project = await openProject(file, { theme }).catch(() => undefined);
parentPort!.on('message', (view: string) => {
  if (!project?.document) return;
  const { document, resources } = project;
  let told = -Infinity;
  const progress = (done: number, all: number) => {
    const share = done / all;
    if (share - told < 0.01) return;
    told = share;
    say({ type: 'progress', view, share });
  };
  try {
    const [proof] = proveDocument(document, { ...options, resources, views: [view], progress });
    say({ type: 'proof', view, proof: proof! });
  } catch {
    // Whoever asked does it again and gets the error itself.
    say({ type: 'failed', view });
  }
});
say({ type: 'open', fingerprint: project?.document && project.fingerprint });
