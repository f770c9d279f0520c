import { useSignal, type Signal } from '@preact/signals';
import { useEffect, useRef } from 'preact/hooks';
import type { ToldAt } from 'pimbot/tools';
import type { Bench } from './bench.ts';
import { Difference } from './difference.tsx';
import type { Told } from './messages.ts';

/** So many are listed at first, and more when asked for: a list of thousands holds the page up. */
const listedAtOnce = 200;

/** What was found in the view, by what would have to be changed. */
export function Findings({ bench }: { readonly bench: Bench }) {
  const all = bench.judged.findings.value;
  const severity = useSignal('');
  const check = useSignal('');
  const onlyHere = useSignal(false);
  const onlySelected = useSignal(false);
  const open = useSignal<string | undefined>(undefined);
  const { screen, selected } = bench.place.value;
  const shown = all.filter(
    (one) =>
      (severity.value === '' || one.severity === severity.value) &&
      (check.value === '' || one.check === check.value) &&
      (!onlyHere.value || one.screens.includes(screen)) &&
      (!onlySelected.value || selected.includes(one.widget)),
  );
  const outside = bench.judged.unsupported.value;
  const most = useSignal(listedAtOnce);
  const list = useRef<HTMLDivElement>(null);
  const [first] = selected;
  // What belongs to the widget that is selected is always listed.
  const needed = shown.findLastIndex(({ widget }) => widget === first) + 1;
  const listed = shown.slice(0, Math.max(most.value, needed));
  const causes = new Map<number, Told[]>();
  for (const one of listed) {
    const known = causes.get(one.cause);
    if (known) known.push(one);
    else causes.set(one.cause, [one]);
  }
  useEffect(() => {
    if (list.current)
      showOneOf(list.current.querySelectorAll('.finding.current'), list.current.parentElement!);
  }, [first]);
  return (
    <div class="findings" ref={list}>
      <h2 aria-live="polite">
        {bench.judged.checking.value
          ? 'Checking …'
          : all.length === 0
            ? `Nothing found on ${outside.size === 0 ? 'any screen' : 'the screens it supports'}`
            : `${all.length} found`}
      </h2>
      {outside.size > 0 && (
        <p class="quiet" title={[...outside].join(', ')}>
          The view does not support {outside.size} of the screens (– on the wall): nothing is looked at on{' '}
          {outside.size === 1 ? 'it' : 'them'}.
        </p>
      )}
      {all.length > 0 && (
        <div class="filters">
          <select
            aria-label="Severity"
            value={severity.value}
            onChange={(event) => (severity.value = event.currentTarget.value)}
          >
            <option value="">all severities</option>
            {[...new Set(all.map((one) => one.severity))].map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
          <select
            aria-label="Check"
            value={check.value}
            onChange={(event) => (check.value = event.currentTarget.value)}
          >
            <option value="">all checks</option>
            {[...new Set(all.map((one) => one.check))].map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
          <label>
            <input
              type="checkbox"
              checked={onlyHere.value}
              onChange={(event) => (onlyHere.value = event.currentTarget.checked)}
            />{' '}
            on {screen}
          </label>
          <label>
            <input
              type="checkbox"
              checked={onlySelected.value}
              onChange={(event) => (onlySelected.value = event.currentTarget.checked)}
            />{' '}
            of what is selected
          </label>
        </div>
      )}
      {[...causes].map(([cause, findings]) => (
        <ul key={cause} class="cause">
          {findings.length > 1 && findings[0]!.what !== undefined && (
            <li class="quiet">
              {findings.length} findings of one cause: {findings[0]!.what}
            </li>
          )}
          {placesOf(findings).map((those) => (
            <Place key={those[0]!.key} bench={bench} those={those} open={open} />
          ))}
        </ul>
      ))}
      {listed.length < shown.length && (
        <button type="button" class="more" onClick={() => (most.value = listed.length + listedAtOnce)}>
          Show more: {shown.length - listed.length} are not listed yet
        </button>
      )}
    </div>
  );
}

/** Findings by the place they are written at. */
function placesOf(findings: readonly Told[]): readonly (readonly Told[])[] {
  const places = new Map<number, Told[]>();
  for (const one of findings) places.set(one.place, [...(places.get(one.place) ?? []), one]);
  return [...places.values()];
}

/** What is found of one place: the first, and the others when they are asked for, or one of them is selected. */
function Place({
  bench,
  those: [first, ...others],
  open,
}: {
  readonly bench: Bench;
  readonly those: readonly Told[];
  readonly open: Signal<string | undefined>;
}) {
  const isUnfolded = useSignal(false);
  const { selected } = bench.place.value;
  const isNeeded = others.some((one) => selected.includes(one.widget) || open.value === one.key);
  const finding = (one: Told) => (
    <Finding
      key={one.key}
      bench={bench}
      told={one}
      isOpen={open.value === one.key}
      toggle={() => (open.value = open.value === one.key ? undefined : one.key)}
    />
  );
  return (
    <>
      {finding(first!)}
      {others.length > 0 && !isNeeded && (
        <li>
          <button
            type="button"
            class="fold"
            aria-expanded={isUnfolded.value}
            onClick={() => (isUnfolded.value = !isUnfolded.value)}
          >
            {others.length} more of the same line
          </button>
        </li>
      )}
      {(isUnfolded.value || isNeeded) && others.map(finding)}
    </>
  );
}

/** Scrolls to the first of some, unless one of them is in view. */
function showOneOf(some: NodeListOf<Element>, panel: Element): void {
  const { top, bottom } = panel.getBoundingClientRect();
  const isSeen = (one: Element) => {
    const rect = one.getBoundingClientRect();
    return rect.bottom > top && rect.top < bottom;
  };
  if (![...some].some(isSeen)) some[0]?.scrollIntoView({ block: 'nearest' });
}

function Finding({
  bench,
  told,
  isOpen,
  toggle,
}: {
  readonly bench: Bench;
  readonly told: Told;
  readonly isOpen: boolean;
  readonly toggle: () => void;
}) {
  const kind = told.outcome === 'failed' ? told.severity : 'undecided';
  const isCurrent = bench.place.value.selected.includes(told.widget);
  return (
    <li class={`finding ${kind}${isCurrent ? ' current' : ''}`}>
      <button
        type="button"
        class="head"
        aria-expanded={isOpen}
        onClick={() => {
          toggle();
          // What is written is on no screen.
          if (told.screens.length === 0) return;
          bench.select([told.widget]);
          if (!told.screens.includes(bench.place.value.screen)) bench.go({ screen: told.worst });
        }}
      >
        <span class={`number ${kind}`}>{told.number}</span>
        <span>
          <b>{told.widget}</b> {told.text}
          {bench.judged.fresh.value.has(told.key) && <span class="new"> new</span>}
          <span class="quiet">
            {' '}
            {told.check} · {whereTold(told)}
          </span>
        </span>
      </button>
      {isOpen && <Details bench={bench} told={told} />}
    </li>
  );
}

function whereTold({ screens, worst }: Told): string {
  if (screens.length === 0) return 'as written';
  return screens.length === 1 ? `on ${worst}` : `${screens.length} screens, worst on ${worst}`;
}

function Details({ bench, told }: { readonly bench: Bench; readonly told: Told }) {
  const suggested = bench.judged.suggested.value;
  const found = suggested?.key === told.key ? suggested.found : undefined;
  const isTried = suggested?.key === told.key;
  const reason = useSignal('');
  const reasons = useSignal<readonly ToldAt[]>([]);
  useEffect(() => {
    void bench.judged.reasonsOf(told.key).then((found) => (reasons.value = found));
    if (told.outcome === 'failed') void bench.judged.suggest(told.key);
    // With every check anew: after a change the same finding may have other reasons, and another fix.
  }, [told]);
  return (
    <div class="details">
      <ol>
        {reasons.value.map((step, at) => (
          <li key={at}>
            {step.text}{' '}
            {step.line !== undefined && (
              <button
                type="button"
                class="line"
                aria-label={`Show line ${step.line}`}
                onClick={() => bench.showLine(step.line!)}
              >
                {step.line}
              </button>
            )}
          </li>
        ))}
      </ol>
      <p>
        {told.screens.map((name) => (
          <button
            key={name}
            type="button"
            class="screen"
            aria-pressed={bench.place.value.screen === name}
            onClick={() => bench.go({ screen: name })}
          >
            {name}
          </button>
        ))}
      </p>
      {!isTried && told.outcome === 'failed' && <p class="quiet">Looking for a change that mends it …</p>}
      {isTried && !found && <p class="quiet">No single change mends it without breaking something else.</p>}
      {found && (
        <div class="fix">
          <p>
            Try: <b>{found.say}</b>
            <span class="quiet">
              {' '}
              {found.disturbs}
              {found.mendsToo > 0 ? `; mends ${found.mendsToo} more` : ''}
            </span>
          </p>
          <BeforeAfter bench={bench} text={found.text} screen={told.worst} />
          <Difference before={suggested!.of} after={found.text} />
          <button
            type="button"
            class="main"
            onClick={() => bench.replaceText(found.text, `apply ${found.say}`, suggested!.of)}
          >
            Apply this change
          </button>
        </div>
      )}
      <form
        class="accept"
        onSubmit={(event) => {
          event.preventDefault();
          const why = reason.value.trim();
          if (why !== '') void bench.accept(told.widget, told.check, why);
        }}
      >
        <input
          placeholder="It is meant so, because …"
          aria-label="The reason why it is meant so"
          value={reason.value}
          onInput={(event) => (reason.value = event.currentTarget.value)}
        />
        <button type="submit" disabled={reason.value.trim() === ''}>
          Accept
        </button>
      </form>
    </div>
  );
}

function BeforeAfter({
  bench,
  text,
  screen,
}: {
  readonly bench: Bench;
  readonly text: string;
  readonly screen: string;
}) {
  const [before, after] = [useRef<HTMLCanvasElement>(null), useRef<HTMLCanvasElement>(null)];
  useEffect(() => {
    let gone = false;
    void bench.judged.compare(text, bench.screenOf(screen), 400).then((pictures) => {
      if (gone) return;
      for (const [canvas, bitmap] of [
        [before.current!, pictures.before],
        [after.current!, pictures.after],
      ] as const) {
        canvas.width = bitmap.width;
        canvas.height = bitmap.height;
        canvas.getContext('2d')!.drawImage(bitmap, 0, 0);
        bitmap.close();
      }
    });
    return () => {
      gone = true;
    };
  }, [text, screen]);
  return (
    <div class="before-after">
      <figure>
        <canvas ref={before} />
        <figcaption>before, {screen}</figcaption>
      </figure>
      <figure>
        <canvas ref={after} />
        <figcaption>after</figcaption>
      </figure>
    </div>
  );
}
