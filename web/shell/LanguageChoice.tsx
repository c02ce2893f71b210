import { chooseLanguage } from '../words/load';
import { LANGUAGES, type Language, languageNow, t } from '../words/t';

/** The languages there are, the present one pressed. Another one is another start of the page, which opens where it was. */
export function LanguageChoice() {
  return (
    <span className="languages" role="group" aria-label={t('shell:LanguageChoice.language')}>
      {(Object.entries(LANGUAGES) as [Language, string][]).map(([code, name]) => (
        <button
          key={code}
          className="plain"
          lang={code}
          title={name}
          aria-label={name}
          aria-pressed={code === languageNow()}
          onClick={() => code !== languageNow() && chooseLanguage(code)}
        >
          {code.toUpperCase()}
        </button>
      ))}
    </span>
  );
}
