import type { CaseValue, State } from '../document/index.ts';
import type { Picture } from '../picture/index.ts';
import type { Refuses } from '../skeleton/index.ts';
import type { FontBook, Messages } from '../text/index.ts';
import type { Theme } from '../theme/index.ts';
import type { Kept } from './kept.ts';

/** What a skeleton is dressed with. */
export interface Materials {
  readonly theme: Theme;
  /** The themes a part of the view may be seen in, by name. */
  readonly themes: ReadonlyMap<string, Theme>;
  readonly fonts: FontBook;
  readonly messages: Messages;
  /** A BCP 47 tag that Intl knows. */
  readonly locale: string;
  /** Whether views that do not say their direction go from right to left. */
  readonly rightToLeft: boolean;
  readonly pictures: ReadonlyMap<string, Picture>;
  readonly values: ReadonlyMap<string, CaseValue>;
  /** What a key is to be, where what is put in for a name is none of those. */
  readonly refuses: Refuses;
  /** Scales every text: the player's setting. */
  readonly textSize: number;
  /** States that widgets are in beside those the document says, by id. */
  readonly states?: ReadonlyMap<string, readonly State[]>;
  /** A state that every control is in beside its own. */
  readonly everyControl?: State;
  /** What many dresses of one document share; nothing is kept if left out. */
  readonly kept?: Kept;
}
