/** Every text in something that is written, however deep; keys are none. */
export function textsIn(written: unknown): string[] {
  const found: string[] = [];
  const waiting: unknown[] = [written];
  while (waiting.length > 0) {
    const one = waiting.pop();
    if (typeof one === 'string') found.push(one);
    else if (typeof one === 'object' && one !== null) waiting.push(...(Object.values(one) as unknown[]));
  }
  return found;
}
