/** Where the mail goes. Metres: x to the right, y downwards. */
export const stations = [
  { name: 'Kelp Nine', x: 240, y: 520 },
  { name: 'Saint Barnacle', x: -620, y: 900 },
  { name: 'The Grotto', x: 900, y: 1300 },
];
export type Station = (typeof stations)[number];

/** Which way the boat is to go, each from −1 to 1. */
export interface Steering {
  readonly x: number;
  readonly y: number;
}

const reach = 180;
const seabed = (x: number) => 1500 + 120 * Math.sin(x / 180) + 40 * Math.sin(x / 47);

/** The boat and the sea it is in. Nothing in here knows of instruments. */
export class Game {
  x = 0;
  y = 412;
  #vx = 0;
  #vy = 0;
  hull = 1;
  air = 1;
  battery = 1;
  parcels = 7;
  /** Seconds since the boat last struck the ground. */
  sinceStruck = Infinity;

  step(seconds: number, { x, y }: Steering): void {
    const power = this.battery > 0 ? 170 : 40;
    this.#vx += (x * power - this.#vx * 0.8) * seconds;
    this.#vy += (y * power - this.#vy * 0.8) * seconds;
    this.x += this.#vx * seconds;
    this.y = Math.max(0, this.y + this.#vy * seconds);
    this.air = this.y < 5 ? 1 : Math.max(0, this.air - seconds / 240);
    this.battery = Math.max(0, this.battery - (Math.hypot(x, y) * seconds) / 150);
    this.sinceStruck += seconds;
    const ground = seabed(this.x) - 24;
    if (this.y < ground) return;
    if (this.#vy > 60) {
      this.hull = Math.max(0, this.hull - this.#vy / 500);
      this.sinceStruck = 0;
    }
    this.y = ground;
    this.#vy = -this.#vy * 0.3;
  }

  /** In degrees, 0 to the north. */
  get course(): number {
    return Math.round((Math.atan2(this.#vx, -this.#vy) * 180) / Math.PI + 360) % 360;
  }

  get nearest(): { readonly station: Station; readonly metres: number; readonly isNear: boolean } {
    const [station] = [...stations].sort((a, b) => this.#to(a) - this.#to(b));
    const metres = Math.round(this.#to(station!));
    return { station: station!, metres, isNear: metres < reach };
  }

  #to({ x, y }: Station): number {
    return Math.hypot(x - this.x, y - this.y);
  }

  /** Draws the sea around the boat. @param scale Px a metre. */
  draw(
    context: CanvasRenderingContext2D,
    width: number,
    height: number,
    scale: number,
    seconds: number,
  ): void {
    const depth = Math.min(1, this.y / 1600);
    const sea = context.createLinearGradient(0, 0, 0, height);
    sea.addColorStop(0, `rgb(${10 - 8 * depth} ${96 - 70 * depth} ${112 - 72 * depth})`);
    sea.addColorStop(1, `rgb(2 ${40 - 28 * depth} ${54 - 34 * depth})`);
    context.fillStyle = sea;
    context.fillRect(0, 0, width, height);
    const at = (x: number, y: number) =>
      [width / 2 + (x - this.x) * scale, height / 2 + (y - this.y) * scale] as const;
    context.fillStyle = 'rgb(169 221 211 / 12%)';
    for (let n = 0; n < 90; n++) {
      const drift = (n * 7919 + seconds * (6 + (n % 5))) % 1400;
      const [x, y] = at(this.x + ((n * 197 - this.x) % 1200) - 300, this.y + ((drift - this.y) % 900) - 200);
      context.fillRect(x, y, 2 + (n % 3), 2 + (n % 3));
    }
    for (const { x, y } of stations) {
      const [left, top] = at(x, y);
      const glow = context.createRadialGradient(left, top, 4, left, top, 130 * scale);
      glow.addColorStop(0, 'rgb(255 199 95 / 55%)');
      glow.addColorStop(1, 'rgb(255 199 95 / 0%)');
      context.fillStyle = glow;
      context.fillRect(left - 130 * scale, top - 130 * scale, 260 * scale, 260 * scale);
      context.fillStyle = '#123f49';
      context.fillRect(left - 44 * scale, top - 18 * scale, 88 * scale, 54 * scale);
      context.fillStyle = '#ffc75f';
      for (let lamp = -1; lamp <= 1; lamp++)
        context.fillRect(left + (lamp * 26 - 6) * scale, top - 4 * scale, 12 * scale, 10 * scale);
    }
    context.fillStyle = '#01141b';
    context.beginPath();
    context.moveTo(0, height);
    for (let left = 0; left <= width + 16; left += 16)
      context.lineTo(left, at(0, seabed(this.x + (left - width / 2) / scale))[1]);
    context.lineTo(width, height);
    context.fill();
    this.#drawBoat(context, width / 2, height / 2, scale);
  }

  #drawBoat(context: CanvasRenderingContext2D, x: number, y: number, scale: number): void {
    const way = this.#vx < -1 ? -1 : 1;
    context.save();
    context.translate(x, y);
    context.scale(way * scale, scale);
    const beam = context.createLinearGradient(30, 0, 210, 0);
    beam.addColorStop(0, 'rgb(255 240 205 / 45%)');
    beam.addColorStop(1, 'rgb(255 240 205 / 0%)');
    context.fillStyle = beam;
    context.beginPath();
    context.moveTo(30, 2);
    context.lineTo(210, -46);
    context.lineTo(210, 62);
    context.fill();
    context.fillStyle = '#ffc75f';
    context.fillRect(-10, -26, 18, 14);
    context.beginPath();
    context.ellipse(0, 0, 36, 17, 0, 0, 2 * Math.PI);
    context.fill();
    context.fillRect(-48, -12, 12, 24);
    context.fillStyle = '#04202a';
    for (const hole of [-14, 4, 20]) {
      context.beginPath();
      context.arc(hole, 0, 5, 0, 2 * Math.PI);
      context.fill();
    }
    context.restore();
  }
}
