// What dive.yaml has in it; written anew whenever it is packed.
import type { Pack } from 'pimbot/game';

interface Types {
  readonly views: {
    readonly "dive": "dive" | "depth" | "metres" | "rack" | "count" | "alarm" | "radio" | "call" | "gauges" | "hull" | "hull.bar" | "air" | "air.bar" | "battery" | "battery.bar" | "prompt" | "dock-here" | "sonar" | "stop" | "dock" | "deliver" | "refit" | "tune-here" | "cast-off" | "pause" | "resume" | "tune" | "tuning" | "size-line" | "hud-size" | "words-line" | "text-size" | "theme-line" | "themes" | "language-line" | "languages" | "done" | "course";
  };
  readonly values: {
    readonly "depth": number;
    readonly "course": number;
    readonly "hull": number;
    readonly "air": number;
    readonly "battery": number;
    readonly "parcels": number;
    readonly "station": string;
    readonly "away": number;
    readonly "near": boolean;
    readonly "alarm": string;
    readonly "alarmed": boolean;
    readonly "caller": string;
    readonly "call": string;
    readonly "calling": boolean;
    readonly "docked": boolean;
    readonly "tuned": boolean;
    readonly "paused": boolean;
    readonly "hud": number;
    readonly "words": number;
    readonly "theme": string;
    readonly "language": string;
    readonly "device": string;
  };
  readonly cases: "typical" | "worst" | "at-dock" | "tuning" | "adrift";
  readonly themes: "brine" | "lantern";
  readonly locales: "en" | "de";
}

declare const pack: Pack<Types>;
export default pack;
