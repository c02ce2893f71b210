/** Which target held a keyword on a day, and where. */
export interface HeldOn {
  date: string;
  place: number;
  position: number;
}

/**
 * Who held a keyword from when on: days in a row with one holder are one stretch, told with its first day and the last position
 * in it. Of several on one day the best stands.
 */
export function holderCourse(held: readonly HeldOn[]): { from: string; place: number; position: number }[] {
  const best = new Map<string, HeldOn>();
  for (const one of held) {
    const known = best.get(one.date);
    if (!known || one.position < known.position) best.set(one.date, one);
  }
  const course: { from: string; place: number; position: number }[] = [];
  for (const { date, place, position } of [...best.values()].sort((a, b) => (a.date < b.date ? -1 : 1))) {
    const last = course.at(-1);
    if (last?.place === place) last.position = position;
    else course.push({ from: date, place, position });
  }
  return course;
}
