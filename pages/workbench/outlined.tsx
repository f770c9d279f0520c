import type { OutlineRow } from 'pimbot/tools';

/** The box of a widget, as a line around it. */
export function Outlined({ row, class: name }: { readonly row: OutlineRow; readonly class: string }) {
  return (
    <rect class={name} transform={row.turn ? `matrix(${row.turn.join(' ')})` : undefined} {...row.rect} />
  );
}
