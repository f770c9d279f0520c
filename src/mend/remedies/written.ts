import { DocumentText } from '../../edit/index.ts';
import { keysOf, type Remedy } from '../remedy.ts';
import type { CheckedDocument } from '../../document/index.ts';
import type { Finding } from '../../verdict/index.ts';
import type { Change } from '../remedy.ts';

/** What nobody uses, taken out. */
export function takeOut(document: CheckedDocument, { pointer, widget }: Finding): readonly Change[] {
  const slash = pointer.lastIndexOf('/');
  const key = pointer
    .slice(slash + 1)
    .replace(/~1/g, '/')
    .replace(/~0/g, '~');
  return [
    {
      say: `${widget}: taken out`,
      edit: () => {
        const text = new DocumentText(document);
        text.remove(pointer.slice(0, slash), key);
        return text.text;
      },
    },
  ];
}

/** The neighbour that cannot take the focus, unsaid: the nearest one takes it. */
export const forgetNeighbour: Remedy = (broken) => {
  const { widget, finding } = broken;
  return (['nav-up', 'nav-right', 'nav-down', 'nav-left'] as const).flatMap((key) => {
    const to = (widget.source as { [one: string]: unknown })[key];
    return to === finding.detail ? [keysOf(broken, widget, { [key]: undefined })] : [];
  });
};
