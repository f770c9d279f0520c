import { choiceKeyOf, nearestName, type WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { chosenBy } from '../skeleton/index.ts';
import { keyPointer } from '../why/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

type Key = 'page' | 'selection';

type Facts = {
  readonly key: Key;
  readonly name: string;
  /** What it may choose from. */
  readonly has: readonly string[];
  /** Which of them may be meant. */
  readonly meant: string | undefined;
};

/** A list that is told whole. */
const mostTold = 4;

export const missingPage = {
  id: 'missing-page',
  title: 'A page or an entry that is not there',
  measures:
    'panels and tabs whose page, radio groups and list boxes whose selection names none of their children',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'where the page is not there, the first is shown instead; where the entry is not, none is chosen',
  severity: 'error',
  sentence: ({ facts: { key, name, has } }) => {
    const what = key === 'page' ? `shows the page "${name}"` : `has the entry "${name}" selected`;
    return `${what}, which it does not have: it has ${has.length === 0 ? 'none' : toldOf(has)}`;
  },
  apart: ({ key }) => key,
  run(subject, _, report) {
    const astray = subject.form.once('missing-page', () =>
      subject.widgets.flatMap((widget) => astrayOf(subject, widget)),
    );
    for (const { widget, facts } of astray) {
      if (!widget.visible) continue;
      const { key, name, has, meant } = facts;
      const pointer = keyPointer(widget, key);
      const others = has.length > mostTold ? `, and it has ${has.join(', ')}` : '';
      const text = `its ${key} is "${name}"${meant === undefined ? others : `; there is "${meant}"`}`;
      const reasons = [{ text, pointer }];
      report({ outcome: 'failed', widget: widget.index, measured: 1, facts, reasons });
    }
  },
} as const satisfies Check<Facts>;

function toldOf(has: readonly string[]): string {
  const told = has.slice(0, mostTold).join(', ');
  return has.length > mostTold ? `${told} and ${has.length - mostTold} more` : told;
}

/** What a widget chooses that is not there; an empty selection is none on purpose. */
function astrayOf(subject: Subject, widget: Widget): readonly { widget: Widget; facts: Facts }[] {
  const { index, box, kind, scope } = widget;
  const source = widget.source as WidgetSource;
  const key = box.arrange === 'pages' ? 'page' : choiceKeyOf(kind);
  const said = key && source[key];
  if (said === undefined) return [];
  const value = scope.evaluate(String(said));
  const name = typeof value === 'object' ? '' : String(value);
  if (name === '' && key === 'selection') return [];
  const children = subject.widgets.filter(({ parent }) => parent === index);
  const has = children.flatMap((child) => chosenBy(child) ?? []);
  return has.includes(name)
    ? []
    : [{ widget, facts: { key: key!, name, has, meant: nearestName(name, has) } }];
}
