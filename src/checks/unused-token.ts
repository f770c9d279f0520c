import { tokensOf } from '../theme/index.ts';
import type { DocumentCheck } from './check.ts';

export const unusedToken: DocumentCheck = {
  id: 'unused-token',
  title: 'A token nothing uses',
  measures: "tokens of the document's own that no look, style, text or token names",
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what nobody uses is edited in vain',
  severity: 'warning',
  run({ source, origin, themes, named }, limit, report) {
    const [own] = themes;
    if (!own?.theme.tokens || limit >= 1) return;
    // A name counts as used wherever it is written with its $ or its braces.
    const written = JSON.stringify([source, ...[...themes, ...named.values()].map(({ theme }) => theme)]);
    const used = new Set(
      [...written.matchAll(/\$([\p{L}_][\p{L}\p{N}_.-]*)|\{([^{}"]+)\}/gu)].map(
        ([, name, alias]) => name ?? alias,
      ),
    );
    for (const token of tokensOf(own)) {
      if (token.origin !== origin || used.has(token.name) || !token.pointer.startsWith('/tokens')) continue;
      const { name, pointer } = token;
      report({
        about: name,
        measured: 1,
        detail: 'token',
        reasons: [{ text: 'nothing names it', pointer }],
        origin,
        pointer,
      });
    }
  },
};
