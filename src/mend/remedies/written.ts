import { directions, stepsOf } from '../../document/index.ts';
import { factOf, keysOf, type DocumentRemedy, type Remedy } from '../remedy.ts';

/** What nobody uses, taken out. */
export const takeOut: DocumentRemedy = ({ pointer, widget }) => [
  {
    say: `${widget}: taken out`,
    edit: (document) => document.remove(pointer.slice(0, pointer.lastIndexOf('/')), stepsOf(pointer).at(-1)!),
  },
];

/** The neighbour that cannot take the focus, unsaid: the nearest one takes it. */
export const forgetNeighbour: Remedy = (broken) => {
  const { widget, finding } = broken;
  return directions.flatMap((key) => {
    const to = (widget.source as { [one: string]: unknown })[key];
    return to === factOf(finding, 'to') ? [keysOf(widget, { [key]: undefined })] : [];
  });
};
