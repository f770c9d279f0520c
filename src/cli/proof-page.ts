import { drawLayout, withOverlay } from '../paint/index.ts';
import { screenOf, sketchView, type Device, type Failure, type ViewProof } from '../proof/index.ts';
import { proofHtml, type ProofInput, type Sketched, type UnusedFile } from '../report/index.ts';
import { hexOf } from '../theme/index.ts';
import { occasionKey, openView, type Occasion } from '../view/index.ts';
import type { Usable } from './load.ts';

/** A file that was proved, and all it names. */
export type Proved = ProofInput & { readonly loaded: Usable };

/** Failures of a view that are drawn on the page, on the size where they are worst. */
const mostDrawn = 6;
/** Occasions on which a view is drawn on any size, at the most. */
const mostSketched = 3;
/** Stands for a picture behind a view. */
const unlit = '#2a3a44';

/** The page of a proof, with what it shows of each view. */
export async function proofPage(
  inputs: readonly Proved[],
  unused: readonly UnusedFile[],
  device: Device,
): Promise<string> {
  const { drawShots } = await import('../node/shots.ts');
  const pictureOf = ({ document, resources }: Usable, proof: ViewProof, { finding, worst }: Failure) => {
    const occasion = worstOccasion(proof, finding);
    const on = openView(document, proof.view, { resources, ...occasion }).layoutOn(screenOf(device, worst));
    const { width, height, name: screen } = on.screen;
    const list = withOverlay(drawLayout(on), on, resources.fonts, { findings: [finding] });
    const [shot] = drawShots([
      { ...occasion, view: proof.view, screen, width, height, list, alike: [], marks: [] },
    ]);
    return shot!.picture;
  };
  return proofHtml(
    inputs.map((input) => ({
      ...input,
      fonts: input.loaded.resources.fonts,
      sketches: input.proofs.map((proof) => sketchesOf(input.loaded, proof, device)),
      pictures: input.proofs.map((proof) =>
        proof.failures.map((failure, nth) =>
          nth < mostDrawn ? pictureOf(input.loaded, proof, failure) : undefined,
        ),
      ),
    })),
    unused,
  );
}

/** A view on any of its sizes: as it usually is, and where what fails on most sizes is worst. */
function sketchesOf({ document, resources }: Usable, proof: ViewProof, device: Device): readonly Sketched[] {
  const { view, sizes, occasions, failures } = proof;
  const worst = failures.map(({ finding }) => worstOccasion(proof, finding));
  return [...new Set([occasions[0]!, ...worst])].slice(0, mostSketched).map((occasion) => {
    const opened = openView(document, view, { resources, ...occasion });
    const [backdrop] = opened.backdrops;
    const ground = backdrop?.type === 'color' ? hexOf({ ...backdrop.color, a: 1 }) : unlit;
    return { occasion, cells: sketchView(opened, device, sizes), ground };
  });
}

/** The occasion of a proof on which something is worst. */
function worstOccasion({ occasions }: ViewProof, { worst }: Failure['finding']): Occasion {
  return occasions.find((one) => occasionKey(one) === occasionKey(worst))!;
}
