import type { AskMessage, AskName, Asks, DeskMessage, PageMessage } from './messages.ts';

/** Draws an SVG in so many px. */
async function drawSvg(bytes: Uint8Array, width: number, height: number): Promise<ImageBitmap | undefined> {
  const image = new Image();
  const url = URL.createObjectURL(new Blob([bytes.slice()], { type: 'image/svg+xml' }));
  try {
    image.src = url;
    await image.decode();
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')!.drawImage(image, 0, 0, width, height);
    return canvas.transferToImageBitmap();
  } catch {
    return undefined;
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** A desk in a worker: what it is asked, it answers in order. */
export class DeskClient {
  readonly #worker: Worker;
  readonly #waiting = new Map<number, { done: (answer: never) => void; failed: (error: Error) => void }>();
  readonly #busy: (by: 1 | -1) => void;
  #next = 0;

  /** @param busy Told by how much the number of questions without an answer grows. */
  constructor(
    token: string,
    drawn: (screen: string, bitmap: ImageBitmap) => void,
    busy: (by: 1 | -1) => void,
  ) {
    this.#busy = busy;
    this.#worker = new Worker(new URL('./desk-worker.ts', import.meta.url), { type: 'module' });
    this.#worker.onmessage = ({ data }: MessageEvent<DeskMessage>) => {
      if (data.type === 'drawn') drawn(data.screen, data.bitmap);
      else if (data.type === 'decode') void this.#decode(data);
      else {
        const waiting = this.#waiting.get(data.id);
        this.#waiting.delete(data.id);
        this.#busy(-1);
        if (data.type === 'answer') waiting?.done(data.answer as never);
        else waiting?.failed(new Error(data.error));
      }
    };
    this.#post({ name: 'hello', token });
  }

  ask<Name extends AskName>(name: Name, ask: Asks[Name]['ask']): Promise<Asks[Name]['answer']> {
    const id = this.#next++;
    this.#busy(1);
    this.#post({ id, name, ask } satisfies AskMessage);
    return new Promise((done, failed) => this.#waiting.set(id, { done, failed }));
  }

  async #decode({ picture, bytes, width, height }: Extract<DeskMessage, { type: 'decode' }>): Promise<void> {
    const bitmap = await drawSvg(bytes, width, height);
    this.#post({ name: 'decoded', picture, bitmap }, bitmap ? [bitmap] : []);
  }

  #post(message: PageMessage, transfer: Transferable[] = []): void {
    this.#worker.postMessage(message, transfer);
  }
}
