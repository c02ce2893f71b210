import type { Locale } from 'antd/es/locale';
import dayjs from 'dayjs';
import { languageNow } from './t';

/** What the component library and the calendar say themselves; English is what they say anyway. */
export async function componentWords(): Promise<Locale | undefined> {
  if (languageNow() === 'en') return undefined;
  const [locale] = await Promise.all([import('antd/es/locale/de_DE'), import('dayjs/locale/de')]);
  dayjs.locale('de');
  return locale.default;
}
