import { createRequire } from 'node:module';
import type * as canvas from '@napi-rs/canvas';
import { MissingPackage } from './missing-package.ts';

/**
 * What draws PNG and decodes pictures. It is larger than all the rest, and optional: who lays out, checks and proves views without
 * pictures, or draws SVG, does without. @throws MissingPackage
 */
export function canvasPackage(): typeof canvas {
  try {
    return createRequire(import.meta.url)('@napi-rs/canvas') as typeof canvas;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'MODULE_NOT_FOUND') throw error;
    throw new MissingPackage(
      'PNG, pictures and HTML reports need the package @napi-rs/canvas, which is not installed: npm install @napi-rs/canvas',
    );
  }
}
