export { TextBlock } from './block.ts';
export type { TextLine, TextSetting } from './block.ts';
export { FontFace } from './face.ts';
export type { Glyph, OutlineCommand, ShapedText } from './face.ts';
export { FontBook } from './fonts.ts';
export { Messages, MessageError } from './message.ts';
export type { Value } from './message.ts';
export { FontError, mostFontBytes } from './sfnt.ts';
