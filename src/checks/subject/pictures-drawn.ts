import type { Widget } from '../../dress/index.ts';
import type { WidgetSource } from '../../document/index.ts';
import { picturePieces, type PicturePiece } from '../../inside/index.ts';
import { partToDraw, type Picture } from '../../picture/index.ts';
import type { Subject } from './subject.ts';

/** A picture that a player sees, and how it is drawn. */
export interface DrawnPicture {
  readonly widget: Widget;
  readonly picture: Picture;
  readonly source: WidgetSource;
  readonly pieces: readonly PicturePiece[];
}

/** Every picture a player can see. */
export function drawnPictures(subject: Subject): readonly DrawnPicture[] {
  return subject.once('pictures', () =>
    subject.form
      .once('pictures', () =>
        subject.widgets.filter(({ index, picture }) => picture && subject.paints(index)),
      )
      .flatMap((widget) => {
        const { index, picture, fit } = widget;
        if (!picture || !subject.isSeen(index)) return [];
        const source = widget.source as WidgetSource;
        const pieces = picturePieces(subject.rect(index), picture, source, fit, subject.layout.scale(index));
        return pieces.length > 0 ? [{ widget, picture, source, pieces }] : [];
      }),
  );
}

/** Device px that one pixel of the file is drawn with, where that is most. */
export function largestPixel({ picture, pieces }: DrawnPicture): number {
  return pieces.reduce((most, { from, to }) => {
    const times = Math.max(to.width / from.width, to.height / from.height);
    const part = partToDraw(picture, from, times);
    const there = part.from ?? part.picture;
    return Math.max(most, to.width / there.width, to.height / there.height);
  }, 0);
}
