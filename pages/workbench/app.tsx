import { Actions } from './actions.tsx';
import type { Bench } from './bench.ts';
import { panelNames, type PanelName } from './names.ts';
import { Findings } from './findings.tsx';
import { Inspector } from './inspector.tsx';
import { Play } from './play.tsx';
import { nobodyServes } from './server.ts';
import { Sizes, SizesPanel } from './sizes.tsx';
import { Splitter } from './splitter.tsx';
import { Stage } from './stage.tsx';
import { TextPanel } from './text-panel.tsx';
import { TopBar } from './top-bar.tsx';
import { Tree } from './tree.tsx';
import { Wall } from './wall.tsx';
import { Why } from './why.tsx';

const titles: { readonly [Name in PanelName]: string } = {
  inspect: 'Keys',
  why: 'Why',
  findings: 'Found',
  sizes: 'Sizes',
  text: 'Text',
};

export function App({ bench }: { readonly bench: Bench }) {
  const panel = (bench.place.value.panel ?? 'inspect') as PanelName;
  const mode = bench.mode.value;
  const notice = bench.notices.now.value;
  const found = bench.judged.findings.value.length;
  const problems = bench.problems.value;
  const isShown = bench.summary.value !== undefined;
  const middle = isShown ? mode : undefined;
  const errors = problems.filter(({ severity }) => severity === 'error');
  return (
    <>
      <TopBar bench={bench} />
      {errors.length > 0 && (
        <details class="problems" open aria-live="assertive">
          <summary>
            {errors.length === 1 ? 'One mistake' : `${errors.length} mistakes`} in the document.{' '}
            {isShown ? 'What is shown is the last version without.' : 'Nothing can be shown yet.'}
          </summary>
          {errors.slice(0, 8).map((one) => (
            <pre key={one.text} tabIndex={0}>
              {one.text}
              {one.line !== undefined && one.start !== undefined && (
                <button type="button" onClick={() => bench.showLine(one.line!)}>
                  Show line {one.line}
                </button>
              )}
            </pre>
          ))}
        </details>
      )}
      {bench.drafts.onDisk.value && (
        <p class="bar" role="alert">
          The file was changed on disk, and there are changes here that are not saved.
          <button type="button" onClick={() => bench.takeDisk()}>
            Take the file on disk
          </button>
          <button type="button" onClick={() => bench.drafts.keepMine()}>
            Keep mine
          </button>
        </p>
      )}
      {!bench.connected.value && (
        <p class="bar" role="alert">
          {nobodyServes}
        </p>
      )}
      <main class={`mode-${mode}`}>
        {mode !== 'play' && (
          <>
            <Tree bench={bench} />
            <Splitter name="tree" least={150} most={480} usual={220} side="left" />
          </>
        )}
        <div class="middle">
          {middle === 'stage' && (
            <>
              <Actions bench={bench} />
              <Stage bench={bench} />
              <Wall bench={bench} tall={false} />
            </>
          )}
          {middle === 'wall' && <Wall bench={bench} tall />}
          {middle === 'sizes' && (
            <>
              <Sizes bench={bench} />
              <Wall bench={bench} tall={false} />
            </>
          )}
          {middle === 'play' && <Play bench={bench} />}
        </div>
        {mode !== 'play' && (
          <>
            <Splitter name="panel" least={240} most={720} usual={320} side="right" />
            <aside class="side" aria-label="Details">
              <div class="tabs" role="tablist" aria-label="Details">
                {panelNames.map((name) => (
                  <button
                    key={name}
                    type="button"
                    role="tab"
                    id={`tab-${name}`}
                    aria-selected={panel === name}
                    aria-controls="panel"
                    tabIndex={panel === name ? 0 : -1}
                    onClick={() => bench.go({ panel: name })}
                    onKeyDown={(event) => {
                      const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
                      if (step === 0) return;
                      const next =
                        panelNames[
                          (panelNames.indexOf(name) + step + panelNames.length) % panelNames.length
                        ]!;
                      bench.go({ panel: next });
                      document.getElementById(`tab-${next}`)?.focus();
                    }}
                  >
                    {titles[name]}
                    {name === 'findings' && found > 0 && <span class="count warning">{found}</span>}
                  </button>
                ))}
              </div>
              <div
                class="panel"
                role="tabpanel"
                id="panel"
                aria-labelledby={`tab-${panel}`}
                tabIndex={panel === 'text' ? -1 : 0}
              >
                {panel === 'inspect' && <Inspector bench={bench} />}
                {panel === 'why' && <Why bench={bench} />}
                {panel === 'findings' && <Findings bench={bench} />}
                {isShown && panel === 'sizes' && <SizesPanel bench={bench} />}
                {panel === 'text' && <TextPanel bench={bench} />}
              </div>
            </aside>
          </>
        )}
      </main>
      <p class={`notice ${notice?.kind ?? 'none'}`} role="status">
        {notice?.text}
      </p>
    </>
  );
}
