import { PassThrough } from 'node:stream';
import { serveLanguage } from 'pimbot/lsp';

/** What an editor underlines. */
export interface Diagnostic {
  readonly code: string;
  readonly message: string;
  readonly severity: number;
  readonly range: { readonly start: { readonly line: number; readonly character: number } };
}

/** An editor: frames messages as the base protocol says, and waits for answers. */
export class Editor {
  readonly #in = new PassThrough();
  readonly #out = new PassThrough();
  readonly #waiting = new Map<number, (result: unknown) => void>();
  readonly #told: { method: string; params: { uri: string; diagnostics: Diagnostic[] } }[] = [];
  #listeners: (() => void)[] = [];
  #next = 1;

  constructor() {
    void serveLanguage(this.#in, this.#out);
    let rest = Buffer.alloc(0);
    this.#out.on('data', (piece: Buffer) => {
      rest = Buffer.concat([rest, piece]);
      for (;;) {
        const head = /^Content-Length: (\d+)\r\n(?:[^\r\n]+\r\n)*\r\n/.exec(rest.toString('latin1'));
        if (!head || rest.length < head[0].length + Number(head[1])) return;
        const body = rest.subarray(head[0].length, head[0].length + Number(head[1]));
        rest = rest.subarray(head[0].length + Number(head[1]));
        const message = JSON.parse(body.toString()) as {
          id?: number;
          method?: string;
          result?: unknown;
          error?: { message: string };
        };
        if (message.method === undefined)
          this.#waiting.get(message.id!)?.(message.error?.message ?? message.result);
        else if (message.method === 'textDocument/publishDiagnostics') this.#told.push(message as never);
        for (const one of this.#listeners.splice(0)) one();
      }
    });
  }

  #send(message: object): void {
    const body = JSON.stringify({ jsonrpc: '2.0', ...message });
    this.#in.write(`Content-Length: ${Buffer.byteLength(body)}\r\n\r\n${body}`);
  }

  /** @returns the result, or what the error says. */
  ask<Result>(method: string, params: unknown): Promise<Result> {
    const id = this.#next++;
    const answer = new Promise<Result>((done) => this.#waiting.set(id, done as (result: unknown) => void));
    this.#send({ id, method, params });
    return answer;
  }

  tell(method: string, params: unknown): void {
    this.#send({ method, params });
  }

  open(uri: string, text: string): void {
    this.tell('textDocument/didOpen', { textDocument: { uri, languageId: 'yaml', version: 1, text } });
  }

  change(uri: string, version: number, text: string): void {
    this.tell('textDocument/didChange', { textDocument: { uri, version }, contentChanges: [{ text }] });
  }

  /** Forgets what was told until now. */
  forget(): void {
    this.#told.length = 0;
  }

  /** The first diagnostics of a file that are as wanted. */
  async diagnostics(uri: string, wanted: (all: Diagnostic[]) => boolean): Promise<Diagnostic[]> {
    for (;;) {
      const found = this.#told.findLast(({ params }) => params.uri === uri && wanted(params.diagnostics));
      if (found) return found.params.diagnostics;
      await new Promise<void>((done) => this.#listeners.push(done));
    }
  }
}
