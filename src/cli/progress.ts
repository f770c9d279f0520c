import { counted } from '../report/index.ts';

/** How far long work is: a bar with the time that is left, on a terminal; silent elsewhere. */
export class Progress {
  readonly #write: ((text: string) => void) | undefined;
  readonly #now: () => number;
  #started = 0;
  #told = -Infinity;
  #width = 0;

  /** @param write Where a terminal shows it; undefined where nobody looks. */
  constructor(write: ((text: string) => void) | undefined, now: () => number = () => performance.now()) {
    this.#write = write;
    this.#now = now;
  }

  /** Says what is going on before anything can be counted. */
  say(text: string): void {
    this.#show(text);
    this.#started = this.#now();
  }

  /** Tells that some of all is done; drawn ten times a second at the most. */
  tell(done: number, all: number, what: string): void {
    const now = this.#now();
    if (now - this.#told < 100 && done < all) return;
    this.#told = now;
    const share = all === 0 ? 1 : done / all;
    const full = Math.round(share * barWidth);
    // Before that, nobody can know: the first of it is slow until the engine is warm.
    const left = share < tooEarly ? '' : `, ${timeLeft(((now - this.#started) / share) * (1 - share))} left`;
    const bar = '█'.repeat(full) + '░'.repeat(barWidth - full);
    this.#show(`${bar} ${Math.floor(share * 100)} % of ${counted(all, what)}${left}`);
  }

  /** Takes the bar away. */
  clear(): void {
    if (this.#width > 0) this.#write?.(`\r${' '.repeat(this.#width)}\r`);
    this.#width = 0;
  }

  #show(text: string): void {
    this.#write?.(`\r${text.padEnd(this.#width)}`);
    this.#width = text.length;
  }
}

const barWidth = 24;
const tooEarly = 0.08;

/** `4 s`, `1 min 20 s`. */
function timeLeft(milliseconds: number): string {
  const seconds = Math.ceil(milliseconds / 1000);
  return seconds < 60 ? `${seconds} s` : `${Math.floor(seconds / 60)} min ${seconds % 60} s`;
}
