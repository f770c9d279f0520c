import { descriptionOf, type CheckedDocument } from '../../document/index.ts';
import { referenceScreen } from '../../edit/index.ts';
import { openView, type Resources } from '../../view/index.ts';
import { whyWidget } from '../../why/index.ts';
import { contextAt } from './context.ts';
import { wordAt } from './definitions.ts';
import { isWidget, pathToWidget, pointerOf, schemasAt, type Path } from './schema-at.ts';

/**
 * What an editor shows of a place: what its key does, and of a widget why it is where it is on the screen it is designed for.
 * @param isTheme Whether it is the text of a theme file.
 */
export function hoverAt(
  document: CheckedDocument,
  resources: Resources,
  text: string,
  offset: number,
  isTheme = false,
): string | undefined {
  const { word, end } = wordAt(text, offset);
  const { path, key, isKey } = contextAt(text, end);
  const name = isKey ? word : key;
  const lines: string[] = [];
  if (name !== undefined) {
    const schema = schemasAt([...path, name], isTheme).find(({ title, description }) => title ?? description);
    const description = isWidget(path) ? descriptionOf(name) : (schema?.description ?? '');
    if (schema || description !== '') {
      const title =
        schema?.title === undefined ? '' : `${schema.title[0]!.toUpperCase()}${schema.title.slice(1)}.`;
      lines.push(`**${name}** ${[description, title].filter(Boolean).join(' ')}`.trim());
    }
  }
  const widgetPath = pathToWidget(path);
  const why = widgetPath && name !== 'children' ? whyAt(document, resources, widgetPath) : undefined;
  if (why) lines.push(why);
  return lines.length === 0 ? undefined : lines.join('\n\n');
}

function whyAt(document: CheckedDocument, resources: Resources, path: Path): string | undefined {
  const pointer = pointerOf(path);
  const views = path[0] === 'views' ? [String(path[1])] : Object.keys(document.source.views);
  for (const name of views) {
    const view = openView(document, name, { resources });
    const on = view.layoutOn(referenceScreen(view));
    const widget = on.widgets.find((one) => one.pointer === pointer);
    if (!widget) continue;
    const short = (value: number) => Math.round(value * 100) / 100;
    const { x, y, width, height } = on.layout.rectInU(widget.index);
    const parts = whyWidget(on, widget.index).filter(({ what }) => what !== 'scale');
    const told = parts.map(({ what, reasons }) => `- ${what}: ${reasons.map((one) => one.text).join('; ')}`);
    return [
      `${name}/${widget.id}: ${short(x)}, ${short(y)}, ${short(width)} × ${short(height)} u`,
      ...told,
    ].join('\n');
  }
  return undefined;
}
