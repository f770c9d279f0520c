import { accuracy } from './run.ts';

/* `npm run accuracy`: hits, misses and false alarms of every check; `--json` prints one object. */

const found = await accuracy();
if (process.argv.includes('--json')) {
  process.stdout.write(`${JSON.stringify(found, null, 2)}\n`);
} else {
  const row = (cells: readonly string[]) => `| ${cells.join(' | ')} |\n`;
  const widest = Math.max(...found.scores.map(({ check }) => check.length)) + 2;
  process.stdout.write(row(['check'.padEnd(widest), 'hits', 'misses', 'false alarms']));
  process.stdout.write(row(['-'.repeat(widest), '---:', '---:', '---:']));
  for (const { check, hits, misses, falseAlarms } of found.scores)
    process.stdout.write(row([`\`${check}\``.padEnd(widest), ...[hits, misses, falseAlarms].map(String)]));
  for (const sentence of found.wrong) process.stderr.write(`${sentence}\n`);
}
process.exitCode = found.wrong.length > 0 ? 1 : 0;
