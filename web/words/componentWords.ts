import type { Locale } from 'antd/es/locale';
import dayjs from 'dayjs';
import { type Language, languageNow } from './t';

type Read = () => Promise<Locale>;

/** What the component library and the calendar say themselves, by language; English is what they say anyway. */
const READ: Record<Exclude<Language, 'en'>, Read> = {
  de: async () => {
    const [locale] = await Promise.all([import('antd/es/locale/de_DE'), import('dayjs/locale/de')]);
    return locale.default;
  },
};

export async function componentWords(): Promise<Locale | undefined> {
  const language = languageNow();
  if (language === 'en') return undefined;
  const locale = await READ[language]();
  dayjs.locale(language);
  return locale;
}
