// `npm run docs`: the documentation as a site, in site/built, and served on this machine until nobody has read for a while. `-- --build`
// only builds it.
import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { calledWith, ensureBuilt, ensurePackages, root } from './setup.mjs';

const { values } = calledWith({ options: { build: { type: 'boolean' } } });
ensurePackages();
await ensureBuilt();

const site = join(root, 'site');
const pages = join(site, 'pages');
rmSync(pages, { recursive: true, force: true });
mkdirSync(pages, { recursive: true });
cpSync(join(root, 'docs'), pages, { recursive: true });
cpSync(join(site, 'index.md'), join(pages, 'index.md'));
writeFileSync(join(pages, 'keys.md'), await keysPage());
writeFileSync(join(pages, 'commands.md'), await commandsPage());
apiPages(join(pages, 'api'));
// A page is reached by its name: what leads out of the documentation is named, not linked.
for (const file of readdirSync(pages, { recursive: true, encoding: 'utf8' }))
  if (file.endsWith('.md')) {
    const path = join(pages, file);
    const text = readFileSync(path, 'utf8');
    writeFileSync(
      path,
      text.replaceAll(
        /\[([^\]]+)\]\(\.\.\/(?:\.\.\/)?(?:README|examples|schema|src|tests|bench)[^)]*\)/g,
        '$1',
      ),
    );
  }

const { build } = await import('vitepress');
await quietly(() => build(site));
console.log('The documentation is in site/built.');
if (!values.build) {
  const { preview } = await import('vite');
  const server = await preview({
    root: site,
    configFile: false,
    appType: 'mpa',
    logLevel: 'error',
    build: { outDir: 'built' },
    preview: { host: '127.0.0.1', port: 4180 },
  });
  const minutes = 10;
  const idle = setTimeout(() => void server.close(), minutes * 60_000);
  server.httpServer.on('request', () => idle.refresh());
  console.log(
    `Read it at ${server.resolvedUrls?.local[0]} (it ends ${minutes} minutes after the last page was asked for, or with Ctrl+C).`,
  );
}

/** Keeps what a generator prints, and shows it only where it fails. @param {() => Promise<unknown>} work */
async function quietly(work) {
  const { stdout, stderr } = process;
  const write = { stdout: stdout.write, stderr: stderr.write };
  /** @type {string[]} */
  const printed = [];
  stdout.write = stderr.write = (/** @type {unknown} */ text) => printed.push(String(text)) > 0;
  try {
    await work();
  } catch (error) {
    write.stderr.call(stderr, printed.join(''));
    throw error;
  } finally {
    stdout.write = write.stdout;
    stderr.write = write.stderr;
  }
}

/** Every key of a document and a theme, from the schemas. */
async function keysPage() {
  const { documentSchema, themeSchema, widgetKeys } = await import('../dist/tools.js');
  const { $defs } = documentSchema;
  const widget = $defs.widget.else.properties;
  /** @param {string} text */
  const cell = (text) => text.replaceAll('|', '\\|').replaceAll(/[<{]/g, (sign) => `\\${sign}`);
  /** @param {any} schema */
  const may = (schema) => {
    if (schema.enum) return schema.enum.map((/** @type {unknown} */ one) => `\`${String(one)}\``).join(', ');
    if (schema.const !== undefined) return `\`${schema.const}\``;
    const named = schema.$ref === undefined ? undefined : String(schema.$ref).split('/').at(-1);
    return cell(schema.title ?? (named ? `a ${named}` : schema.type === 'boolean' ? 'true or false' : ''));
  };
  /** @param {Record<string, any>} properties @param {(key: string) => string} [more] */
  const table = (properties, more) =>
    [
      `| key | what it is | it may be |${more ? ' of |' : ''}`,
      `|---|---|---|${more ? '---|' : ''}`,
      ...Object.entries(properties).map(
        ([key, schema]) =>
          `| \`${key}\` | ${cell(schema.description ?? '')} | ${may(schema)} |${more ? ` ${more(key)} |` : ''}`,
      ),
    ].join('\n');
  const kindsOf = (/** @type {string} */ key) => {
    const { kinds } = /** @type {{ kinds?: readonly string[] }} */ (
      widgetKeys[/** @type {keyof typeof widgetKeys} */ (key)] ?? {}
    );
    return kinds ? kinds.join(', ') : 'all kinds';
  };
  return [
    '# Every key',
    'Made from the schemas that ship with the package: `pimbot/schema.json` and `pimbot/theme-schema.json`. What the keys do together is told in [the document](document.md).',
    '## A document',
    table(documentSchema.properties),
    '### `reference`',
    table(documentSchema.properties.reference.properties),
    '## A view',
    table($defs.view.properties),
    '### `expect`',
    table($defs.view.properties.expect.items.properties),
    '## A widget',
    table(widget, kindsOf),
    '## An instance of a component',
    table({ use: $defs.widget.then.properties.use, set: $defs.widget.then.properties.set }),
    '## A look',
    table($defs.look.properties),
    '## A condition',
    table($defs.screenCondition.properties),
    '## A theme file',
    table(themeSchema.properties),
    '',
  ].join('\n\n');
}

/** Every command, as its help tells it. */
async function commandsPage() {
  /** @type {{ main: (args: string[], io: object) => Promise<number> }} */
  const { main } = await import(join(root, 'dist', 'cli', 'main.js'));
  const plain = (/** @type {string} */ text) => text;
  const tones = { good: plain, bad: plain, doubtful: plain, faint: plain, strong: plain };
  const help = async (/** @type {string[]} */ ...args) => {
    let told = '';
    const tell = (/** @type {string} */ text) => void (told += text);
    const status = await main(['help', ...args], { out: tell, err: tell, tones, errTones: tones });
    if (status !== 0) throw new Error(`pimbot help ${args.join(' ')} ended with ${status}: ${told}`);
    return told.trimEnd();
  };
  const all = await help();
  const names = [...all.matchAll(/^ {2}([a-z]+) (?:\[options\]|<)/gm)].map(([, name]) => name ?? '');
  const block = (/** @type {string} */ text) => `\`\`\`text\n${text}\n\`\`\``;
  const sections = [];
  for (const name of names) sections.push([`## pimbot ${name}`, block(await help(name))]);
  return [
    '# Commands',
    'What `pimbot help` says. Exit codes: 0 clean, 1 findings, 2 unusable input, 130 interrupted.',
    block(all),
    ...sections.flat(),
    '',
  ].join('\n\n');
}

/** What each way into the package exports, from its doc comments. @param {string} out */
function apiPages(out) {
  const typedoc = join(root, 'node_modules', 'typedoc', 'bin', 'typedoc');
  const { status, stderr, stdout } = spawnSync(
    process.execPath,
    [typedoc, '--options', join(site, 'typedoc.json'), '--out', out],
    { cwd: root, encoding: 'utf8' },
  );
  if (status !== 0) throw new Error(`The reference of the API could not be made.\n${stdout}${stderr}`);
}
