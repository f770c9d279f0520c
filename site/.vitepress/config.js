import { defineConfig } from 'vitepress';
import { sections } from '../sections.js';

export default defineConfig({
  title: 'Pimbot',
  description:
    'Lays out game HUDs and menus on any screen, and reports what ends up off-screen or unreadable.',
  lang: 'en',
  srcDir: 'pages',
  outDir: 'built',
  cacheDir: 'cache',
  // Built without a network: no address of its own, no fonts from elsewhere.
  metaChunk: false,
  lastUpdated: false,
  markdown: { theme: { light: 'github-light-high-contrast', dark: 'github-dark-high-contrast' } },
  themeConfig: {
    search: { provider: 'local' },
    outline: [2, 3],
    sidebar: sections.map(({ title, pages }) => ({
      text: title,
      items: pages.map(([file, text]) => ({ text, link: `/${file}` })),
    })),
    nav: [
      { text: 'Learn', link: '/first-view' },
      { text: 'Every key', link: '/keys' },
      { text: 'Commands', link: '/commands' },
      { text: 'Checks', link: '/checks/README' },
    ],
  },
});
