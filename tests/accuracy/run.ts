import { formatDiagnostic, readDocument, screens, type CheckedDocument, type Picture } from 'pimbot';
import { checkDocument, checks, documentChecks, type CheckId, type CheckOptions } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';
import { defects } from './defects.ts';
import { defectPictures, places, type Sample } from './sample.ts';

/** What came of one check over all its defects. */
export interface Score {
  readonly check: CheckId;
  readonly hits: number;
  readonly misses: number;
  /** Failed findings of it in views that are right. */
  readonly falseAlarms: number;
}

export interface Accuracy {
  readonly kinds: number;
  readonly scores: readonly Score[];
  /** What went wrong, one sentence each. */
  readonly wrong: readonly string[];
}

/** Screens of every class: the smallest, the largest, with notches, touched and across the room. */
const chosen = [
  'phone-portrait',
  'phone-landscape',
  'fold-open',
  'tablet',
  'handheld',
  'desktop',
  'ultrawide',
  'super-wide',
  'television',
  'tiny-window',
];

/** Injects every defect in every place into views that are right, and counts what is found. */
export async function accuracy(): Promise<Accuracy> {
  const pictures = await defectPictures();
  const fonts = bundledFonts();
  const find = (sample: Sample) => {
    const { document, options } = opened(sample, pictures, fonts);
    return checkDocument(document, options).findings;
  };
  const count = new Map<string, { hits: number; misses: number; falseAlarms: number }>();
  const of = (check: string) => {
    const known = count.get(check) ?? { hits: 0, misses: 0, falseAlarms: 0 };
    count.set(check, known);
    return known;
  };
  const wrong: string[] = [];
  for (const defect of defects) {
    places.forEach((place, nth) => {
      const { clean, broken } = defect.make(place, nth);
      for (const finding of find(clean)) {
        if (finding.outcome !== 'failed') continue;
        of(finding.check).falseAlarms++;
        wrong.push(
          `false alarm of ${finding.check} (${finding.widget}) without "${defect.name}" at place ${nth}: ${finding.reasons[0]?.text ?? ''}`,
        );
      }
      const hit = find(broken).some(
        ({ check, widget, other, outcome }) =>
          check === defect.check &&
          outcome === 'failed' &&
          (widget === defect.widget || other === defect.widget),
      );
      if (hit) of(defect.check).hits++;
      else {
        of(defect.check).misses++;
        wrong.push(`${defect.check} missed "${defect.name}" at place ${nth}`);
      }
    });
  }
  const ids = [...documentChecks, ...checks].map(({ id }) => id);
  const scores = ids.flatMap((check) => {
    const found = count.get(check);
    return found ? [{ check, ...found }] : [];
  });
  return { kinds: defects.length, scores, wrong };
}

/** A sample as it is checked: on the chosen screens, or on all where that is what a check needs. */
export function opened(
  { document, files, isWhole }: Sample,
  pictures: Map<string, Picture>,
  fonts: ReturnType<typeof bundledFonts>,
): { document: CheckedDocument; options: CheckOptions } {
  const read = readDocument(document, {
    readFile: (path) => ({ text: JSON.stringify(files?.[path] ?? null), name: path }),
  });
  if (!read.document) throw new Error(read.diagnostics.map(formatDiagnostic).join('\n'));
  const catalogs = document.catalogs ? new Map([['de', new Map([['Depth', 'Tiefe']])]]) : undefined;
  const on = isWhole ? screens : screens.filter(({ name }) => chosen.includes(name));
  return { document: read.document, options: { resources: { fonts, pictures, catalogs }, screens: on } };
}
