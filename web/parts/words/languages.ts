import type { Language } from '@opsimath/contract/api/variants';
import { t } from '../../words/t';

export const LANGUAGE_NAMES: Record<Language, string> = {
  en: t('parts:languages.english'),
  de: t('parts:languages.german'),
  es: t('parts:languages.spanish'),
};
