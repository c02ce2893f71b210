import type { Language } from '@opsimath/contract/api/variants';

export const LANGUAGE_NAMES: Record<Language, string> = { en: 'English', de: 'German', es: 'Spanish' };
