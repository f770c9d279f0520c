import base from 'vitepress/theme-without-fonts';
import './site.css';

export default base;
