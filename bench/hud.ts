import { LiveDrawing, LiveView, drawLayout, openView } from 'pimbot';
import { openProject } from 'pimbot/node';

/** The dive HUD of the demo, as a game keeps it. */
export interface LiveHud {
  /** A frame in which all its numbers change, with its draw list. */
  readonly frame: (turn: number) => void;
  /** The same without a draw list. */
  readonly followed: (turn: number) => void;
  /** All of it drawn again as it is now. */
  readonly drawn: () => void;
  /** Shown in another language, with everything kept, and its draw list. */
  readonly translated: (turn: number) => void;
  /** Opened in another language, and drawn. */
  readonly opened: (turn: number) => void;
}

const screen = { width: 1920, height: 1080 };
const locales = ['en', 'de'] as const;

export async function liveHud(): Promise<LiveHud> {
  const { document, resources } = await openProject('examples/fathom-post/post.yaml');
  if (!document) throw new Error('the demo cannot be read');
  const open = (locale: string) => new LiveView(openView(document, 'dive', { resources, locale }), screen);
  const live = open(locales[0]);
  const drawing = new LiveDrawing(live);
  const numbers = [...live.values].filter((entry): entry is [string, number] => typeof entry[1] === 'number');
  // Shares stay shares.
  const changed = ([name, value]: [string, number], at: number, turn: number) =>
    [name, value <= 1 ? ((turn * 7 + at * 13) % 97) / 97 : Math.round(value) + ((turn + at) % 50)] as const;
  const turns = Array.from({ length: 4850 }, (_, turn) =>
    Object.fromEntries(numbers.map((entry, at) => changed(entry, at, turn))),
  );
  const set = (turn: number) => live.set(turns[turn % turns.length]!);
  return {
    frame: (turn) => {
      set(turn);
      drawing.update();
    },
    followed: (turn) => {
      set(turn);
      live.update();
    },
    drawn: () => void drawLayout(live.snapshot()),
    translated: (turn) => {
      live.show({ locale: locales[turn % 2]! });
      drawing.update();
    },
    opened: (turn) => void drawLayout(open(locales[turn % 2]!).snapshot()),
  };
}
