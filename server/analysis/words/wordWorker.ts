import type { MessagePort } from 'node:worker_threads';
import { clusterKeywords } from '@opsimath/core/sift/clusters';
import { PURPOSES, type PurposeSigns, type PurposeWords, purposeReader } from '@opsimath/core/sift/purpose';
import { type VariantGroups, type VariantMaterial, groupVariants } from '@opsimath/core/sift/variantGroups';
import { type Containing, containing } from '@opsimath/core/text/containing';
import { closeVariants } from '@opsimath/core/text/closeVariants';
import { type Gram, countGrams } from '@opsimath/core/text/grams';
import { knownWords } from '@opsimath/core/text/misspellings';
import { guessLanguage } from '@opsimath/core/text/language';
import { spellingsAmong } from '@opsimath/core/text/spellingsAmong';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { openDictionaries } from '../../words/dictionaries';

interface Keyed {
  /** Keys with line ends between: one text is handed over many times faster than a list of them. */
  keys: string;
}
/** What is worked out on a thread of its own, because it takes long or needs dictionaries. */
export interface WordTasks {
  /** `first`: ten places a keyword. A cluster number each. */
  clusters: { given: Keyed & { first: Int32Array; language: string }; gives: Int32Array };
  /** `among`: all keywords of the market, which tell what words people know. */
  variants: {
    given: Keyed & Omit<VariantMaterial, 'known' | 'keys'> & { among: Keyed & { volumes: Float64Array } };
    gives: VariantGroups;
  };
  /** The first of each one's close variants; −1 for a keyword by itself. */
  'close variants': { given: Keyed & { language: string }; gives: Int32Array };
  /** Runs held by fewer than `least` keywords are left out. */
  counts: { given: Keyed & { volumes: Float64Array; least: number }; gives: Gram[] };
  /** `usual`: language of the market. Index into LANGUAGES plus 1 each, 0 where nothing tells; confidence in percent. */
  languages: {
    given: Keyed & { usual: string };
    gives: { codes: Uint8Array; confidence: Uint8Array };
  };
  containing: { given: Keyed & { volumes: Float64Array }; gives: Containing };
  /** How each phrase is spelled otherwise in the keys. */
  spellings: { given: Keyed & { phrases: string[]; language: string }; gives: string[][] };
  /** Signs as columns: 255 and −1 are unknown. Index into PURPOSES each. */
  purposes: {
    given: Keyed & {
      words: PurposeWords;
      names: readonly string[];
      paidSlots: Uint8Array;
      dearClick: Int8Array;
      itemShare: Float32Array;
    };
    gives: Uint8Array;
  };
}
/** A task and where it says how far it is, 0–1. */
export type WordTask = {
  [K in keyof WordTasks]: { what: K; given: WordTasks[K]['given']; port: MessagePort };
}[keyof WordTasks];

/** What the pool of threads calls. */
export default async function run(task: WordTask): Promise<unknown> {
  if (task.what === 'counts') {
    const { keys, volumes, least } = task.given;
    return counted(countGrams(keys, volumes, least), (done) => task.port.postMessage(done));
  }
  const keys = task.given.keys === '' ? [] : task.given.keys.split('\n');
  switch (task.what) {
    case 'clusters': {
      const { first, language } = task.given;
      return clusterKeywords(first, keys, language);
    }
    case 'variants': {
      const { isWord } = openDictionaries();
      const { among, language } = task.given;
      const known = knownWords(among.keys.split('\n'), among.volumes, (word) => isWord(word, language));
      return groupVariants({ ...task.given, keys, known });
    }
    case 'close variants':
      return closeVariants(keys, task.given.language);
    case 'languages': {
      const { usual } = task.given;
      const languagesOf = await openDictionaries().openLanguages();
      const codes = new Uint8Array(keys.length);
      const confidence = new Uint8Array(keys.length);
      keys.forEach((key, n) => {
        const guess = guessLanguage(key, languagesOf, usual);
        if (guess === null) return;
        codes[n] = LANGUAGES.indexOf(guess.language) + 1;
        confidence[n] = Math.round(100 * guess.confidence);
      });
      return { codes, confidence };
    }
    case 'containing':
      return containing(keys, task.given.volumes);
    case 'spellings': {
      const vocabulary = new Set(keys.flatMap((key) => key.split(' ')));
      const { isWord } = openDictionaries();
      const { phrases, language } = task.given;
      return phrases.map((phrase) => spellingsAmong(phrase, vocabulary, (word) => isWord(word, language)));
    }
    case 'purposes': {
      const { words, names, paidSlots, dearClick, itemShare } = task.given;
      const read = purposeReader(words, names);
      return Uint8Array.from(keys, (key, n) => {
        const signs: PurposeSigns = {
          paidSlots: paidSlots[n] === 255 ? null : paidSlots[n]!,
          dearClick: dearClick[n] === -1 ? null : dearClick[n] === 1,
          itemShare: itemShare[n]! >= 0 ? itemShare[n]! : null,
        };
        return PURPOSES.indexOf(read(key, signs).purpose);
      });
    }
  }
}

/** Runs to the end, telling how far it is. */
function counted(steps: Generator<number, Gram[]>, tell: (done: number) => void): Gram[] {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    tell(step.value);
  }
}
