import { type UnwantedWord, unwantedIn } from '../../data/unwantedWords';
import { inWordWorker } from '../words/inWordWorker';
import type { NamedPool } from './pool';
import { poolKeys } from './poolWords';
import type { Workspace } from '../kept/workspace';

/** A word not to be used, or another spelling of it that people of a pool type. */
interface BannedPhrase {
  word: UnwantedWord;
  /** Key that a keyword must hold as a phrase. */
  phrase: string;
  /** Whether it is spelled otherwise than the project has it. */
  otherwise: boolean;
}

/** Words that the project does not want used in a pool's market, rivals' names among them, as they are written and as they are misspelled there. */
export async function bannedPhrases(workspace: Workspace, named: NamedPool): Promise<BannedPhrase[]> {
  const { pool, name, revisions } = named;
  const words = await unwantedIn(workspace.database, pool.projectId, pool.market);
  if (words.length === 0) return [];
  return workspace.keep('banned phrases', revisions, [name, words.map((word) => word.key)], async () => {
    const spellings = await inWordWorker('spellings', {
      keys: await poolKeys(workspace, pool),
      phrases: words.map((word) => word.key),
      language: pool.market.language,
    });
    return words.flatMap((word, n) => [
      { word, phrase: word.key, otherwise: false },
      ...spellings[n]!.map((phrase) => ({ word, phrase, otherwise: true })),
    ]);
  });
}
