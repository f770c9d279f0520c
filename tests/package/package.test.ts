import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, renameSync, symlinkSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { temporaryFolder } from '../support/cli.ts';
import { isDeep } from '../support/deep.ts';

const folder = temporaryFolder();
afterAll(() => folder.remove());
const env = { ...process.env, NODE_OPTIONS: '', npm_config_audit: 'false', npm_config_fund: 'false' };
const npm = (args: string[], cwd: string) =>
  execFileSync('npm', args, { cwd, encoding: 'utf8', env, stdio: ['ignore', 'pipe', 'ignore'] });

/** Installs the package: with npm where everything is looked at, else unpacked beside what it depends on. */
function installed(tarball: string): void {
  if (isDeep) {
    npm(['install', '--prefer-offline', '--loglevel=error', tarball], folder.path);
    return;
  }
  const modules = join(folder.path, 'node_modules');
  mkdirSync(join(modules, '.bin'), { recursive: true });
  execFileSync('tar', ['-xzf', tarball, '-C', modules]);
  renameSync(join(modules, 'package'), join(modules, 'pimbot'));
  const { dependencies } = JSON.parse(readFileSync(join(modules, 'pimbot/package.json'), 'utf8')) as {
    dependencies: Record<string, string>;
  };
  for (const name of Object.keys(dependencies)) link(name);
  symlinkSync('../pimbot/bin/pimbot.js', join(modules, '.bin/pimbot'));
  withoutCanvas();
  link('@napi-rs/canvas');
}

function link(name: string): void {
  const path = join(folder.path, 'node_modules', name);
  mkdirSync(dirname(path), { recursive: true });
  symlinkSync(resolve('node_modules', name), path);
}

/** What needs the package that draws PNG says so; all the rest works. */
function withoutCanvas(): void {
  const hud = join(folder.path, 'bare.yaml');
  writeFileSync(
    hud,
    'pimbot: 1\nviews: { dive: { children: [ { id: sonar, anchor: center, size: 280 } ] } }\n',
  );
  const ran = (...args: string[]) =>
    spawnSync(join(folder.path, 'node_modules/.bin/pimbot'), args, {
      cwd: folder.path,
      encoding: 'utf8',
      env,
    });
  expect(ran('check', 'bare.yaml', '--screen', 'desktop').status).toBe(0);
  expect(ran('prove', 'bare.yaml').status).toBe(0);
  expect(ran('draw', 'bare.yaml', '--out', 'bare.svg').status).toBe(0);
  const { status, stderr } = ran('draw', 'bare.yaml', '--out', 'bare.png');
  expect({ status, stderr }).toEqual({
    status: 2,
    stderr:
      'pimbot: PNG, pictures and HTML reports need the package @napi-rs/canvas, which is not installed: npm install @napi-rs/canvas\n',
  });
}

/** Links of the pages in the package that lead to nothing in it. */
function brokenLinks(paths: readonly string[]): string[] {
  const there = new Set(paths);
  return paths
    .filter((path) => path.endsWith('.md'))
    .flatMap((page) =>
      [
        ...readFileSync(page, 'utf8')
          .replaceAll(/```[^]*?```|`[^`\n]*`/g, '')
          .matchAll(/\]\(([^)#\s]+)[^)]*\)/g),
      ]
        .map(([, link]) => link!)
        .filter((link) => !/^[a-z]+:/.test(link) && !there.has(join(dirname(page), link)))
        .map((link) => `${page}: ${link}`),
    );
}

describe('the packed package', () => {
  test('installs into an empty project and works from TypeScript and from the command line', () => {
    const [packed] = JSON.parse(npm(['pack', '--json', '--pack-destination', folder.path], resolve('.'))) as {
      filename: string;
      files: { path: string }[];
    }[];
    const paths = packed!.files.map(({ path }) => path);
    expect(paths).toEqual(
      expect.arrayContaining([
        'LICENSE',
        'README.md',
        'bin/pimbot.js',
        'dist/index.js',
        'dist/index.d.ts',
        'schema/pimbot.schema.json',
        'assets/fonts/LICENSE-Inter.txt',
        // What the README leads to, and what a debugger shows.
        'docs/proof.md',
        'dist/index.js.map',
      ]),
    );
    expect(paths.filter((path) => /^((dist\/)?(tests|bench)|src|examples|site|out)\//.test(path))).toEqual(
      [],
    );
    expect(brokenLinks(paths)).toEqual([]);
    // Typed arrays have no parameter before TypeScript 5.7.
    const newer = paths.filter(
      (path) =>
        path.endsWith('.d.ts') && /\b\w+Array<Array(Buffer|BufferLike)>/.test(readFileSync(path, 'utf8')),
    );
    expect(newer).toEqual([]);

    writeFileSync(
      join(folder.path, 'package.json'),
      JSON.stringify({ name: 'game', private: true, type: 'module' }),
    );
    installed(join(folder.path, packed!.filename));
    writeFileSync(
      join(folder.path, 'hud.ts'),
      `import { openView, readDocument, screens, type DocumentSource } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { bundledFonts, toPng } from 'pimbot/node';
import { drawLayout } from 'pimbot';
const hud: DocumentSource = { pimbot: 1, views: { dive: { backdrop: '#000', children: [{ id: 'sonar', anchor: 'right bottom', offset: [-24, -24], size: 280 }] } } };
const { document, diagnostics } = readDocument(hud);
if (!document) throw new Error(String(diagnostics.length));
const resources = { fonts: bundledFonts() };
const on = openView(document, 'dive', { resources }).layoutOn({ width: 2560, height: 1080, safe: [0, 80, 0, 80] });
const { findings } = checkDocument(document, { resources, screens });
console.log(JSON.stringify([on.rect('sonar'), findings.length, toPng(drawLayout(on)).length > 100]));
`,
    );
    const options = {
      strict: true,
      target: 'ES2022',
      module: 'NodeNext',
      moduleResolution: 'NodeNext',
      skipLibCheck: false,
      types: ['node'],
      typeRoots: [resolve('node_modules/@types')],
      outDir: 'out',
    };
    writeFileSync(
      join(folder.path, 'tsconfig.json'),
      JSON.stringify({ compilerOptions: options, files: ['hud.ts'] }),
    );
    execFileSync(process.execPath, [resolve('node_modules/typescript/bin/tsc'), '-p', folder.path], {
      encoding: 'utf8',
      env,
    });
    // The oldest TypeScript that is promised, where everything is looked at; with nothing of Node or of the canvas package known.
    writeFileSync(
      join(folder.path, 'all.ts'),
      `import { LiveView } from 'pimbot/game';
import { mount } from 'pimbot/browser';
import { DomPainter } from 'pimbot/dom';
import { pimbotMatchers } from 'pimbot/jest';
import { openProject } from 'pimbot/node';
import { checkDocument } from 'pimbot/tools';
import { openView } from 'pimbot';
export const all = [LiveView, mount, DomPainter, pimbotMatchers, openProject, checkDocument, openView];
`,
    );
    const old = {
      ...options,
      module: 'ESNext',
      moduleResolution: 'Bundler',
      types: [],
      lib: ['ES2022', 'DOM'],
      noEmit: true,
    };
    writeFileSync(
      join(folder.path, 'tsconfig.old.json'),
      JSON.stringify({ compilerOptions: old, files: ['all.ts'] }),
    );
    const oldest = join(folder.path, 'oldest');
    if (isDeep) npm(['install', '--prefix', oldest, '--prefer-offline', 'typescript@5.0.4'], folder.path);
    const tsc = resolve(isDeep ? oldest : '.', 'node_modules/typescript/bin/tsc');
    execFileSync(process.execPath, [tsc, '-p', 'tsconfig.old.json'], {
      cwd: folder.path,
      encoding: 'utf8',
      env,
    });
    // Under every other way TypeScript finds packages.
    const ways = [
      ['Node16', 'Node16'],
      ['ESNext', 'Bundler'],
    ] as const;
    for (const [module, moduleResolution] of isDeep ? ways : []) {
      const compilerOptions = { ...options, module, moduleResolution, noEmit: true };
      writeFileSync(
        join(folder.path, 'tsconfig.other.json'),
        JSON.stringify({ compilerOptions, files: ['hud.ts'] }),
      );
      execFileSync(
        process.execPath,
        [resolve('node_modules/typescript/bin/tsc'), '-p', 'tsconfig.other.json'],
        {
          cwd: folder.path,
          encoding: 'utf8',
          env,
        },
      );
    }
    const printed = execFileSync(process.execPath, [join(folder.path, 'out', 'hud.js')], {
      cwd: folder.path,
      encoding: 'utf8',
      env,
    });
    expect(JSON.parse(printed)).toEqual([{ x: 2176, y: 776, width: 280, height: 280 }, 0, true]);

    writeFileSync(
      join(folder.path, 'hud.yaml'),
      'pimbot: 1\nviews: { dive: { backdrop: "#000", children: [ { kind: text, text: Hull, look: { font-size: 60 } } ] } }\n',
    );
    const checked = execFileSync(
      join(folder.path, 'node_modules/.bin/pimbot'),
      ['check', 'hud.yaml', '--screen', 'desktop'],
      { cwd: folder.path, encoding: 'utf8', env },
    );
    expect(checked).toContain('✓ passed');
    const manifest = JSON.parse(
      readFileSync(join(folder.path, 'node_modules/pimbot/package.json'), 'utf8'),
    ) as Record<string, unknown>;
    expect(manifest).toMatchObject({ license: 'MIT', type: 'module', engines: { node: '>=20.19.0' } });
  });

  test('its matchers run in a real Jest, and their types are known', () => {
    writeFileSync(
      join(folder.path, 'hud.test.ts'),
      `import { openView, readDocument } from 'pimbot';
import { bundledFonts } from 'pimbot/node';
import { pimbotMatchers } from 'pimbot/jest';
expect.extend(pimbotMatchers);
const look = { background: '#204050' };
const { document } = readDocument({ pimbot: 1, views: { dive: { backdrop: '#000', children: [
  { id: 'sonar', anchor: 'right bottom', offset: [-24, -24], size: 280, look },
  { id: 'parcels', anchor: 'left top', offset: [1740, 24], size: [200, 90], look },
] } } });
const dive = openView(document!, 'dive', { resources: { fonts: bundledFonts() } });
test('holds', () => {
  expect(dive).toPassOnScreens({ screens: ['desktop'], checks: ['overlap'] });
  expect(dive).toKeepWithin('sonar', 'safe');
  expect(dive).toNeverOverlap(['sonar', 'parcels'], { screens: ['desktop', { width: 1920, height: 1000 }] });
  expect(dive).toKeepPromise({ 'widget': 'sonar', 'at-least': { width: 280 } });
  expect(dive).not.toKeepWithin('parcels', 'screen');
});
test('fails: parcels', () => expect(dive).toKeepWithin('parcels', 'screen', { screens: ['desktop'] }));
test('fails: not', () => expect(dive).not.toKeepWithin('sonar', 'safe', { screens: ['desktop'] }));
test('fails: no view', () => expect(3).toPassOnScreens());
test('fails: no widget', () => expect(dive).toNeverOverlap(['sonar', 'parcel']));
test('fails: no screen', () => expect(dive).toPassOnScreens({ screens: ['dekstop'] }));
`,
    );
    const compilerOptions = {
      strict: true,
      target: 'ES2022',
      module: 'NodeNext',
      moduleResolution: 'NodeNext',
      skipLibCheck: true,
      types: ['jest'],
      typeRoots: [resolve('tests/package/types')],
      outDir: 'tested',
    };
    writeFileSync(
      join(folder.path, 'tsconfig.jest.json'),
      JSON.stringify({ compilerOptions, files: ['hud.test.ts'] }),
    );
    execFileSync(process.execPath, [resolve('node_modules/typescript/bin/tsc'), '-p', 'tsconfig.jest.json'], {
      cwd: folder.path,
      encoding: 'utf8',
      env,
    });
    const jest = [
      resolve('node_modules/jest/bin/jest.js'),
      '--rootDir',
      folder.path,
      '--json',
      '--testMatch',
      '**/tested/*.test.js',
    ];
    const { stdout } = spawnSync(
      process.execPath,
      ['--experimental-vm-modules', ...jest, '--transform', '{}'],
      {
        cwd: folder.path,
        encoding: 'utf8',
        env,
      },
    );
    const { testResults } = JSON.parse(stdout) as {
      testResults: { assertionResults: { title: string; status: string; failureMessages: string[] }[] }[];
    };
    const results = new Map(testResults[0]!.assertionResults.map((one) => [one.title, one]));
    const said = (title: string) => results.get(title)!.failureMessages.join('\n');
    expect(results.get('holds')).toMatchObject({ status: 'passed' });
    expect(said('fails: parcels')).toContain(
      'expected the view dive to have parcels stay within screen on desktop, but:\n  ✗ parcels breaks a promise: parcels sticks out',
    );
    expect(said('fails: not')).toContain(
      'expected the view dive not to have sonar stay within safe on desktop, and it does',
    );
    expect(said('fails: no view')).toContain('toPassOnScreens looks at a view');
    expect(said('fails: no widget')).toContain('there is no widget "parcel"; did you mean "parcels"?');
    expect(said('fails: no screen')).toContain('there is no screen "dekstop" in the catalogue');
  });
});
