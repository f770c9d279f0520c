import { directions, stepsOf } from '../../document/index.ts';
import { DocumentText } from '../../edit/index.ts';
import { factOf, keysOf, type DocumentRemedy, type Remedy } from '../remedy.ts';

/** What nobody uses, taken out. */
export const takeOut: DocumentRemedy = (document, { pointer, widget }) => [
  {
    say: `${widget}: taken out`,
    edit: () => {
      const text = new DocumentText(document);
      text.remove(pointer.slice(0, pointer.lastIndexOf('/')), stepsOf(pointer).at(-1)!);
      return text.text;
    },
  },
];

/** The neighbour that cannot take the focus, unsaid: the nearest one takes it. */
export const forgetNeighbour: Remedy = (broken) => {
  const { widget, finding } = broken;
  return directions.flatMap((key) => {
    const to = (widget.source as { [one: string]: unknown })[key];
    return to === factOf(finding, 'to') ? [keysOf(broken, widget, { [key]: undefined })] : [];
  });
};
