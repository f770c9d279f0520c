/* A checked document with all it refers to in; what a game loads out, and the names TypeScript knows it by; and back again. */
export { charactersOf } from './characters.ts';
export { declarationOf } from './declaration.ts';
export { PackError } from './format.ts';
export type { Pack, PackTypes, PackedFile, PackedFont, PackedPicture } from './format.ts';
export { namesOf } from './names.ts';
export type { Names } from './names.ts';
export { openings } from './openings.ts';
export { pack } from './pack.ts';
export { RecordedNotations } from './recorded.ts';
export { unpack } from './unpack.ts';
export { writtenLooks } from './written.ts';
