import { parseMarkup } from '../text/index.ts';
import type { Check } from './check.ts';

type Facts = { readonly picture: string };

export const missingPicture = {
  id: 'missing-picture',
  title: 'Pictures that are not there',
  measures: 'how many pictures a widget shows whose files could not be used',
  unit: 'pictures',
  limit: 0,
  fails: 'above',
  source: 'a player sees a hole',
  severity: 'error',
  sentence: ({ facts }) => `shows the picture "${facts.picture}", whose file could not be used`,
  run(subject, limit, report) {
    const pictured = subject.form.once('missing-picture', () =>
      subject.widgets.filter(
        ({ index, source, visible }) =>
          visible &&
          index > 0 &&
          (('image' in source && source.image !== undefined) ||
            ('text' in source && typeof source.text === 'string' && source.text.includes('!['))),
      ),
    );
    for (const { index, source, pointer, origins, scope } of pictured) {
      const missing: { name: string; pointer: string }[] = [];
      const note = (name: string, key: 'image' | 'text') => {
        if (!subject.pictures.has(name))
          missing.push({ name, pointer: origins.get(key) ?? `${pointer}/${key}` });
      };
      if ('image' in source && source.image !== undefined) note(source.image, 'image');
      if ('text' in source && typeof source.text === 'string' && source.text.includes('!['))
        for (const part of parseMarkup(scope.fillMarkup(source.text)))
          if (part.type === 'icon') note(part.picture, 'text');
      if (missing.length <= limit) continue;
      const reasons = missing.map(({ name, pointer: at }) => ({
        text: `the picture "${name}" could not be used; the command says why when it reads the document`,
        pointer: at,
      }));
      report({
        outcome: 'failed',
        widget: index,
        measured: missing.length,
        facts: { picture: missing[0]!.name },
        reasons,
      });
    }
  },
} as const satisfies Check<Facts>;
