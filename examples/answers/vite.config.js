import { page } from '../page-config.js';

export default page(import.meta.url);
