/**
 * The first way from a start that leads back into itself, closed: its first node is its last again. Undefined where none does.
 * @param done What was looked at before, and now: nothing is looked at twice.
 */
export function circleFrom<Node>(
  start: Node,
  next: (node: Node) => readonly Node[],
  done: Set<Node>,
): readonly Node[] | undefined {
  const path: { readonly at: Node; readonly left: Node[] }[] = [];
  const isOnPath = new Set<Node>();
  const enter = (at: Node) => {
    path.push({ at, left: [...next(at)] });
    isOnPath.add(at);
  };
  if (!done.has(start)) enter(start);
  for (let top = path.at(-1); top; top = path.at(-1)) {
    const to = top.left.pop();
    if (to === undefined) {
      done.add(top.at);
      isOnPath.delete(top.at);
      path.pop();
    } else if (isOnPath.has(to)) {
      const circle = path.slice(path.findIndex(({ at }) => at === to)).map(({ at }) => at);
      for (const one of circle) done.add(one);
      return [...circle, to];
    } else if (!done.has(to)) enter(to);
  }
  return undefined;
}
