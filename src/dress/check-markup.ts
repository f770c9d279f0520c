import {
  namesPicture,
  nearestName,
  writtenWidgets,
  type CheckedDocument,
  type DiagnosticList,
} from '../document/index.ts';
import { markupWords, parseMarkup } from '../text/index.ts';
import { checkValue, type Theme } from '../theme/index.ts';

/** Reports marks in texts that name a style, token or picture there is none of, and marks of other notations. */
export function checkMarkup(document: CheckedDocument, theme: Theme, diagnostics: DiagnosticList): void {
  for (const { widget, pointer } of writtenWidgets(document.source)) {
    // Any text of an instance may be a parameter that is shown.
    for (const [key, said] of Object.entries(widget)) {
      if (key !== 'text' && key !== 'placeholder' && widget.use === undefined) continue;
      if (typeof said !== 'string') continue;
      const at = `${pointer}/${key}`;
      if (said.includes('[')) checkText(said, at, document, theme, diagnostics);
      const [mark, stars, , tagged] = foreignMark.exec(said) ?? [];
      if (mark === undefined) continue;
      const facts = { mark, words: stars ?? tagged ?? '' };
      diagnostics.add('foreign-mark', facts, { ...document.origin.at(at), severity: 'warning' });
    }
  }
}

/** Words between stars as in Markdown, or between tags as in HTML: they are shown as they are written. */
const foreignMark = /\*\*(?=\S)([^*]+)(?<=\S)\*\*|<(b|i|u|em|strong|color|size|span)\b[^<>]*>([^<>]*)<\/\2>/;

function checkText(
  text: string,
  pointer: string,
  { source, origin }: CheckedDocument,
  theme: Theme,
  diagnostics: DiagnosticList,
): void {
  for (const part of parseMarkup(text)) {
    if (part.type === 'icon' && !namesPicture(source, part.picture)) {
      const meant = nearestName(part.picture, Object.keys(source.pictures ?? {}));
      diagnostics.add('unknown-name', { what: 'picture', name: part.picture, meant }, origin.at(pointer));
    }
    for (const word of markupWords(part.how ?? '')) {
      if (word.type === 'style' && !theme.find(word.name)) {
        const facts = { what: 'style', name: word.name, meant: nearestName(word.name, theme.styleNames()) };
        diagnostics.add('unknown-name', facts, origin.at(pointer));
      } else if (word.type === 'color') checkValue(theme, 'color', word.color, pointer, origin, diagnostics);
    }
  }
}
