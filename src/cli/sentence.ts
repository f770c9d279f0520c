import { MissingPackage } from '../node/missing-package.ts';
import { systemMessage } from '../node/files.ts';
import { BuildError } from '../skeleton/index.ts';
import { NoSuchName } from '../view/index.ts';
import { printable } from '../report/index.ts';
import { UsageError, type Io } from './io.ts';

/** Tells what went wrong, in one line. @param file Of several files, the one with which it did. */
export function tellError(error: unknown, io: Io, file?: string): void {
  // As other mistakes of a document are told, so that editors find the line.
  if (error instanceof BuildError) io.err(`${error.place ?? error.pointer}: error: ${error.message}\n`);
  else {
    const where = file === undefined ? '' : `${printable(file)}: `;
    io.err(`${io.errTones.bad('pimbot')}: ${where}${sentenceOf(error)}\n`);
  }
}

/** What is told of an error, in one sentence. */
export function sentenceOf(error: unknown): string {
  if (isOfInput(error) || error instanceof MissingPackage) return error.message;
  const { path, code, syscall } = error as NodeJS.ErrnoException;
  if (code !== undefined && path !== undefined)
    return `"${path}" cannot be ${syscall === 'write' ? 'written' : 'used'}: ${systemMessage(error)}`;
  return `an error of Pimbot itself, please report it: ${systemMessage(error)}`;
}

/** Whether it is about what was given to a command, and not about the machine or Pimbot. */
export function isOfInput(error: unknown): error is Error {
  return (
    error instanceof UsageError ||
    error instanceof NoSuchName ||
    error instanceof RangeError ||
    error instanceof BuildError
  );
}
