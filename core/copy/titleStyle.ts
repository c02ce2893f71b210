/** How titles are written on a surface. */
export interface TitleStyle {
  /** Between phrases. */
  separator: string;
  capitals: 'first word' | 'every word' | 'as typed';
  /** Name that is said, and where; empty for none. */
  brand: string;
  brandPlace: 'last' | 'nowhere';
}
export const PLAIN_STYLE: TitleStyle = {
  separator: ', ',
  capitals: 'first word',
  brand: '',
  brandPlace: 'nowhere',
};
