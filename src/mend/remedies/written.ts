import { directions, stepsOf, type CheckedDocument } from '../../document/index.ts';
import { DocumentText } from '../../edit/index.ts';
import type { Finding } from '../../verdict/index.ts';
import { keysOf, type Change, type Remedy } from '../remedy.ts';

/** What nobody uses, taken out. */
export function takeOut(document: CheckedDocument, { pointer, widget }: Finding): readonly Change[] {
  return [
    {
      say: `${widget}: taken out`,
      edit: () => {
        const text = new DocumentText(document);
        text.remove(pointer.slice(0, pointer.lastIndexOf('/')), stepsOf(pointer).at(-1)!);
        return text.text;
      },
    },
  ];
}

/** The neighbour that cannot take the focus, unsaid: the nearest one takes it. */
export const forgetNeighbour: Remedy = (broken) => {
  const { widget, finding } = broken;
  return directions.flatMap((key) => {
    const to = (widget.source as { [one: string]: unknown })[key];
    return to === finding.detail ? [keysOf(broken, widget, { [key]: undefined })] : [];
  });
};
