import { departures } from './houseStyle';
import type { TitleStyle } from './titleStyle';

const style = (over: Partial<TitleStyle>): TitleStyle => ({
  separator: ' | ',
  capitals: 'first word',
  brand: 'Tarnwick',
  brandPlace: 'last',
  ...over,
});

test.each([
  ['Rear pannier | Tarnwick', {}, []],
  ['', {}, []],
  ['REAR PANNIER | TARNWICK', {}, ['it is all in capitals']],
  ['rear pannier | Tarnwick', {}, ['it begins small']],
  ['Rear pannier – Tarnwick', {}, ['“–” stands between phrases, not “|”']],
  ['Tarnwick | Rear pannier', {}, ['“Tarnwick” is not last']],
  ['Rear pannier', { brandPlace: 'nowhere' as const }, []],
  ['Rear pannier | Tarnwick', { capitals: 'every word' as const }, ['“pannier” begins small']],
  ['Rear Bag for a Bike | Tarnwick', { capitals: 'every word' as const }, []],
  ['rear pannier', { capitals: 'as typed' as const, brandPlace: 'nowhere' as const }, []],
  ['雨 | Tarnwick', {}, []],
])('“%s”', (title, over, found) => expect(departures(title, style(over))).toEqual(found));
