import type { MessagePart } from '../document/index.ts';
import type { Reason } from '../why/index.ts';
import type { Check } from './check.ts';
import { saidBy } from './subject/said.ts';
import type { Subject } from './subject/subject.ts';

/** A plural form, and the first numbers that are said with it: `few`, 2, 3, 4. */
export interface PluralForm {
  readonly form: string;
  readonly numbers: readonly number[];
}

type Facts = { readonly forms: readonly PluralForm[] };

export const missingPlural = {
  id: 'missing-plural',
  title: 'Plurals without a form',
  measures: 'plural forms of the language that a text has no words for',
  unit: 'forms',
  limit: 0,
  fails: 'above',
  source:
    'languages have up to six forms for counted things (Unicode CLDR, Language Plural Rules); without one, a sentence with such a number is wrong',
  severity: 'warning',
  sentence: ({ facts, locale }) =>
    `has no ${locale} plural form ${facts.forms.map(({ form, numbers }) => `"${form}" (${numbers.join(', ')})`).join(' and ')}`,
  cause: ({ locales }) => `plurals lack forms of ${locales.join(', ')}`,
  run(subject, limit, report) {
    const lacking = subject.form.once('missing-plural', () => lackingIn(subject));
    for (const { index, forms, reasons } of lacking)
      if (forms.length > limit)
        report({
          outcome: 'failed',
          widget: index,
          measured: forms.length,
          facts: { forms },
          reasons,
        });
  },
} as const satisfies Check<Facts>;

interface Lacking {
  readonly index: number;
  readonly forms: readonly PluralForm[];
  readonly reasons: readonly Reason[];
}

function lackingIn(subject: Subject): Lacking[] {
  const { messages, locale, notations } = subject;
  const formsOf = pluralForms(locale);
  return subject.widgets.flatMap((widget) => {
    const forms = new Map<string, readonly number[]>();
    const reasons: Reason[] = [];
    for (const { message, pointer } of saidBy(subject, widget)) {
      if (!message.includes('plural') && !message.includes('selectordinal')) continue;
      // Of what nobody has translated, that is told.
      if (messages.lacks(message)) continue;
      const translation = messages.translate(message);
      const lacks = formsLackedBy(notations.message(translation, locale), formsOf);
      if (lacks.size === 0) continue;
      for (const [form, numbers] of lacks) forms.set(form, numbers);
      reasons.push({ text: `it is said as "${translation}"`, pointer });
    }
    const lacked = [...forms].map(([form, numbers]) => ({ form, numbers }));
    return lacked.length > 0 ? [{ index: widget.index, forms: lacked, reasons }] : [];
  });
}

/** Numbers that are asked for their form: languages that have one for millions alone do without it. */
const mostCounted = 200;
const plural = 6;

type PluralType = NonNullable<MessagePart['pluralType']>;
type FormsOf = (type: PluralType) => readonly string[];

/** Which form whole numbers from 0 on are said with. Languages are slow to tell: each is asked once for all messages. */
function pluralForms(locale: string): FormsOf {
  const known = new Map<PluralType, readonly string[]>();
  return (type) => {
    let forms = known.get(type);
    if (!forms) {
      const rules = new Intl.PluralRules(locale, { type });
      known.set(type, (forms = Array.from({ length: mostCounted }, (_, number) => rules.select(number))));
    }
    return forms;
  };
}

/** The forms that plurals in a message have no words for. */
function formsLackedBy(message: readonly MessagePart[], formsOf: FormsOf): ReadonlyMap<string, number[]> {
  const lacks = new Map<string, number[]>();
  const waiting = [...message];
  for (let part = waiting.pop(); part; part = waiting.pop()) {
    const options = part.options ?? {};
    for (const { value } of Object.values(options)) waiting.push(...value);
    if (part.type !== plural) continue;
    const { offset = 0, pluralType = 'cardinal' } = part;
    const forms = formsOf(pluralType);
    for (let number = offset; number < mostCounted + Math.min(0, offset); number++) {
      if (Object.hasOwn(options, `=${number}`)) continue;
      const form = forms[number - offset]!;
      if (Object.hasOwn(options, form)) continue;
      const numbers = lacks.get(form);
      if (!numbers) lacks.set(form, [number]);
      else if (numbers.length < 3 && !numbers.includes(number)) numbers.push(number);
    }
  }
  return lacks;
}
