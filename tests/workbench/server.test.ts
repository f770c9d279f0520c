import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { request, type OutgoingHttpHeaders } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { startWorkbench, type Workbench } from 'pimbot/node';

const hud = 'pimbot: 1\nviews:\n  dive: { children: [ { id: a, size: 40 } ] }\n';

describe('what serves the workbench', () => {
  let folder: string;
  let workbench: Workbench;
  let port: string;
  let token: string;

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'pimbot-'));
    mkdirSync(join(folder, 'game'));
    mkdirSync(join(folder, 'page'));
    writeFileSync(join(folder, 'page', 'index.html'), '<!doctype html><title>page</title>');
    writeFileSync(join(folder, 'secret.yaml'), 'no');
    writeFileSync(join(folder, 'game', 'package.json'), '{}');
    writeFileSync(join(folder, 'game', 'hud.yaml'), hud);
    writeFileSync(join(folder, 'game', 'notes.txt'), 'mine');
    symlinkSync(join(folder, 'secret.yaml'), join(folder, 'game', 'link.yaml'));
    symlinkSync(folder, join(folder, 'game', 'up'));
    workbench = await startWorkbench({
      files: [join(folder, 'game', 'hud.yaml')],
      page: join(folder, 'page'),
    });
    const url = new URL(workbench.url);
    port = url.port;
    token = url.searchParams.get('token')!;
  });
  afterAll(async () => {
    await workbench.close();
    rmSync(folder, { recursive: true });
  });

  /** Asks as any program can: with any headers. */
  function ask(
    path: string,
    { method = 'GET', body, ...headers }: { method?: string; body?: string } & OutgoingHttpHeaders = {},
  ) {
    return new Promise<{ status: number; text: string; etag: string | undefined }>((done, failed) => {
      const all = { host: `127.0.0.1:${port}`, ...headers };
      const sent = request({ host: '127.0.0.1', port, path, method, headers: all }, (response) => {
        let text = '';
        response.on('data', (piece: Buffer) => (text += piece.toString()));
        response.on('end', () => done({ status: response.statusCode!, text, etag: response.headers.etag }));
      });
      sent.on('error', failed);
      sent.end(body);
    });
  }
  const mine = () => ({ authorization: `Bearer ${token}` });
  const file = (path: string) => `/api/file?path=${encodeURIComponent(path)}`;

  test('lets the page in with the token, and nobody without', async () => {
    expect((await ask(`/?token=${token}`)).status).toBe(200);
    expect((await ask('/')).text).toContain('pimbot open');
    expect((await ask('/?token=guess')).status).toBe(403);
    expect((await ask(file('hud.yaml'))).status).toBe(403);
    expect((await ask(file('hud.yaml'), { authorization: `Bearer ${token}x` })).status).toBe(403);
    expect((await ask(file('hud.yaml'), mine())).text).toBe(hud);
    expect((await ask('/api/project', mine())).text).toBe('{"files":["hud.yaml"]}');
  });

  test('another page in the same browser can neither read nor write', async () => {
    const origins = [
      'http://evil.example',
      'null',
      `http://127.0.0.1:${Number(port) + 1}`,
      `https://127.0.0.1:${port}`,
    ];
    for (const origin of origins) {
      expect((await ask(file('hud.yaml'), { ...mine(), origin })).status).toBe(403);
      const body = 'gone';
      expect((await ask(file('hud.yaml'), { ...mine(), origin, method: 'PUT', body })).status).toBe(403);
    }
    // A name that leads here is none of its names: what rebinds one is refused.
    expect((await ask(file('hud.yaml'), { ...mine(), host: 'evil.example' })).status).toBe(403);
    expect((await ask(`/?token=${token}`, { host: `evil.example:${port}` })).status).toBe(403);
    expect((await ask(file('hud.yaml'), { ...mine(), 'sec-fetch-site': 'cross-site' })).status).toBe(403);
    expect((await ask(file('hud.yaml'), { ...mine(), origin: `http://127.0.0.1:${port}` })).status).toBe(200);
    expect(readFileSync(join(folder, 'game', 'hud.yaml'), 'utf8')).toBe(hud);
  });

  test.each([
    '../secret.yaml',
    'link.yaml',
    'up/secret.yaml',
    '/etc/passwd',
    'a/../../secret.yaml',
    'hud.yaml\0.txt',
    '',
  ])('serves and writes nothing outside the project: %j', async (path) => {
    expect([403, 404, 500]).toContain((await ask(file(path), mine())).status);
    const put = await ask(file(path), { ...mine(), 'method': 'PUT', 'body': 'gone', 'if-none-match': '*' });
    expect(put.status).toBeGreaterThanOrEqual(400);
    expect(readFileSync(join(folder, 'secret.yaml'), 'utf8')).toBe('no');
  });

  test.each(['/../secret.yaml', '/%2e%2e/secret.yaml', '/..%2fsecret.yaml', '/index.html/../../secret.yaml'])(
    'the page has no files of others: %s',
    async (path) => {
      const { status, text } = await ask(path);
      expect(status).toBeGreaterThanOrEqual(400);
      expect(text).not.toContain('no\n');
    },
  );

  test('writes a document whole, where it is still what was read', async () => {
    const { etag } = await ask(file('hud.yaml'), mine());
    const put = (body: string, tag: OutgoingHttpHeaders) =>
      ask(file('hud.yaml'), { ...mine(), method: 'PUT', body, ...tag });
    expect((await put(`# mine\n${hud}`, { 'if-match': etag })).status).toBe(200);
    expect(readFileSync(join(folder, 'game', 'hud.yaml'), 'utf8')).toBe(`# mine\n${hud}`);
    expect((await put('late', { 'if-match': etag })).status).toBe(412);
    expect((await put('blind', {})).status).toBe(412);
    expect((await put('new', { 'if-none-match': '*' })).status).toBe(412);
    expect(readFileSync(join(folder, 'game', 'hud.yaml'), 'utf8')).toBe(`# mine\n${hud}`);
    const fresh = await ask(file('menus/new.yaml'), {
      ...mine(),
      'method': 'PUT',
      'body': hud,
      'if-none-match': '*',
    });
    expect(fresh.status).toBe(200);
    expect(existsSync(join(folder, 'game', 'menus', 'new.yaml'))).toBe(true);
  });

  test('writes documents alone', async () => {
    const put = await ask(file('notes.txt'), { ...mine(), method: 'PUT', body: 'gone' });
    expect(put).toMatchObject({ status: 403, text: '{"error":"only documents are written"}' });
    expect(readFileSync(join(folder, 'game', 'notes.txt'), 'utf8')).toBe('mine');
  });

  test('ends by itself once nobody looks', async () => {
    const short = await startWorkbench({
      files: [join(folder, 'game', 'hud.yaml')],
      page: join(folder, 'page'),
      idle: 20,
    });
    await short.ended;
    await expect(fetch(short.url)).rejects.toThrow();
  });

  test('a document that is not there is told', async () => {
    const gone = startWorkbench({ files: [join(folder, 'none.yaml')], page: join(folder, 'page') });
    await expect(gone).rejects.toMatchObject({ name: 'FileProblem', problem: 'missing' });
  });
});
