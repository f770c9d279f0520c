import { escapeXml } from '../../paint/index.ts';
import { pageStyle } from './style.ts';

/** What a page of a report is made of. */
export interface PageParts {
  /** Plain text; what is found or compared. */
  readonly title: string;
  /** HTML; every name in it is escaped already. */
  readonly body: string;
  /** CSS beside that of every page. */
  readonly style?: string;
  /** A script; without one, the page runs none. */
  readonly script?: string;
}

/** A page that stands by itself: it loads nothing, and runs nothing but its own script. */
export function page({ title, body, style = '', script }: PageParts): string {
  const scripts = script === undefined ? '' : "; script-src 'unsafe-inline'";
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'${scripts}">
<title>Pimbot: ${escapeXml(title)}</title>
<style>${pageStyle}${style}</style>
</head>
<body>
${body}
${script === undefined ? '' : `<script>${script}</script>\n`}</body>
</html>
`;
}
