import { parentPort, workerData } from 'node:worker_threads';
import { SharedChecks, planOf, runBatch, type CheckPlan } from '../verdict/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import type { Resources } from '../view/index.ts';
import type { WorkerAsk, WorkerSays, WorkerStart } from './check-messages.ts';
import { openProject } from './project.ts';

const { file, theme } = workerData as WorkerStart;
const say = (message: WorkerSays) => parentPort!.postMessage(message);
const project = await openProject(file, { theme }).catch(() => undefined);
const open: { document: CheckedDocument; resources: Resources } | undefined = project?.document && {
  document: project.document,
  resources: project.resources,
};
const shared = open && new SharedChecks(open.document, open.resources);
let plan: CheckPlan | undefined;
parentPort!.on('message', (ask: WorkerAsk) => {
  if (!open) return;
  const { document, resources } = open;
  if (ask.type === 'plan') {
    plan = planOf(document, { ...ask.options, resources });
    return;
  }
  try {
    say({
      type: 'result',
      nth: ask.nth,
      result: runBatch(document, resources, plan!.batches[ask.nth]!, shared),
    });
  } catch {
    // Whoever asked does it again and gets the error itself.
    say({ type: 'failed', nth: ask.nth });
  }
});
say({ type: 'open', fingerprint: open && project?.fingerprint });
