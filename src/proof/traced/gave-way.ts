import { checkOf } from '../../checks/index.ts';
import { eachDemand, type Demand } from '../../why/index.ts';
import type { Subject } from '../../checks/index.ts';
import type { Traced } from './traced.ts';

const { id } = checkOf('gave-way');

export const gaveWay: Traced = {
  check: id,
  trace(cell, fails) {
    // The same demands in the same order on every screen of a form.
    const known = new Map<Subject, readonly Demand[]>();
    const demandsOn = (subject: Subject) => {
      let demands = known.get(subject);
      if (!demands) {
        const all: Demand[] = [];
        eachDemand(subject.tree, subject.layout, (demand) => all.push(demand));
        known.set(subject, (demands = all));
      }
      return demands;
    };
    demandsOn(cell.middle).forEach(({ widget, over }, nth) => {
      over.forEach((_, side) => {
        const number = cell.number((subject) => {
          const demand = demandsOn(subject)[nth]!;
          return demand.over[side]! * subject.layout.scale(demand.unit);
        });
        fails({ widget, where: [number] });
      });
    });
  },
};
