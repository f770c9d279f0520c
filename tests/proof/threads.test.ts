import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { openProject, proveOnThreads, type ProveJob } from 'pimbot/node';
import { everySize, proveDocument } from 'pimbot/tools';
import { temporaryFolder } from '../support/cli.ts';

const folder = temporaryFolder();
const file = join(folder.path, 'hud.yaml');
const view = (width: number) => `
    children:
      - { id: left, look: { background: "#223344" }, anchor: left top, width: ${width}, height: 40 }
      - { id: right, look: { background: "#223344" }, anchor: right top, width: 500, height: 40 }`;
const source = `pimbot: 1
reference: { size: 1280x720, scaling: none }
views:
  dive:${view(400)}
  dock:${view(900)}
`;
const options = { device: { density: 92, distance: 600, inputs: ['mouse'] }, region: everySize } as const;

beforeAll(() => writeFileSync(file, source));
afterAll(folder.remove);

async function job(threads: number): Promise<ProveJob & { readonly told: number[] }> {
  const { document, resources, fingerprint, named } = await openProject(file);
  const told: number[] = [];
  const project = { document: document!, resources, fingerprint, named };
  const views = ['dock', 'dive'];
  return {
    file,
    theme: undefined,
    project,
    options,
    views,
    threads,
    told,
    progress: (done) => told.push(done),
  };
}

test('threads prove what this one proves, in the order that was asked for', async () => {
  const asked = await job(2);
  const proofs = await proveOnThreads(asked);
  const { document, resources } = asked.project;
  expect(proofs).toEqual(proveDocument(document, { ...options, resources, views: ['dock', 'dive'] }));
  expect(proofs.map((one) => [one.view, one.failing > 0])).toEqual([
    ['dock', true],
    ['dive', true],
  ]);
  expect(asked.told.at(-1)).toBe(2);
});

test('a thread beside this one proves views too', async () => {
  const cases = Array.from({ length: 100 }, (_, nth) => `c${nth}: {}`);
  writeFileSync(file, `${source}cases: { ${cases.join(', ')} }\n`);
  try {
    const asked = await job(2);
    const nobody = new Int32Array(new SharedArrayBuffer(4));
    let steps = 0;
    const progress = (done: number) => {
      steps++;
      // This thread waits a little at each step of its first view, until the other one has done one.
      if (done < 1) Atomics.wait(nobody, 0, 0, 150);
    };
    const proofs = await proveOnThreads({ ...asked, progress });
    // Each case is a step: this thread has not done those of both views.
    expect(steps).toBeLessThan(2 * cases.length);
    const { document, resources } = asked.project;
    expect(proofs).toEqual(proveDocument(document, { ...options, resources, views: asked.views }));
  } finally {
    writeFileSync(file, source);
  }
});

test('a file that has changed since is not proved in place of the one that was read', async () => {
  const asked = await job(2);
  writeFileSync(file, source.replaceAll('width: 500', 'width: 10'));
  try {
    const [dock] = await proveOnThreads(asked);
    expect(dock!.failing).toBeGreaterThan(0);
  } finally {
    writeFileSync(file, source);
  }
});

test('an error here ends the other threads too', async () => {
  const progress = () => {
    throw new Error('enough');
  };
  await expect(proveOnThreads({ ...(await job(2)), progress })).rejects.toThrow('enough');
});

test('one thread is enough', async () => {
  expect((await proveOnThreads(await job(1))).length).toBe(2);
});
