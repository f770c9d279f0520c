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

/** Serves the built page to this machine alone. */
export function serve(folder: string): Promise<Server> {
  const server = createServer((request, response) => {
    const path = new URL(request.url ?? '/', 'http://localhost').pathname;
    try {
      const body = readFileSync(join(folder, path === '/' ? 'index.html' : path));
      response.setHeader(
        'content-type',
        types[extname(path === '/' ? 'index.html' : path)] ?? 'application/octet-stream',
      );
      response.end(body);
    } catch {
      response.statusCode = 404;
      response.end();
    }
  });
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve(server)));
}
