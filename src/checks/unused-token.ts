import { tokensOf } from '../theme/index.ts';
import type { DocumentCheck } from './check.ts';

export const unusedToken = {
  id: 'unused-token',
  title: 'A token nothing uses',
  measures: "tokens of the document's own that no look, style, text or token names",
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what nobody uses is edited in vain',
  severity: 'warning',
  sentence: () => 'is an unused token',
  remedies: ['takeOut'],
  run({ document: { source, origin, themes, named } }, report) {
    // A name counts as used wherever it is written with its $ or its braces.
    const written = JSON.stringify([source, ...[...themes, ...named.values()].map(({ theme }) => theme)]);
    const used = new Set(
      // What stands in braces may be worked out, and name tokens itself.
      [/\$([\p{L}_][\p{L}\p{N}_.-]*)/gu, /\{([^{}"]+)\}/gu].flatMap((one) =>
        [...written.matchAll(one)].map(([, name]) => name),
      ),
    );
    for (const { name, pointer, origin: file } of tokensOf(themes[0]!)) {
      // Those of token files are shared with others.
      if (file !== origin || used.has(name)) continue;
      report({ about: name, reason: 'nothing names it', pointer });
    }
  },
} as const satisfies DocumentCheck;
