import type { WidgetSource } from '../document/index.ts';
import {
  TextBlock,
  hasMarkup,
  iconLetter,
  markupWords,
  parseMarkup,
  type MarkupWord,
  type RunSetting,
  type TextRun,
  type TextSetting,
} from '../text/index.ts';
import type { Look, LookChanges, Theme } from '../theme/index.ts';
import type { Bone, Scope } from '../skeleton/index.ts';
import type { Materials } from './materials.ts';

type Surroundings = Pick<Materials, 'messages' | 'locale' | 'fonts' | 'pictures' | 'textSize'>;

/** What a widget's text says, filled in. */
export interface Words {
  readonly text: string;
  readonly runs: readonly TextRun[];
}

/** What a widget says it is called, filled in; undefined where it says nothing. */
export function labelOf({ source, scope }: Pick<Bone, 'source' | 'scope'>): string | undefined {
  const { label } = source as WidgetSource;
  return label === undefined ? undefined : scope.fill(label);
}

/** The words of a text, filled in; undefined where there are none. */
export function wordsOf(
  said: WidgetSource['text'],
  look: Look,
  scope: Scope,
  theme: Theme,
  around: Surroundings,
): Words | undefined {
  if (said === undefined) return undefined;
  const filled = typeof said === 'string' ? scope.fillMarkup(said) : String(said);
  if (!hasMarkup(filled)) return { text: finished(filled, look, around), runs: noRuns };
  let text = '';
  const runs: TextRun[] = [];
  for (const part of parseMarkup(filled)) {
    const from = text.length;
    if (part.type === 'words') {
      text += finished(part.text, look, around);
      if (part.how !== undefined) {
        const setting = runSetting(part.how, look, theme, around);
        runs.push({ from, to: text.length, setting });
      }
      continue;
    }
    const picture = around.pictures.get(part.picture);
    // One that is not there is refused when the document is read, or reported when its file is broken.
    if (!picture) continue;
    const { chain, scale, color } = runSetting(part.how ?? '', look, theme, around);
    const icon = { name: part.picture, aspect: picture.width / picture.height };
    const tint = /[$#]/.test(part.how ?? '') ? color : undefined;
    text += iconLetter;
    runs.push({ from, to: text.length, setting: { chain, scale, color: tint, icon } });
  }
  return { text, runs };
}

const noRuns: readonly TextRun[] = [];

function finished(text: string, look: Look, { messages, locale }: Surroundings): string {
  const shown = messages.finish(text);
  return look.uppercase ? shown.toLocaleUpperCase(locale) : shown;
}

/** What one thing a mark says changes of the look of the text. @param fontSize Of the text, in u. */
export function markupChanges(word: MarkupWord, theme: Theme, fontSize: number): LookChanges {
  switch (word.type) {
    case 'style':
      return theme.styleChanges(word.name);
    case 'color':
      return theme.changesOf({ color: word.color });
    case 'weight':
      return { fontWeight: Math.min(1000, Math.max(1, word.weight)) };
    case 'size':
      return { fontSize: word.u ?? fontSize * word.times! };
  }
}

/** How words with marks are set: styles and values of the mark over the look of the text. */
function runSetting(how: string, look: Look, theme: Theme, { fonts, locale }: Surroundings): RunSetting {
  let run = look;
  for (const word of markupWords(how)) run = { ...run, ...markupChanges(word, theme, look.fontSize) };
  const { font, fontWeight, italic, tabular, color } = run;
  const scale = Math.min(mostTimes, Math.max(leastTimes, run.fontSize / look.fontSize));
  return {
    chain: fonts.chain(font, fontWeight, italic, { tabular, language: locale }),
    scale,
    color: color === look.color ? undefined : color,
  };
}

/** How much smaller and larger than the text around them words may be. */
const leastTimes = 0.1;
const mostTimes = 10;

/** The words of a widget, set. */
export function textBlockOf(
  words: Words,
  source: WidgetSource,
  look: Look,
  rightToLeft: boolean,
  { fonts, locale, textSize, kept }: Pick<Materials, 'fonts' | 'locale' | 'textSize' | 'kept'>,
): TextBlock {
  const fontSize = look.fontSize * textSize;
  const { font, fontWeight, italic, tabular } = look;
  const setting: TextSetting = {
    chain: fonts.chain(font, fontWeight, italic, { tabular, language: locale }),
    fontSize,
    lineHeight: look.lineHeight,
    letterSpacing: look.letterSpacing * textSize,
    wrap: source.wrap ?? source.kind !== 'textbox',
    rightToLeft,
    mostLines: source['max-lines'] ?? Infinity,
    ellipsis: source.ellipsis ?? 'none',
    leastFontSize: Math.min(fontSize, (source['least-font-size'] ?? look.fontSize) * textSize),
  };
  return kept?.block(words, setting) ?? new TextBlock(words.text, setting, words.runs);
}
