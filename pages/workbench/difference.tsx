import { structuredPatch } from 'diff';

/** The lines that a change takes away and adds, with two around them. */
export function Difference({ before, after }: { readonly before: string; readonly after: string }) {
  if (before === after) return <p class="quiet">No lines differ.</p>;
  const { hunks } = structuredPatch('', '', before, after, '', '', { context: 2 });
  return (
    <pre class="difference" tabIndex={0} aria-label="Lines that change">
      {hunks.map((hunk, at) => (
        <code key={at}>
          <span class="place">line {hunk.newStart}</span>
          {hunk.lines.map((line, nth) => (
            <span key={nth} class={line.startsWith('-') ? 'out' : line.startsWith('+') ? 'in' : ''}>
              {line}
            </span>
          ))}
        </code>
      ))}
    </pre>
  );
}
