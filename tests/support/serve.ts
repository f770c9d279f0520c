import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { extname, join } from 'node:path';

const types: Record<string, string> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.wasm': 'application/wasm',
};

/** What a server answers in place of a file. */
export interface Answer {
  readonly type?: string;
  readonly status?: number;
  readonly body?: string;
}

/**
 * Serves the built page to this machine alone.
 * @param instead By the name of a file; looked at with each request.
 */
export function serve(folder: string, instead: ReadonlyMap<string, Answer> = new Map()): Promise<Server> {
  const server = createServer((request, response) => {
    const path = new URL(request.url ?? '/', 'http://localhost').pathname;
    const file = path === '/' ? 'index.html' : path.slice(1);
    const {
      type = types[extname(file)] ?? 'application/octet-stream',
      status,
      body,
    } = instead.get(file) ?? {};
    try {
      const found = body ?? readFileSync(join(folder, file));
      response.statusCode = status ?? 200;
      response.setHeader('content-type', type);
      response.end(found);
    } catch {
      response.statusCode = 404;
      response.end();
    }
  });
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve(server)));
}
