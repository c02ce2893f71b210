import codes from './en/codes.json';
import counts from './en/counts.json';
import parts from './en/parts.json';
import shell from './en/shell.json';
import { keptLanguage, readFirst } from './load';
import { startWords } from './t';

// Modules of the interface take their texts as they are loaded: this one is loaded before all of them. English is at hand; for
// another language its texts are waited for.
const language = keptLanguage();
document.documentElement.lang = language;
startWords(language, language === 'en' ? { shell, parts, codes, counts } : await readFirst(language));
