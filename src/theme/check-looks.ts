import {
  namesPicture,
  nearestName,
  entryOf,
  pointerTo,
  isBroken,
  isTemplate,
  meantBy,
  writtenWidgets,
  type WidgetSource,
  type CheckedDocument,
  type CheckedTheme,
  type Kind,
  type DiagnosticList,
  type LookSource,
  type Origin,
} from '../document/index.ts';
import { defaultFont, familyNames, lookKeys } from './look.ts';
import { checkValue, tokensMeant } from './check-value.ts';
import { kindStyle, namedThemes, type Theme } from './theme.ts';
import { fontsOf } from './fonts.ts';
import { tokensOf } from './tokens.ts';

/** Reports unknown styles, tokens and fonts, circles among them, and values that are none. */
export function checkLooks(document: CheckedDocument, theme: Theme, diagnostics: DiagnosticList): void {
  checkThemeFiles(document, theme, document.themes, diagnostics);
  // Names are looked for in every theme of the document, so that none of them breaks a view.
  for (const [name, other] of namedThemes(document)) {
    if (name === theme.name) continue;
    checkThemeFiles(document, other, [document.named.get(name)!], diagnostics);
  }
  checkViews(document, theme, diagnostics);
}

function checkThemeFiles(
  document: CheckedDocument,
  theme: Theme,
  files: readonly CheckedTheme[],
  diagnostics: DiagnosticList,
): void {
  const ending = new Set<string>();
  for (const checked of files) {
    for (const { name, pointer, origin } of tokensOf(checked)) {
      const answer = theme.tokens.resolve(name);
      if ('problem' in answer) {
        const at = origin.at(pointer);
        if (answer.problem === 'value') {
          const facts = { key: answer.name, expected: answer.expected, found: 'another value' };
          diagnostics.add('wrong-value', facts, at);
        } else if (answer.problem === 'circle') {
          diagnostics.add('name-chain', { what: 'this token', chain: answer.chain }, at);
        } else {
          const meant = nearestName(answer.name, theme.tokens.names());
          diagnostics.add('unknown-name', { what: 'token', name: answer.name, meant }, at);
        }
      }
    }
    const styles = Object.entries(checked.theme.styles ?? {}).map(
      ([name, style]) => [name, style, pointerTo('/styles', name)] as const,
    );
    const ofKinds = Object.entries(checked.theme.kinds ?? {}).map(
      ([kind, style]) => [kindStyle(kind as Kind), style, pointerTo('/kinds', kind)] as const,
    );
    for (const [name, style, pointer] of [...styles, ...ofKinds]) {
      refuseValues(style, pointer, checked.origin, theme, diagnostics);
      checkLook(document, style, pointer, checked.origin, theme, diagnostics);
      for (const [state, look] of Object.entries(style.states ?? {})) {
        const at = pointerTo(`${pointer}/states`, state);
        refuseValues(look, at, checked.origin, theme, diagnostics);
        checkLook(document, look, at, checked.origin, theme, diagnostics);
      }
      if (style.extends !== undefined)
        checkExtends(name, style.extends, pointer, checked.origin, theme, diagnostics, ending);
    }
  }
}

function checkViews(document: CheckedDocument, theme: Theme, diagnostics: DiagnosticList): void {
  for (const [name, { backdrop }] of Object.entries(document.source.views))
    checkBackdrop(document, backdrop, `${pointerTo('/views', name)}/backdrop`, theme, diagnostics);
  for (const { widget, pointer } of writtenWidgets(document.source))
    checkWidget(document, widget, pointer, document.origin, theme, diagnostics);
}

function checkWidget(
  document: CheckedDocument,
  widget: WidgetSource,
  at: string,
  origin: Origin,
  theme: Theme,
  diagnostics: DiagnosticList,
): void {
  if (!isTemplate(widget.style)) checkStyles(widget.style, at, origin, theme, diagnostics);
  if (widget.look) checkLook(document, widget.look, `${at}/look`, origin, theme, diagnostics);
  if (widget.tint !== undefined && !isTemplate(widget.tint)) {
    checkValue(theme, 'color', widget.tint, `${at}/tint`, origin, diagnostics);
  }
}

/** Styles are shared by widgets that know other values, or none. */
function refuseValues(
  look: LookSource,
  pointer: string,
  origin: Origin,
  theme: Theme,
  diagnostics: DiagnosticList,
): void {
  for (const key of lookKeys) {
    const value = entryOf(look as Record<string, unknown>, key);
    if (!isTemplate(value)) continue;
    const facts = { key, meant: tokensMeant(theme, value) };
    diagnostics.add('style-bound', facts, origin.at(pointerTo(pointer, key)));
  }
}

function checkLook(
  document: CheckedDocument,
  look: LookSource,
  pointer: string,
  origin: Origin,
  theme: Theme,
  diagnostics: DiagnosticList,
): void {
  for (const key of lookKeys) {
    const value = entryOf(look as Record<string, unknown>, key);
    if (value === undefined || isTemplate(value)) continue;
    if (isBroken(value)) {
      const facts = { key, found: value, meant: meantBy(value) };
      diagnostics.add('not-worked-out', facts, origin.at(pointerTo(pointer, key)));
      continue;
    }
    checkValue(theme, key, value, pointerTo(pointer, key), origin, diagnostics);
    if (key === 'image' && typeof value === 'string' && !namesPicture(document.source, value)) {
      const meant = nearestName(value, Object.keys(document.source.pictures ?? {}));
      const facts = { what: 'picture', name: value, meant };
      diagnostics.add('unknown-name', facts, origin.at(pointerTo(pointer, key)));
    }
    if (key === 'font' && typeof value === 'string' && !value.includes('$')) {
      const families = [defaultFont, ...Object.keys(fontsOf(document))];
      for (const name of familyNames(value)) {
        if (families.includes(name)) continue;
        const facts = { what: 'font', name, meant: nearestName(name, families) };
        diagnostics.add('unknown-name', facts, origin.at(pointerTo(pointer, key)));
      }
    }
  }
}

function checkStyles(
  styles: string | readonly string[] | undefined,
  pointer: string,
  origin: Origin,
  theme: Theme,
  diagnostics: DiagnosticList,
): void {
  const names = styleList(styles);
  names.forEach((name, index) => {
    if (theme.find(name)) return;
    const at = typeof styles === 'string' ? `${pointer}/style` : `${pointer}/style/${index}`;
    const facts = { what: 'style', name, meant: nearestName(name, theme.styleNames()) };
    diagnostics.add('unknown-name', facts, origin.at(at));
  });
}

/** @param ending Styles that are known to lead in no circle. */
function checkExtends(
  name: string,
  start: string,
  pointer: string,
  origin: Origin,
  theme: Theme,
  diagnostics: DiagnosticList,
  ending: Set<string>,
): void {
  const chain = new Set([name]);
  for (let at: string | undefined = start; at !== undefined && !ending.has(at);) {
    if (chain.has(at)) {
      if (at === name)
        diagnostics.add(
          'name-chain',
          { what: 'this style', chain: [...chain, at] },
          origin.at(`${pointer}/extends`),
        );
      return;
    }
    const found = theme.find(at);
    if (!found) {
      if (chain.size > 1) return;
      const facts = { what: 'style', name: at, meant: nearestName(at, theme.styleNames()) };
      diagnostics.add('unknown-name', facts, origin.at(`${pointer}/extends`));
      return;
    }
    chain.add(at);
    at = found.style.extends;
  }
  for (const one of chain) ending.add(one);
}

function checkBackdrop(
  document: CheckedDocument,
  backdrop: string | readonly string[] | undefined,
  pointer: string,
  theme: Theme,
  diagnostics: DiagnosticList,
): void {
  const pictures = Object.keys(document.source.pictures ?? {});
  styleList(backdrop).forEach((entry, index) => {
    if (pictures.includes(entry)) return;
    const at = typeof backdrop === 'string' ? pointer : `${pointer}/${index}`;
    if (entry.startsWith('$')) checkValue(theme, 'color', entry, at, document.origin, diagnostics);
    else if (isTemplate(entry)) {
      const facts = { key: 'backdrop', meant: tokensMeant(theme, entry) };
      diagnostics.add('view-bound', facts, document.origin.at(at));
    } else if (!theme.colorOf(entry)) {
      const facts = { what: 'colour or picture', name: entry, meant: nearestName(entry, pictures) };
      diagnostics.add('unknown-name', facts, document.origin.at(at));
    }
  });
}

/** The styles of a widget in the order in which they are put on: that of its kind first. */
export function stylesOf(kind: Kind, said: string | readonly string[] | undefined): readonly string[] {
  return [kindStyle(kind), ...styleList(said)];
}

/** One name or several as a list. */
export function styleList(styles: string | readonly string[] | undefined): readonly string[] {
  if (styles === undefined) return [];
  return typeof styles === 'string' ? [styles] : styles;
}
