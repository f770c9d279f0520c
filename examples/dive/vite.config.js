import { mergeConfig } from 'vite';
import { pimbot } from '../../dist/vite/index.js';
import { page } from '../page-config.js';

export default mergeConfig(page(import.meta.url), { plugins: [pimbot()] });
