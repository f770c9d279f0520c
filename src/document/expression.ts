/*
 * What stands between the braces of a value: a name, or arithmetic over names as CSS Values 4 §10 has it: + - * /, brackets,
 * min(), max(), clamp(), round(). + and - stand between spaces, as names may hold hyphens.
 */

/** An expression in the order it is worked out: numbers, names, and what takes the last of them together. */
export type Step =
  | { readonly type: 'number'; readonly value: number }
  | { readonly type: 'name'; readonly name: string }
  | { readonly type: 'call'; readonly what: string; readonly count: number };

/** Longer expressions are not read. */
const mostLetters = 400;

const nameAtStart = /^[\p{L}_][\p{L}\p{N}_-]*/u;
const numberAtStart = /^(?:\d+(?:\.\d+)?|\.\d+)/;

const functions: { readonly [name: string]: { readonly least: number; readonly most: number } } = {
  min: { least: 1, most: 32 },
  max: { least: 1, most: 32 },
  clamp: { least: 3, most: 3 },
  round: { least: 1, most: 2 },
};

interface Open {
  /** `(`, a function, or an operator. */
  readonly what: string;
  readonly rank: number;
  count: number;
}

const ranks: { readonly [operator: string]: number } = { '+': 1, '-': 1, '*': 2, '/': 2, 'neg': 3 };

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
      steps.push({ type: 'call', what: top.what, count: top.what === 'neg' ? 1 : 2 });
    }
  };
  while (rest !== '') {
    if (wantsValue) {
      const number = numberAtStart.exec(rest)?.[0];
      const name = nameAtStart.exec(rest)?.[0];
      if (number !== undefined) {
        steps.push({ type: 'number', value: Number(number) });
        take(number.length);
        wantsValue = false;
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
    const sign = rest[0]!;
    if (sign === '+' || sign === '-' || sign === '*' || sign === '/') {
      const isSum = sign === '+' || sign === '-';
      if (isSum && !(afterSpace && /^.\s/.test(rest))) return undefined;
      close(ranks[sign]!);
      open.push({ what: sign, rank: ranks[sign]!, count: 2 });
      take(1);
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
 * @param valueOf The number of a name; undefined where there is none.
 * @returns undefined where a name has no number; 0 for what is no number, such as 0/0.
 */
export function evaluateExpression(
  steps: readonly Step[],
  valueOf: (name: string) => number | undefined,
): number | undefined {
  const stack: number[] = [];
  for (const step of steps) {
    if (step.type === 'number') stack.push(step.value);
    else if (step.type === 'name') {
      const value = valueOf(step.name);
      if (value === undefined) return undefined;
      stack.push(value);
    } else stack.push(called(step.what, stack.splice(stack.length - step.count)));
  }
  const [result] = stack;
  return result !== undefined && Number.isFinite(result) ? result : 0;
}

function called(what: string, values: readonly number[]): number {
  const [a, b, c] = values as [number, number, number];
  switch (what) {
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
