import type { OutlineRow } from 'pimbot/tools';
import type { Bench } from './bench.ts';
import { Outlined } from './outlined.tsx';
import { ReadingLabels } from './reading-labels.tsx';

/**
 * What is laid over the drawing and stays while something is dragged: outlines, targets, readings, focus order, findings. In px of the
 * screen. It is a sheet of its own, so that it is neither made nor painted again with every move of the pointer.
 */
export function StillLayers({ bench, scale }: { readonly bench: Bench; readonly scale: number }) {
  const outline = bench.outline.value;
  const { screen: name, layers } = bench.place.value;
  if (!outline || outline.screen !== name) return null;
  const has = (layer: string) => layers.includes(layer);
  const px = (css: number) => css / scale;
  const rows = outline.rows;
  return (
    <svg class="overlay still" viewBox={`0 0 ${outline.width} ${outline.height}`} aria-hidden="true">
      {has('outlines') && rows.slice(1).map((row) => <Outlined key={row.index} row={row} class="outline" />)}
      {has('safe area') && <rect class="safe" {...outline.safe} />}
      {has('targets') &&
        rows.filter(isControl).map((row) => (
          <g key={row.index}>
            <rect class="target" {...row.rect} />
            <text class="small" x={row.rect.x} y={row.rect.y - px(3)} font-size={px(11)}>
              {Math.round(row.rect.width)} × {Math.round(row.rect.height)} px
            </text>
          </g>
        ))}
      {(has('contrast') || has('reading')) && (
        <ReadingLabels bench={bench} px={px} contrast={has('contrast')} arc={has('reading')} />
      )}
      {has('focus') && <FocusOrder bench={bench} px={px} />}
      {has('findings') && <Findings bench={bench} px={px} />}
    </svg>
  );
}

function isControl({ kind, isHidden }: OutlineRow): boolean {
  return !isHidden && ['button', 'checkbox', 'switch', 'slider', 'textbox'].includes(kind);
}

/** What was found on this screen, with the numbers of the list. */
function Findings({ bench, px }: { readonly bench: Bench; readonly px: (css: number) => number }) {
  const { rows, screen } = bench.outline.value!;
  const byId = new Map(rows.map((row) => [row.id, row]));
  const here = bench.judged.findings.value.filter(({ screens }) => screens.includes(screen));
  const taken = new Map<string, number>();
  return (
    <>
      {here.map((finding) => {
        const row = byId.get(finding.widget);
        if (!row) return null;
        const nth = taken.get(finding.widget) ?? 0;
        taken.set(finding.widget, nth + 1);
        const { x, y } = row.rect;
        const at = { x: Math.max(px(10), x + nth * px(22)), y: Math.max(px(10), y) };
        const kind = finding.outcome === 'failed' ? finding.severity : 'undecided';
        return (
          <g key={finding.key} class={`finding ${kind}`}>
            {nth === 0 && <rect class="found" {...row.rect} />}
            {kind === 'error' ? (
              <circle class="badge" cx={at.x} cy={at.y} r={px(10)} />
            ) : (
              <rect
                class="badge"
                x={at.x - px(9)}
                y={at.y - px(9)}
                width={px(18)}
                height={px(18)}
                rx={px(3)}
              />
            )}
            <text class="label middle" x={at.x} y={at.y + px(4)} font-size={px(11)}>
              {finding.number}
            </text>
          </g>
        );
      })}
    </>
  );
}

/** Controls in the order that Tab visits them, joined by lines; from the one that is selected, where a pad goes. */
function FocusOrder({ bench, px }: { readonly bench: Bench; readonly px: (css: number) => number }) {
  const { rows, focus, ways } = bench.outline.value!;
  const middle = (index: number) => {
    const { rect } = rows[index]!;
    return { x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 };
  };
  const [chosen] = bench.selected.value;
  return (
    <g>
      <polyline
        class="order"
        points={focus.map((index) => `${middle(index).x},${middle(index).y}`).join(' ')}
      />
      {ways
        .filter(({ from }) => from === chosen?.index)
        .map(({ from, to, direction }) => (
          <line
            key={direction}
            class="way"
            x1={middle(from).x}
            y1={middle(from).y}
            x2={middle(to).x}
            y2={middle(to).y}
          />
        ))}
      {focus.map((index, at) => (
        <g key={index}>
          <circle class="plate" cx={middle(index).x} cy={middle(index).y} r={px(9)} />
          <text class="label middle" x={middle(index).x} y={middle(index).y + px(4)} font-size={px(11)}>
            {at + 1}
          </text>
        </g>
      ))}
    </g>
  );
}
