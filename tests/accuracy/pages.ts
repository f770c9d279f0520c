import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { drawLayout, findScreen, openView } from 'pimbot';
import {
  checkDocument,
  checks,
  documentChecks,
  sentenceOf,
  withOverlay,
  type Check,
  type DocumentCheck,
  type Finding,
} from 'pimbot/tools';
import { bundledFonts, toPng, writeWhole } from 'pimbot/node';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import { structuredPatch } from 'diff';
import { Document as YamlDocument, visit } from 'yaml';
import { defects } from './defects.ts';
import { opened } from './run.ts';
import { defectPictures, places, type Defect, type Sample } from './sample.ts';

/* Writes docs/checks/: a page for each check, with a view that passes and the same with the mistake in it. */

const folder = 'docs/checks';
const fonts = bundledFonts();
const pictures = await defectPictures();
const pictureWidth = 560;

/** A sample drawn where the finding is worst, or where the other was. */
async function drawn(sample: Sample, defect: Defect, path: string, at?: string): Promise<string> {
  const { document, options } = opened(sample, pictures, fonts);
  const findings = checkDocument(document, options).findings.filter(
    ({ check, view }) => check === defect.check && view !== undefined,
  );
  const screen = findScreen(at ?? pick(findings))!;
  const view = openView(document, 'v', { resources: options.resources });
  const layout = view.layoutOn(screen);
  const plain = findings.map((finding) => ({
    ...finding,
    occurrences: finding.occurrences.map((one) => ({ ...one, case: view.occasion.case })),
  }));
  const png = toPng(withOverlay(drawLayout(layout), layout, fonts, { findings: plain, safeArea: true }));
  const image = await loadImage(Buffer.from(png));
  const width = Math.min(pictureWidth, (image.width / image.height) * 420);
  const canvas = createCanvas(Math.round(width), Math.round((image.height / image.width) * width));
  canvas.getContext('2d').drawImage(image, 0, 0, canvas.width, canvas.height);
  writeWhole(join(folder, path), canvas.toBuffer('image/webp', 80));
  return screen.name;
}

/** A screen of ordinary size among those a finding is on. */
function pick(findings: readonly Finding[]): string {
  const names = findings.flatMap(({ occurrences }) => occurrences.map(({ screen }) => screen));
  return (
    ['handheld', 'desktop', 'tiny-window', 'phone-landscape', 'ultrawide'].find((name) =>
      names.includes(name),
    ) ??
    names[0] ??
    'handheld'
  );
}

/** What a widget is called comes first, as people write it. */
function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered);
  if (typeof value !== 'object' || value === null) return value;
  const { id, kind, use, ...more } = value as Record<string, unknown>;
  const first = Object.entries({ id, kind, use }).filter(([, one]) => one !== undefined);
  return Object.fromEntries([...first, ...Object.entries(more).map(([key, one]) => [key, ordered(one)])]);
}

/** A document as people write it: what is short stands on one line. */
function written({ document, files }: Sample): string {
  const yaml = new YamlDocument(ordered(files ? { ...document, ...files } : document), {
    aliasDuplicateObjects: false,
  });
  visit(yaml, {
    Collection(_, node) {
      const isShort = JSON.stringify(node.toJSON()).length < 90;
      if (isShort) node.flow = true;
    },
  });
  return yaml.toString({ lineWidth: 0, flowCollectionPadding: true });
}

/** What of a document differs from another: its lines, those that differ marked. */
function differing(of: Sample, from: Sample): string {
  const { hunks } = structuredPatch('', '', written(from), written(of), '', '', { context: 4 });
  const kept = hunks.map(({ lines }) =>
    lines
      .filter((line) => !/^[-\\]/.test(line))
      .map((line) => line.slice(1) + (line.startsWith('+') ? '  # ←' : '')),
  );
  const margin = Math.min(...kept.flat().map((line) => line.search(/\S|$/)));
  return kept.map((lines) => lines.map((line) => line.slice(margin)).join('\n')).join('\n# …\n');
}

/** What the check says of the mistake. */
function told(sample: Sample, defect: Defect): string {
  const { document, options } = opened(sample, pictures, fonts);
  const finding = checkDocument(document, options).findings.find(
    ({ check, outcome }) => check === defect.check && outcome === 'failed',
  );
  return finding ? `${finding.widget} ${sentenceOf(finding)}` : '';
}

function page(
  check: Check | DocumentCheck,
  defect: Defect,
  where: string | undefined,
  { clean, broken }: { readonly clean: Sample; readonly broken: Sample },
): string {
  const { id, title, measures, unit, limit, fails, source, severity } = check;
  const limitText = `${limit} ${unit}`;
  const picturesText =
    where === undefined
      ? ''
      : `On the screen \`${where}\`:\n\n| passes | fails |\n|---|---|\n| ![passes](${id}-passes.webp) | ![fails](${id}-fails.webp) |\n\n`;
  const example = `## An example\n\nThe mistake: ${defect.name}.\n\n\`\`\`yaml\n${differing(broken, clean)}\n\`\`\`\n\nPimbot says:\n\n> ${told(broken, defect)}\n\nThe same without it:\n\n\`\`\`yaml\n${differing(clean, broken)}\n\`\`\`\n\n`;
  // A view goes by its name, a widget by its id.
  const who = defect.widget === 'v' ? 'v: {' : `- { id: ${defect.widget},`;
  const accept =
    where === undefined
      ? 'It concerns what is written, on no screen in particular: take it out, or use it.\n'
      : `Where it is intended, accept it on ${defect.widget === 'v' ? 'the view' : 'the widget'}, with a reason:\n\n\`\`\`yaml\n${who} accept: { ${id}: "why it is intended" } }\n\`\`\`\n\nAn acceptance that takes no finding away is a finding itself (\`idle-acceptance\`).\n`;
  return `# ${title}\n\n\`${id}\`, of severity ${severity}, measures ${measures}. It fails ${fails} **${limitText}**.\n\n${example}${picturesText}## Why\n\n${source[0]!.toUpperCase()}${source.slice(1)}.\n\n## When to accept it\n\n${accept}`;
}

mkdirSync(folder, { recursive: true });
const isDrawn = new Set(checks.map(({ id }) => id));
for (const check of [...checks, ...documentChecks]) {
  const defect = defects.find((one) => one.check === check.id)!;
  // The fourth place: at the left edge, in the middle of the height, clear of the corners.
  const { clean, broken } = defect.make(places[3]!, 3);
  let where: string | undefined;
  if (isDrawn.has(check.id)) {
    where = await drawn(broken, defect, `${check.id}-fails.webp`);
    await drawn(clean, defect, `${check.id}-passes.webp`, where);
  }
  writeWhole(join(folder, `${check.id}.md`), page(check, defect, where, { clean, broken }));
}
const rows = [...checks, ...documentChecks].map(
  ({ id, measures, limit, unit, severity }) =>
    `| [\`${id}\`](${id}.md) | ${measures} | ${limit} ${unit} | ${severity} |\n`,
);
writeWhole(
  join(folder, 'README.md'),
  `# Every check\n\n| check | measures | limit | severity |\n|---|---|---|---|\n${rows.join('')}\nWritten by \`npm run accuracy -- --pages\` from what the checks say of themselves. [What they look at](../checks.md).\n`,
);
