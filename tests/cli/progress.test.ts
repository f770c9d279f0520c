import { expect, test } from '@jest/globals';
import { Progress } from '../../src/cli/progress.ts';

test('a bar says how much is done and how long it still takes, and goes away', () => {
  const told: string[] = [];
  let now = 0;
  const progress = new Progress(
    (text) => told.push(text),
    () => now,
  );
  progress.say('reading hud.yaml');
  now = 1000;
  progress.tell(1, 12_000, 'layout');
  // More often than ten times a second is not drawn.
  now = 1050;
  progress.tell(2, 12_000, 'layout');
  now = 4000;
  progress.tell(3000, 12_000, 'layout');
  now = 100_000;
  progress.tell(9000, 60_000, 'layout');
  progress.clear();
  expect(told).toEqual([
    '\rreading hud.yaml',
    `\r${'░'.repeat(24)} 0 % of 12,000 layouts`,
    `\r${'█'.repeat(6)}${'░'.repeat(18)} 25 % of 12,000 layouts, 12 s left`,
    `\r${'█'.repeat(4)}${'░'.repeat(20)} 15 % of 60,000 layouts, 9 min 27 s left`,
    `\r${' '.repeat(64)}\r`,
  ]);
});

test('where nobody looks, nothing is written', () => {
  const progress = new Progress(undefined);
  progress.say('reading');
  progress.tell(1, 2, 'layout');
  progress.clear();
});
