import { createHash } from 'node:crypto';
import { mkdirSync, existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { deserialize, serialize } from 'node:v8';
import type { Platform, Surface } from '@opsimath/contract/source/answers';
import { hashText, mix } from '../random';
import { SURFACES } from '../surfaces';
import { type Campaign, type Advert, placeAdverts } from './adverts';
import { findCandidates, type Candidates, type SearchGround } from './candidates';
import type { WorldDocument } from './document';
import { type Version, versionsOf } from './history';
import { chooseKeywords, composeSayings, type Sayings, type WorldKeyword } from './keywords';
import { writeListings } from './listings';
import { gatherOwners, PLATFORM_PATHS, type Owner } from './owners';
import { writePages } from './pages';
import { type Scenario, type ScenarioMarket, readScenario } from './scenario';
import { buildIndex, type TextIndex } from './textIndex';
import { writeVideos } from './videos';

/** One market of the world with everything that a date does not change. */
export interface MarketWorld {
  market: ScenarioMarket;
  /** Shared by the markets that search the same. */
  documents: WorldDocument[];
  keywords: WorldKeyword[];
  candidates: Candidates;
  adverts: Advert[][];
  campaigns: Campaign[];
}
export interface World {
  scenario: Scenario;
  seed: number;
  owners: Owner[];
  markets: MarketWorld[];
}
interface WorldOptions {
  scenarioFile: string;
  seed: number;
  /** Scales keywords and documents; 1 is the full world. */
  size: number;
  cacheFolder: string;
}

/** Bumped when generation changes, so that no old cache is read. */
const GENERATION = 6;

/** The world from its cache, generated and kept there the first time. */
export function openWorld(options: WorldOptions): World {
  const { scenario, text } = readScenario(options.scenarioFile);
  const name = createHash('sha256')
    .update(JSON.stringify([GENERATION, text, options.seed, options.size]))
    .digest('hex')
    .slice(0, 16);
  const file = path.join(options.cacheFolder, `world-${name}.bin`);
  if (existsSync(file)) return deserialize(readFileSync(file)) as World;
  const world = generate(scenario, options.seed, options.size);
  mkdirSync(options.cacheFolder, { recursive: true });
  writeFileSync(`${file}.${process.pid}`, serialize(world));
  renameSync(`${file}.${process.pid}`, file);
  return world;
}

function generate(scenario: Scenario, seed: number, size: number): World {
  const owners = gatherOwners(scenario, seed, size);
  const world: World = { scenario, seed, owners, markets: [] };
  const documents = new Map<string, WorldDocument[]>();
  const worded = new Map<string, Version[]>();
  const indices = new Map<string, TextIndex>();
  const said = new Map<string, Sayings>();
  for (const market of scenario.markets) {
    const sized = { ...market, keywords: Math.max(50, Math.round(market.keywords * size)) };
    const written = once(documents, documentsName(market), () => writeDocuments(world, market));
    const versions = once(worded, documentsName(market), () => versionsOf(written));
    const index = once(indices, `${documentsName(market)}:${market.language}`, () =>
      indexOf(versions, market),
    );
    const sayings = once(said, `${market.surface}:${market.language}`, () =>
      composeSayings(scenario, market),
    );
    const keywords = chooseKeywords(sayings, scenario, sized, mix(seed, hashText(market.code)));
    const texts = keywords.map((keyword) => keyword.text);
    world.markets.push({
      market: sized,
      documents: written,
      keywords,
      candidates: findCandidates(texts, versions, groundOf(world, market, index)),
      ...placeAdverts(world, market, keywords, written),
    });
  }
  return world;
}

/** What search knows of the words that documents have over time. */
export function indexOf(versions: readonly Version[], { surface, language }: ScenarioMarket): TextIndex {
  return buildIndex(
    versions.map(({ content }) => content),
    SURFACES[surface],
    language,
  );
}

/** Markets with the same name here search the same documents. */
export function documentsName(market: ScenarioMarket): string {
  return market.surface === 'marketplace' ? market.surface : `${market.surface}:${market.language}`;
}

function writeDocuments({ scenario, seed, owners }: World, market: ScenarioMarket): WorldDocument[] {
  switch (market.surface) {
    case 'web':
      return writePages(scenario, market.language, owners, seed);
    case 'video':
      return writeVideos(scenario, market.language, owners, seed);
    case 'marketplace': {
      const markets = scenario.markets.filter((entry) => entry.surface === 'marketplace');
      return writeListings(scenario, [...new Set(markets.map((entry) => entry.language))], owners, seed);
    }
  }
}

export function groundOf(
  { scenario, owners }: Pick<World, 'scenario' | 'owners'>,
  { surface, language, place }: ScenarioMarket,
  index: TextIndex,
): SearchGround {
  const { synonyms, askingWords } = scenario.languages[language]!;
  return { table: SURFACES[surface], index, language, place, owners, synonyms, askingWords };
}

/** How the targets of a market's surface are addressed; `null` on the web. */
export function platformOf(scenario: Scenario, surface: Surface): Platform | null {
  const host = scenario.surfaces[surface]?.platform;
  if (surface === 'web' || host === undefined) return null;
  const { target, parent, idStart } = PLATFORM_PATHS[surface];
  return { host, target, parent, id: `^${idStart}[a-z0-9]{8}$` };
}

function once<T>(kept: Map<string, T>, name: string, make: () => T): T {
  let found = kept.get(name);
  if (found === undefined) kept.set(name, (found = make()));
  return found;
}
