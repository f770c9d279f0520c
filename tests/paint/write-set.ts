import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { toPng } from 'pimbot/node';
import { paintingSet, written } from './set.ts';

// Writes the set that painters are held against; `npm run painting`.
const folder = 'assets/painting';
mkdirSync(folder, { recursive: true });
const set = await paintingSet();
writeFileSync(join(folder, 'painting.json'), written(set));
for (const { name, list } of set) writeFileSync(join(folder, `${name}.png`), toPng(list));
