import type { Command } from 'commander';
import { exitClean, type Io } from '../io.ts';

export function lspCommand(program: Command, _io: Io, done: (code: number) => void): void {
  program
    .command('lsp')
    .description(
      'serve an editor: diagnostics, completion, reasons, definitions, references, renaming and tested fixes',
    )
    .option('--stdio', 'talk over standard input and output, which is what it does anyway')
    .addHelpText(
      'after',
      `
An editor starts it and talks the Language Server Protocol to it. It needs no other options.

Example, for an editor that is told the command:
  npx pimbot lsp --stdio`,
    )
    .action(async () => {
      // Loading it takes longer than most commands do.
      const { serveLanguage } = await import('../language-server.ts');
      await serveLanguage(process.stdin, process.stdout);
      done(exitClean);
    });
}
