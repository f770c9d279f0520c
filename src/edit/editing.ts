import type { Json } from '../document/index.ts';

/** A document whose keys can be changed: its text, or its values alone. Maps go by their JSON Pointer. */
export interface Editing {
  /** @throws EditError where there is no such map. */
  set(map: string, key: string, value: Json): void;
  /** Nothing happens where the map does not have the key. @throws EditError where there is no such map. */
  remove(map: string, key: string): void;
  /** What the map has for a key, as it is written. */
  read(map: string, key: string): Json | undefined;
  /** @throws EditError where there is no such map. */
  has(map: string, key: string): boolean;
}
