import { checkOf, stripOver, textRoom, type Subject } from '../../checks/index.ts';
import { axisOf } from '../../scene/index.ts';
import { less, negative, plus } from '../polygon.ts';
import type { Traced } from './traced.ts';

const { id, limit } = checkOf('cut-text');

export const cutText: Traced = {
  check: id,
  trace(cell, fails) {
    for (const text of cell.form.texts) {
      const { index: widget } = text;
      const rooms = new Map<Subject, ReturnType<typeof textRoom>>();
      const roomOf = (subject: Subject) => {
        let room = rooms.get(subject);
        if (!room) rooms.set(subject, (room = textRoom(subject, text)));
        return room;
      };
      for (const axis of ['x', 'y'] as const)
        fails({
          widget,
          apart: axis,
          where: [
            plus(
              cell.number((subject) => roomOf(subject).over[axis]),
              -limit,
            ),
          ],
        });
      if (roomOf(cell.middle).dropped > 0)
        fails({
          widget,
          apart: 'dropped',
          where: [
            plus(
              cell.number((subject) => text.text.lineHeight * subject.drawnScale(widget)),
              -limit,
            ),
          ],
        });
      for (const { cutter, own: ink } of cell.cutFrom(widget, (subject) => subject.textRect(widget))) {
        const over = {
          left: less(cutter.left, ink.left),
          right: less(ink.right, cutter.right),
          top: less(cutter.top, ink.top),
          bottom: less(ink.bottom, cutter.bottom),
        };
        for (const edge of ['left', 'right', 'top', 'bottom'] as const) {
          const { axis } = axisOf(edge);
          const where = [plus(over[edge], -limit)];
          // A strip may be so on some sizes alone.
          if (stripOver(text, cell.middle, axis) !== undefined)
            where.push(negative(cell.number((subject) => stripOver(text, subject, axis)!)));
          fails({ widget, apart: axis, where });
        }
      }
    }
  },
};
