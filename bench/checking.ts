import { availableParallelism } from 'node:os';
import { openView, readDocument, screens, type DocumentSource, type WidgetSource } from 'pimbot';
import { Results, checkDocument, planOf, type CheckPlan } from 'pimbot/tools';
import { CheckThreads, bundledFonts, openProject } from 'pimbot/node';

/** A measurement of checking: milliseconds of all of it, and of laying the same out alone. */
export interface Checked {
  readonly name: string;
  readonly checking: number;
  readonly layingOut: number;
}

/** The whole demo on as many threads as there are cores, once warm; beside its layouts alone, on one. */
export async function checkDemo(rounds: number): Promise<Checked> {
  const file = 'examples/fathom-post/post.yaml';
  const threads = new CheckThreads(file, undefined, availableParallelism() - 1);
  const { document, resources, fingerprint, named } = await openProject(file);
  if (!document) throw new Error('the demo cannot be read');
  const options = { screens };
  const plan = planOf(document, { ...options, resources });
  const all = plan.batches.map((_, nth) => nth);
  const layOut = () => {
    for (const { view, occasion, screens: on } of plan.batches) {
      const opened = openView(document, view, { resources, ...occasion });
      for (const screen of on) opened.layoutOn(screen);
    }
  };
  const check = async (made: CheckPlan) => {
    const results = new Results(document, made);
    await threads.run({ document, resources, fingerprint, named }, made, options, all, (nth, one) =>
      results.add(nth, one),
    );
    return results.verdict();
  };
  const [checking, layingOut] = [[] as number[], [] as number[]];
  // The first two rounds are what makes it warm.
  for (let round = -2; round < rounds; round++) {
    let start = performance.now();
    await check(plan);
    if (round >= 0) checking.push(performance.now() - start);
    start = performance.now();
    layOut();
    if (round >= 0) layingOut.push(performance.now() - start);
  }
  await threads.close();
  return {
    name: `the demo checked, ${plan.layouts} layouts, warm (other: laid out alone, one thread)`,
    checking: Math.min(...checking),
    layingOut: Math.min(...layingOut),
  };
}

/** A view of about 300 widgets in 10,000 combinations: those that cover every pair, as a check takes them. */
export function checkMany(): Checked {
  const { document } = readDocument(plates(72));
  if (!document) throw new Error('the view cannot be read');
  const options = {
    resources: { fonts: bundledFonts() },
    screens,
    hudSizes: [0.9, 0.95, 1, 1.05, 1.1],
    textSizes: [1, 1.05, 1.1, 1.15],
    locales: ['en', 'x-long-140'],
    states: ['hover', 'focused'] as const,
  };
  const plan = planOf(document, options);
  let start = performance.now();
  checkDocument(document, options);
  const checking = performance.now() - start;
  start = performance.now();
  for (const { view, occasion, screens: on } of plan.batches) {
    const opened = openView(document, view, { resources: options.resources, ...occasion });
    for (const screen of on) opened.layoutOn(screen);
  }
  return {
    name: `${plan.combinations} combinations of a view of 295 by ${plan.layouts} pairs (other: laid out alone)`,
    checking,
    layingOut: performance.now() - start,
  };
}

/** So many plates in a grid on one screen, checked; beside what they would take if each cost what it costs among 250. */
export function checkGrowth(count: number): Checked {
  const desktop = screens.filter(({ name }) => name === 'desktop');
  const timeOf = (plates: number) => {
    const { document } = readDocument(gridOf(plates));
    if (!document) throw new Error('the view cannot be read');
    const times = Array.from({ length: 3 }, () => {
      const start = performance.now();
      checkDocument(document, { resources: { fonts: bundledFonts() }, screens: desktop });
      return performance.now() - start;
    });
    return Math.min(...times);
  };
  const few = timeOf(250);
  return {
    name: `${count} plates on one screen checked (other: ${count / 250} times 250 of them)`,
    checking: timeOf(count),
    layingOut: few * (count / 250),
  };
}

function gridOf(count: number): DocumentSource {
  const columns = Math.ceil(Math.sqrt((count * 16) / 9));
  const [across, down] = [1920 / columns, 1080 / Math.ceil(count / columns)];
  const children = Array.from({ length: count }, (_, nth): WidgetSource => ({
    anchor: 'left top',
    offset: [(nth % columns) * across, Math.floor(nth / columns) * down],
    size: [across * 0.8, down * 0.8],
    look: { background: '#0d4452' },
  }));
  return { pimbot: 1, reference: { scaling: 'none' }, views: { grid: { backdrop: '#04202a', children } } };
}

/** Six plates of rows, each of a text, a meter and a lamp. */
export function plates(rows: number): DocumentSource {
  const row = (nth: number): WidgetSource => ({
    arrange: 'row',
    gap: 8,
    align: 'center',
    children: [
      { kind: 'text', text: nth % 2 === 0 ? 'Hold {n}' : `Crate ${nth}`, width: 'fill', wrap: false },
      { kind: 'meter', value: '{v}', width: 90, height: 20 },
      { width: 20, height: 20, look: { background: '#88ccdd' } },
    ],
  });
  const places = ['left top', 'center top', 'right top', 'left bottom', 'center bottom', 'right bottom'];
  const children = places.map((anchor, plate): WidgetSource => ({
    anchor,
    width: '30%',
    padding: 12,
    arrange: 'column',
    gap: 6,
    look: { background: 'linear-gradient(180deg, #0a2230, #06141d)' },
    children: Array.from({ length: rows / places.length }, (_, nth) => row(plate * 12 + nth)),
  }));
  return {
    pimbot: 1,
    cases: { few: { n: 12, v: 0.2 }, many: { n: 999, v: 1 } },
    views: { holds: { backdrop: '#001018', look: { 'font-size': 24, 'color': '#ffffff' }, children } },
  };
}
