/** A plugin for Vite: `import hud from './hud.yaml'` is the packed document; a change of it replaces the view in the running game. */
export { pimbot } from './plugin.ts';
export type { PimbotOptions } from './plugin.ts';
