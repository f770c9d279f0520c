import { AlphaFilter, Container, FillGradient, Graphics, Matrix, Rectangle, Sprite, Texture } from 'pixi.js';
import type { Rect } from '../layout/index.ts';
import { CanvasCache, borderLine, drawnAlone } from '../paint/index.ts';
import type { DrawList, DrawOperation, OperationOf } from '../paint/index.ts';
import { gradientLine, hexOf, radialIn, type Corners, type Fill } from '../theme/index.ts';

export interface PixiPainterOptions {
  /** Called with a container that lies where a widget of the kind canvas does, whenever that is made anew. */
  readonly game?: (id: string, container: Container, box: Rect) => void;
}

/** What stands for an operation, and where what it is around goes. */
interface Made {
  readonly node: Container;
  readonly inside: Container | undefined;
}

/**
 * Draws lists with PixiJS 8: boxes are shapes, pictures sprites; clips, turns and groups are containers; texts, paths and shadows
 * are sprites of what our canvas painter makes of them. Nodes of operations that are the same objects as before stay, so that a
 * `LiveDrawing` costs what changes. One px of the stage is one device px.
 */
export class PixiPainter {
  /** What it draws in: to be added to a stage. */
  readonly container = new Container();
  readonly #options: PixiPainterOptions;
  readonly #cache = new CanvasCache(
    (width, height) => new OffscreenCanvas(width, height),
    () => new Path2D(),
  );
  /** Of decoded pictures, smooth and with sharp pixels. */
  readonly #textures = { linear: new Map<unknown, Texture>(), nearest: new Map<unknown, Texture>() };
  /** Sprites whose pixels are their own. */
  readonly #drawings = new WeakSet<Container>();
  #made = new Map<DrawOperation, Made>();

  constructor(options: PixiPainterOptions = {}) {
    this.#options = options;
  }

  paint({ operations }: DrawList): void {
    const before = this.#made;
    this.#made = new Map();
    this.container.removeChildren();
    const open = [this.container];
    for (const operation of operations) {
      if (operation.type === 'restore') {
        open.pop();
        continue;
      }
      // One operation may stand in a list twice: the second one is made anew.
      const known = this.#made.has(operation) ? undefined : before.get(operation);
      const made = known ?? this.#make(operation);
      before.delete(operation);
      this.#made.set(operation, made);
      open.at(-1)!.addChild(made.node);
      if (!made.inside) continue;
      made.inside.removeChildren();
      open.push(made.inside);
    }
    for (const made of before.values()) this.#free(made);
  }

  /** Takes everything off the stage, and frees what it has made. */
  destroy(): void {
    for (const made of this.#made.values()) this.#free(made);
    for (const kept of Object.values(this.#textures)) {
      for (const texture of kept.values()) texture.destroy(true);
      kept.clear();
    }
    this.#made.clear();
    this.container.destroy();
  }

  #free({ node, inside }: Made): void {
    node.removeFromParent();
    // What is drawn within it is an operation of its own; the mask of a clip is not.
    inside?.removeChildren();
    if (inside !== undefined && inside !== node)
      for (const own of node.children.slice()) own.destroy({ context: true });
    const textureSource = this.#drawings.has(node);
    node.destroy(node instanceof Sprite ? { texture: true, textureSource } : { context: true });
  }

  #make(operation: DrawOperation): Made {
    switch (operation.type) {
      case 'clip': {
        const [node, inside] = [new Container(), new Container()];
        const mask = trace(new Graphics(), operation.rect, operation.radius).fill('#fff');
        node.addChild(mask, inside);
        inside.mask = mask;
        return { node, inside };
      }
      case 'turn': {
        const node = new Container();
        node.setFromMatrix(new Matrix(...operation.matrix));
        return { node, inside: node };
      }
      case 'group': {
        const node = new Container();
        node.filters = [new AlphaFilter({ alpha: operation.opacity })];
        return { node, inside: node };
      }
      case 'game': {
        const node = new Container({ alpha: operation.opacity });
        node.position.set(operation.rect.x, operation.rect.y);
        this.#options.game?.(operation.id, node, operation.rect);
        return { node, inside: undefined };
      }
      default: {
        const isPlain = operation.type === 'box' && operation.border?.dash === undefined;
        // An SVG is sharp at any size on a canvas.
        const isPixels = operation.type === 'picture' && operation.picture.mime !== 'image/svg+xml';
        if (isPlain) return { node: boxOf(operation), inside: undefined };
        return { node: isPixels ? this.#picture(operation) : this.#drawn(operation), inside: undefined };
      }
    }
  }

  #picture({ rect, from, picture, opacity, pixelated, tint }: OperationOf<'picture'>): Container {
    if (picture.drawable === undefined) return new Container();
    const textures = this.#textures[pixelated ? 'nearest' : 'linear'];
    let whole = textures.get(picture.drawable);
    if (!whole) {
      whole = Texture.from(
        {
          resource: picture.drawable as never,
          scaleMode: pixelated ? 'nearest' : 'linear',
          autoGenerateMipmaps: !pixelated,
        },
        true,
      );
      textures.set(picture.drawable, whole);
    }
    const { source } = whole;
    // The file may have more px than the picture says: a drawing that was made sharp.
    const [across, down] = [source.width / picture.width, source.height / picture.height];
    const { x, y, width, height } = from ?? { x: 0, y: 0, width: picture.width, height: picture.height };
    const frame = new Rectangle(x * across, y * down, width * across, height * down);
    const sprite = new Sprite({ texture: new Texture({ source, frame }), x: rect.x, y: rect.y });
    sprite.setSize(rect.width, rect.height);
    sprite.alpha = opacity * (tint?.a ?? 1);
    if (tint) sprite.tint = hexOf({ ...tint, a: 1 });
    return sprite;
  }

  /** What a canvas makes of an operation, on a texture of whole px around it. */
  #drawn(operation: DrawOperation): Container {
    const make = (width: number, height: number) => {
      const canvas = new OffscreenCanvas(width, height);
      return { canvas, context: canvas.getContext('2d')! };
    };
    const drawn = drawnAlone(operation, make, this.#cache);
    if (!drawn) return new Container();
    const sprite = new Sprite(Texture.from(drawn.canvas, true));
    this.#drawings.add(sprite);
    sprite.position.set(drawn.x, drawn.y);
    return sprite;
  }
}

function boxOf({ rect, radius, fill, border, opacity }: OperationOf<'box'>): Graphics {
  const shape = new Graphics({ alpha: opacity });
  if (fill) trace(shape, rect, radius).fill(fillOf(fill, rect));
  const line = border && borderLine(rect, radius, border.width);
  if (border && line)
    trace(shape, line.rect, line.radius).stroke({ color: hexOf(border.color), width: border.width });
  return shape;
}

function fillOf(fill: Fill, { x, y, width, height }: Rect): string | FillGradient {
  if (fill.type === 'color') return hexOf(fill.color);
  const colorStops = fill.stops.map(({ at, color }) => ({ offset: at, color: hexOf(color) }));
  // PixiJS mirrors lines to the left or upwards and cuts off what is pressed: what it makes unless told is placed here.
  const made = new FillGradient({ textureSpace: 'global', colorStops, type: fill.type });
  made.buildGradient();
  if (fill.type === 'radial') {
    const { rx, ry, ...middle } = radialIn(fill, width, height);
    made.transform.scale(2 * rx, 2 * ry).translate(x + middle.x - rx, y + middle.y - ry);
  } else {
    const { x0, y0, x1, y1 } = gradientLine(fill.angle, width, height);
    const turned = made.transform.scale(1, Math.hypot(x1 - x0, y1 - y0)).rotate(Math.atan2(x0 - x1, y1 - y0));
    turned.translate(x + x0, y + y0);
  }
  return made;
}

function trace(shape: Graphics, { x, y, width, height }: Rect, radius: Corners): Graphics {
  const { topLeft, topRight, bottomRight, bottomLeft } = radius;
  const [right, bottom] = [x + width, y + height];
  const quarter = Math.PI / 2;
  return shape
    .beginPath()
    .arc(x + topLeft, y + topLeft, topLeft, -2 * quarter, -quarter)
    .arc(right - topRight, y + topRight, topRight, -quarter, 0)
    .arc(right - bottomRight, bottom - bottomRight, bottomRight, 0, quarter)
    .arc(x + bottomLeft, bottom - bottomLeft, bottomLeft, quarter, 2 * quarter)
    .closePath();
}
