import { Hits, drawLayout, toSvg, type LiveView } from 'pimbot';

/** Everything there is to know of a view. */
export function told(live: LiveView): unknown {
  const at = { x: 0, y: 0, width: 0, height: 0 };
  const { screen } = live.now.on;
  const hits = new Hits(live);
  const parts = [0.02, 0.2, 0.4, 0.6, 0.8, 0.98];
  return {
    order: live.order,
    screen,
    hits: parts.flatMap((x) => parts.map((y) => hits.at(x * screen.width, y * screen.height))),
    widgets: live.widgets.map((widget) => ({
      id: widget.id,
      parent: widget.parent,
      index: widget.index,
      visible: widget.visible,
      states: widget.states,
      look: widget.look,
      text: widget.text?.text,
      value: widget.value,
      placeholder: widget.isPlaceholder,
      box: { ...live.read(widget.index, { ...at }) },
    })),
    svg: toSvg(drawLayout(live.snapshot())),
  };
}
