/*
 * What stands between the braces of a value: a name; arithmetic over names as CSS Values 4 §10 has it: + - * /, brackets,
 * min(), max(), clamp(), round(); comparisons and not, and, or as Media Queries 4 §2.4 and §3 have them: < <= = >= >; one of two by
 * a condition, as spreadsheets have it: if(docked, 'left top', side). + and - stand between spaces, as names may hold hyphens.
 */
import { valueName } from './value-names.ts';

/** What a name stands for in an expression: of a list, how many entries it has; of a map, how many parts. */
export type Operand = number | boolean | string;

/** What an expression comes to, and the name that stands for it, where it is what a name stands for. */
export interface Outcome {
  readonly value: Operand;
  readonly name?: string;
}

/** An expression in the order it is worked out: numbers, texts, names, and what takes the last of them together. */
export type Step =
  | { readonly type: 'literal'; readonly value: number | string }
  | { readonly type: 'name'; readonly name: string }
  | { readonly type: 'call'; readonly what: string; readonly count: number };

/** Longer expressions are not read. */
const mostLetters = 400;

const nameAtStart = new RegExp(`^${valueName}`, 'u');
const numberAtStart = /^(?:\d+(?:\.\d+)?|\.\d+)/;
const textAtStart = /^'([^']*)'/;
/** Before a value, and not the name of one. */
const notAtStart = /^not(?:\s+(?=[\p{L}\p{N}_'.-])|\s*(?=\())/u;
const operatorAtStart = /^(?:<=|>=|[-+*/<>=]|(?:and|or)(?=[\s(]))/;

const functions: { readonly [name: string]: { readonly least: number; readonly most: number } } = {
  min: { least: 1, most: 32 },
  max: { least: 1, most: 32 },
  clamp: { least: 3, most: 3 },
  round: { least: 1, most: 2 },
  if: { least: 3, most: 3 },
};

interface Open {
  /** `(`, a function, or an operator. */
  readonly what: string;
  readonly rank: number;
  count: number;
}

const comparing = 4;
const ranks: { readonly [operator: string]: number } = {
  'or': 1,
  'and': 2,
  'not': 3,
  '<': comparing,
  '<=': comparing,
  '=': comparing,
  '>=': comparing,
  '>': comparing,
  '+': 5,
  '-': 5,
  '*': 6,
  '/': 6,
  'neg': 7,
};

/** Reads an expression (Dijkstra's shunting-yard); undefined for what is none. */
export function readExpression(text: string): readonly Step[] | undefined {
  if (text.length > mostLetters) return undefined;
  const steps: Step[] = [];
  const open: Open[] = [];
  let rest = text.trim();
  let wantsValue = true;
  let afterSpace = false;
  const take = (letters: number) => {
    const before = rest.length;
    rest = rest.slice(letters);
    const trimmed = rest.trimStart();
    afterSpace = trimmed.length < before - letters;
    rest = trimmed;
  };
  const close = (rank: number) => {
    for (let top = open.at(-1); top && top.rank >= rank && top.rank > 0; top = open.at(-1)) {
      open.pop();
      steps.push({ type: 'call', what: top.what, count: top.count });
    }
  };
  while (rest !== '') {
    if (wantsValue) {
      const number = numberAtStart.exec(rest)?.[0];
      const said = textAtStart.exec(rest);
      const not = notAtStart.exec(rest)?.[0];
      const name = nameAtStart.exec(rest)?.[0];
      if (number !== undefined) {
        steps.push({ type: 'literal', value: Number(number) });
        take(number.length);
        wantsValue = false;
      } else if (said) {
        steps.push({ type: 'literal', value: said[1]! });
        take(said[0].length);
        wantsValue = false;
      } else if (not !== undefined) {
        open.push({ what: 'not', rank: ranks['not']!, count: 1 });
        take(not.length);
      } else if (name !== undefined) {
        const isCall = rest[name.length] === '(';
        if (isCall && !Object.hasOwn(functions, name)) return undefined;
        if (isCall) open.push({ what: name, rank: 0, count: 1 });
        else steps.push({ type: 'name', name });
        take(name.length + (isCall ? 1 : 0));
        wantsValue = isCall;
      } else if (rest.startsWith('(')) {
        open.push({ what: '(', rank: 0, count: 1 });
        take(1);
      } else if (rest.startsWith('-')) {
        open.push({ what: 'neg', rank: ranks.neg!, count: 1 });
        take(1);
      } else return undefined;
      continue;
    }
    const sign = operatorAtStart.exec(rest)?.[0] ?? rest[0]!;
    const rank = ranks[sign];
    if (rank !== undefined) {
      const isSum = sign === '+' || sign === '-';
      if (isSum && !(afterSpace && /^.\s/.test(rest))) return undefined;
      close(rank === comparing ? comparing + 1 : rank);
      // 1 < x < 5 would compare the answer of the first: it is said with and.
      if (rank === comparing && open.at(-1)?.rank === comparing) return undefined;
      open.push({ what: sign, rank, count: 2 });
      take(sign.length);
      wantsValue = true;
    } else if (sign === ',' || sign === ')') {
      close(1);
      const top = open.at(-1);
      if (!top) return undefined;
      if (sign === ',') {
        if (top.what === '(') return undefined;
        top.count++;
        wantsValue = true;
      } else {
        open.pop();
        if (top.what !== '(') {
          const { least, most } = functions[top.what]!;
          if (top.count < least || top.count > most) return undefined;
          steps.push({ type: 'call', what: top.what, count: top.count });
        }
      }
      take(1);
    } else return undefined;
  }
  if (wantsValue) return undefined;
  close(1);
  return open.length === 0 ? steps : undefined;
}

/** The names an expression asks for. */
export function namesOfExpression(steps: readonly Step[]): readonly string[] {
  return [...new Set(steps.flatMap((step) => (step.type === 'name' ? [step.name] : [])))];
}

/**
 * What an expression comes to.
 * @param valueOf What a name stands for; undefined where that is nothing.
 * @returns undefined where a name stands for nothing, or arithmetic is done with a text; 0 for what is no number, such as 0/0.
 */
export function evaluateExpression(
  steps: readonly Step[],
  valueOf: (name: string) => Operand | undefined,
): Outcome | undefined {
  // What cannot be worked out does no harm where it is not asked for: if(depth = 'none', 0, depth / 2).
  const stack: (Outcome | undefined)[] = [];
  for (const step of steps) {
    if (step.type === 'literal') stack.push(step);
    else if (step.type === 'name') {
      const value = valueOf(step.name);
      if (value === undefined) return undefined;
      stack.push({ value, name: step.name });
    } else {
      const [first, ...others] = stack.splice(stack.length - step.count);
      if (step.what === 'if') stack.push(first && others[isTrue(first.value) ? 0 : 1]);
      else {
        const values = [first, ...others].map((one) => one?.value);
        const value = values.includes(undefined) ? undefined : called(step.what, values as Operand[]);
        stack.push(value === undefined ? undefined : { value });
      }
    }
  }
  const [result] = stack;
  return typeof result?.value === 'number' && !Number.isFinite(result.value) ? { value: 0 } : result;
}

/** What a choice with if() may come to, one step for each; of anything else its last step. */
export function endsOf(steps: readonly Step[]): readonly Step[] {
  const stack: (readonly Step[])[] = [];
  for (const step of steps) {
    const parts = step.type === 'call' ? stack.splice(stack.length - step.count) : [];
    stack.push(step.type === 'call' && step.what === 'if' ? parts.slice(1).flat() : [step]);
  }
  return stack[0] ?? [];
}

/** What is there is true: all but 0, an empty text and an empty list. */
function isTrue(value: Operand): boolean {
  return Boolean(value);
}

/** True counts 1, false 0, a text as the number it is written as. */
function numberOf(value: Operand): number | undefined {
  const number = value === '' ? NaN : Number(value);
  return typeof value === 'string' && Number.isNaN(number) ? undefined : number;
}

function called(what: string, values: readonly Operand[]): Operand | undefined {
  const [one, other] = values as [Operand, Operand];
  switch (what) {
    case 'not':
      return !isTrue(one);
    case 'and':
      return isTrue(one) && isTrue(other);
    case 'or':
      return isTrue(one) || isTrue(other);
    case '=':
      if (typeof one === 'string' && typeof other === 'string') return one === other;
  }
  const numbers = values.map(numberOf);
  if (numbers.includes(undefined)) return what === '=' ? false : undefined;
  return counted(what, numbers as number[]);
}

function counted(what: string, values: readonly number[]): Operand {
  const [a, b, c] = values as [number, number, number];
  switch (what) {
    case '<':
      return a < b;
    case '<=':
      return a <= b;
    case '=':
      return a === b;
    case '>=':
      return a >= b;
    case '>':
      return a > b;
    case '+':
      return a + b;
    case '-':
      return a - b;
    case '*':
      return a * b;
    case '/':
      return a / b;
    case 'neg':
      return -a;
    case 'min':
      return Math.min(...values);
    case 'max':
      return Math.max(...values);
    case 'clamp':
      // CSS Values 4 §10.3: the minimum wins over the maximum.
      return Math.max(a, Math.min(b, c));
    default: {
      const step = values.length > 1 ? b : 1;
      return step === 0 ? NaN : Math.round(a / step) * step;
    }
  }
}
