import type { CheckedDocument } from '../../document/index.ts';
import {
  heldAspects,
  holdsBetween,
  partsOf,
  provedChecks,
  type HudProof,
  type HudRange,
  type Polygon,
} from '../../proof/index.ts';
import type { Finding, Occurrence } from '../../verdict/index.ts';
import { factors } from '../../view/index.ts';
import { wherePointer } from '../report.ts';
import { unusedJson, type UnusedFile } from '../unused.ts';
import { sentenceOf } from '../wording.ts';
import { gapTexts, holds, hudText, verdictText, type ProofInput } from './told.ts';

/** Proofs for machines; sizes are in px, polygons lists of [width, height] (docs/proof.md). */
export function proofJson(inputs: readonly ProofInput[], unused: readonly UnusedFile[] = []): string {
  const files = inputs.map(({ file, document, proofs, unsupported, region, device }) => ({
    file,
    region,
    device,
    ...(unsupported.length > 0 && { unsupported }),
    views: proofs.map((proof) => {
      const parts = partsOf(proof);
      return {
        view: proof.view,
        holds: holds(proof),
        says: verdictText(proof),
        failing: proof.failing,
        unproved: proof.unproved,
        holdsBetween: holdsBetween(proof.region, parts, proof.reference) ?? null,
        heldAspects: heldAspects(proof.region, parts),
        occasions: proof.occasions,
        region: points(proof.region),
        failures: proof.failures.map(({ finding, worst, share, parts: polygons, borders, on }) => ({
          ...told(finding, document, file),
          occasions: on.map(({ occasion }) => occasion),
          share,
          worst: { width: worst.x, height: worst.y, measured: finding.worst.measured, unit: finding.unit },
          reasons: finding.reasons.map(({ text, pointer }) => ({
            text,
            place: wherePointer(document, file, pointer),
          })),
          polygons: polygons.map(points),
          borders: borders.map(({ from, to, length, kind, reasons }) => ({
            from: points([from])[0],
            to: points([to])[0],
            length: Math.round(length),
            kind,
            reasons: reasons.map(({ text, pointer }) => ({
              text,
              place: wherePointer(document, file, pointer),
            })),
          })),
        })),
        unprovedBecause: gapTexts(proof),
        gaps: proof.gaps.map(({ check, reason, polygon }) => ({ check, reason, polygon: points(polygon) })),
        seen: proof.seen.map((finding) => ({
          ...told(finding, document, file),
          on: finding.worst.screen,
          occasions: finding.occurrences.map(occasionIn),
        })),
        ...(proof.hudSizes && { hudSizes: hudJson(proof.hudSizes, document, file) }),
        cells: proof.cells,
        layouts: proof.solves,
      };
    }),
  }));
  const passed = unused.length === 0 && inputs.every(({ proofs }) => proofs.every(holds));
  const all = [...files, ...unusedJson(unused)];
  return `${JSON.stringify({ 'pimbot-proof': 1, passed, 'proved': provedChecks, 'files': all }, null, 2)}\n`;
}

function points(polygon: Polygon): readonly (readonly [number, number])[] {
  return polygon.map(({ x, y }) => [Math.round(x * 1000) / 1000, Math.round(y * 1000) / 1000]);
}

/** What a finding is about, and says. */
function told(finding: Finding, document: CheckedDocument, file: string): object {
  return {
    check: finding.check,
    severity: finding.severity,
    widget: finding.widget,
    other: finding.other,
    place: finding.place ?? wherePointer(document, file, finding.pointer),
    says: sentenceOf(finding),
  };
}

/** What varies, and nothing else of an occurrence. */
function occasionIn(one: Occurrence): object {
  return Object.fromEntries(factors.map(({ key }) => [key, one[key]]));
}

/** HUD sizes as [least, most]. */
function hudJson(hud: HudProof, document: CheckedDocument, file: string): object {
  const pair = ({ least, most }: HudRange) => [least, most].map((size) => Math.round(size * 1e6) / 1e6);
  return {
    range: pair(hud.range),
    holds: hud.holds.map(pair),
    says: hudText(hud),
    ...(hud.refused !== undefined && { refused: hud.refused }),
    failures: hud.failures.map(({ finding, hudSizes, aspects, worst, occasions }) => ({
      ...told(finding, document, file),
      occasions,
      hudSizes: hudSizes.map(pair),
      aspects: [aspects.least, aspects.most],
      worst: { ...worst, measured: finding.worst.measured, unit: finding.unit },
    })),
    unproved: [...new Set(hud.gaps.map(({ check }) => check ?? null))],
  };
}
