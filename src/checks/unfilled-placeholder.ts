import type { Widget } from '../dress/index.ts';
import { valueName, type WidgetSource } from '../document/index.ts';
import { keyPointer, type Reason } from '../why/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

type Facts = { readonly name: string; readonly how: 'unfilled' | 'left out' };

export const unfilledPlaceholder = {
  id: 'unfilled-placeholder',
  title: 'A placeholder that nothing fills',
  measures: 'names in braces that no value fills, or that a translation leaves out',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'a player reads the braces, or does not read the value',
  severity: 'error',
  sentence: ({ facts: { name, how }, locale }) =>
    how === 'unfilled'
      ? `shows "{${name}}" unfilled: there is no value for it`
      : `leaves out {${name}} in ${locale}`,
  run(subject, _, report) {
    const found = subject.form.once('unfilled-placeholder', () =>
      subject.texts.flatMap((widget) => {
        const wrong = unfilled(widget, subject);
        return wrong.length > 0 ? [{ widget, wrong }] : [];
      }),
    );
    for (const { widget, wrong } of found) {
      const { name, how } = wrong[0]!;
      const reasons = wrong.map(({ reason }) => reason);
      report({
        outcome: 'failed',
        widget: widget.index,
        measured: wrong.length,
        facts: { name, how },
        reasons,
      });
    }
  },
} as const satisfies Check<Facts>;

const inBraces = new RegExp(`\\{(${valueName})\\}`, 'gu');

interface Wrong extends Facts {
  readonly reason: Reason;
}

function unfilled(widget: Widget, { messages }: Subject): readonly Wrong[] {
  const { source, scope, text, isPlaceholder } = widget;
  const key = isPlaceholder ? 'placeholder' : 'text';
  const said = (source as WidgetSource)[key];
  if (typeof said !== 'string' || !text) return [];
  const pointer = keyPointer(widget, key);
  const wrong: Wrong[] = [];
  for (const message of scope.messagesIn(said)) {
    const translated = messages.translate(message);
    const [asked, given] = [messages.names(message), messages.names(translated)];
    if (translated === message) continue;
    for (const name of given)
      if (!asked.includes(name) && scope.lookup(name) === undefined) {
        const reason = {
          text: `the translation "${translated}" asks for ${name}, which nothing gives`,
          pointer,
        };
        wrong.push({ name, how: 'unfilled', reason });
      }
    for (const name of asked)
      if (!given.includes(name)) {
        const reason = {
          text: `"${message}" says {${name}}, its translation "${translated}" does not`,
          pointer,
        };
        wrong.push({ name, how: 'left out', reason });
      }
  }
  // What a case, a list or a parameter left unfilled is seen in what is shown; quoted braces are meant.
  if (!said.includes("'"))
    for (const [, name] of text.text.matchAll(inBraces)) {
      if (wrong.some((one) => one.name === name)) continue;
      wrong.push({
        name: name!,
        how: 'unfilled',
        reason: { text: `what is shown is "${text.text}"`, pointer },
      });
    }
  return wrong;
}
