import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  newHistory,
  redo,
  splicesBetween,
  undo,
  withChange,
  withForeignChange,
  type History,
} from 'pimbot/tools';
import { rounds, seedOf } from '../support/deep.ts';

const line = fc.constantFrom('a: 1\n', 'b: 2\n', 'c: 3\n', '- x\n', '- y # why\n', '\n', 'last');
const text = fc.array(line, { maxLength: 12 }).map((lines) => lines.join(''));

function applied(before: string, after: string): string {
  return splicesBetween(before, after).reduce((now, { at, removed, inserted }) => {
    expect(now.slice(at, at + removed.length)).toBe(removed);
    return now.slice(0, at) + inserted + now.slice(at + removed.length);
  }, before);
}

const sure = (turned: ReturnType<typeof undo>): History => {
  if (!turned.history) throw new Error(`refused: ${turned.refused}`);
  return turned.history;
};

describe('a history', () => {
  test('the pieces between two texts make the one the other', () => {
    fc.assert(
      fc.property(text, text, (before, after) => expect(applied(before, after)).toBe(after)),
      { numRuns: rounds(300, 20_000), seed: seedOf(7) },
    );
  });

  test('undoing and redoing any number of changes brings back the same bytes', () => {
    fc.assert(
      fc.property(text, fc.array(text, { maxLength: 8 }), (start, texts) => {
        let history = newHistory(start);
        const past = [start];
        for (const one of texts) {
          if (one === history.text) continue;
          history = withChange(history, one, 'a change');
          past.push(one);
        }
        for (let at = past.length - 2; at >= 0; at--)
          expect((history = sure(undo(history))).text).toBe(past[at]);
        expect(undo(history).refused).toBe('nothing');
        for (const one of past.slice(1)) expect((history = sure(redo(history))).text).toBe(one);
        expect(redo(history).refused).toBe('nothing');
      }),
      { numRuns: rounds(200, 5_000), seed: seedOf(8) },
    );
  });

  const file = 'a: 1\nb: 2\nc: 3\nd: 4\n';
  const own = withChange(newHistory(file), file.replace('b: 2', 'b: 20'), 'b is 20');

  test('a change from elsewhere stays when what was done here is undone and done again', () => {
    const both = withForeignChange(own, `# new\n${own.text.replace('d: 4', 'd: 40')}`);
    const back = sure(undo(both));
    expect(back.text).toBe('# new\na: 1\nb: 2\nc: 3\nd: 40\n');
    expect(sure(redo(back)).text).toBe(both.text);
    const late = withForeignChange(sure(undo(own)), `# new\n${file}`);
    expect(sure(redo(late)).text).toBe(`# new\n${own.text}`);
  });

  test('what the other change touched too is refused, and nothing is changed', () => {
    const both = withForeignChange(own, own.text.replace('b: 20', 'b: 21'));
    expect(undo(both)).toEqual({ refused: 'changed elsewhere', said: 'b is 20' });
    const gone = withForeignChange(sure(undo(own)), file.replace('b: 2\n', ''));
    expect(redo(gone).refused).toBe('changed elsewhere');
  });

  test('with changes from elsewhere in between, undoing all leaves theirs and nothing else', () => {
    // Each of twelve lines belongs to one of the two, so that they never meet.
    const numbers = fc.array(fc.record({ line: fc.nat(11), to: fc.nat(99) }), { maxLength: 12 });
    fc.assert(
      fc.property(numbers, (changes) => {
        let lines = Array.from({ length: 12 }, (_, at) => `key${at}: 0\n`);
        let foreign = lines;
        let history = newHistory(lines.join(''));
        for (const { line: at, to } of changes) {
          const next = (of: string[]) => of.with(at, `key${at}: ${to}\n`);
          lines = next(lines);
          if (at % 3 === 0) {
            foreign = next(foreign);
            history = withForeignChange(history, lines.join(''));
          } else history = withChange(history, lines.join(''), String(at));
        }
        const whole = history.text;
        let steps = 0;
        for (let turned = undo(history); turned.history; turned = undo(history)) {
          history = turned.history;
          steps++;
        }
        expect(history.text).toBe(foreign.join(''));
        while (steps-- > 0) history = sure(redo(history));
        expect(history.text).toBe(whole);
      }),
      { numRuns: rounds(150, 5_000), seed: seedOf(9) },
    );
  });
});
