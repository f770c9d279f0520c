/** A file as it was read: its text, and what tells whether it is still the same. */
export interface ReadFile {
  readonly text: string;
  readonly tag: string;
}

export const nobodyServes =
  'Nobody serves this page any more: start “pimbot open” again. Nothing here is lost.';

/** Somebody else changed a file before it was written. */
export class ChangedOnDisk extends Error {}

/** What serves the project's files. */
export class Server {
  readonly token: string;

  constructor(token: string) {
    this.token = token;
  }

  #ask(what: string, init: RequestInit = {}): Promise<Response> {
    const headers = {
      ...(init.headers as { [name: string]: string }),
      authorization: `Bearer ${this.token}`,
    };
    return fetch(`/api/${what}`, { ...init, headers }).catch(() => {
      throw new Error(nobodyServes);
    });
  }

  async files(): Promise<readonly string[]> {
    const response = await this.#ask('project');
    if (!response.ok) throw new Error(((await response.json()) as { error: string }).error);
    return ((await response.json()) as { files: string[] }).files;
  }

  async read(path: string): Promise<ReadFile> {
    const response = await this.#ask(`file?path=${encodeURIComponent(path)}`);
    if (!response.ok) throw new Error(`"${path}" cannot be read`);
    return { text: await response.text(), tag: response.headers.get('etag') ?? '' };
  }

  /** @returns the new tag. @throws ChangedOnDisk where the file is not what was read. */
  async write(path: string, text: string, tag: string | undefined): Promise<string> {
    const headers: { [name: string]: string } =
      tag === undefined ? { 'if-none-match': '*' } : { 'if-match': tag };
    const response = await this.#ask(`file?path=${encodeURIComponent(path)}`, {
      method: 'PUT',
      body: text,
      headers,
    });
    if (response.status === 412) throw new ChangedOnDisk(path);
    if (!response.ok) throw new Error(((await response.json()) as { error: string }).error);
    return response.headers.get('etag') ?? '';
  }

  /** Tells of files that change, until the page goes. */
  async follow(changed: (paths: readonly string[]) => void, lost: () => void): Promise<void> {
    for (;;) {
      try {
        const response = await this.#ask('changes');
        const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
        let waiting = '';
        for (;;) {
          const { value, done } = await reader.read();
          if (done) break;
          const lines = (waiting + value).split('\n');
          waiting = lines.pop()!;
          for (const line of lines) {
            const { changed: paths } = JSON.parse(line) as { changed: string[] };
            if (paths.length > 0) changed(paths);
          }
        }
      } catch {
        // Nobody serves any more: told, and tried again.
      }
      lost();
      await new Promise((done) => setTimeout(done, 1000));
    }
  }
}
