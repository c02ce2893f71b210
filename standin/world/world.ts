import { createHash } from 'node:crypto';
import { mkdirSync, existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { deserialize, serialize } from 'node:v8';
import { SURFACES } from '../surfaces';
import { placeAdverts, type Advert } from './adverts';
import { findCandidates, type Candidates } from './candidates';
import { writePages, type WorldDocument } from './documents';
import { composeKeywords, type WorldKeyword } from './keywords';
import { gatherOwners, type Owner } from './owners';
import { type Scenario, type ScenarioMarket, readScenario } from './scenario';

/** One market of the world with everything that a date does not change. */
export interface MarketWorld {
  market: ScenarioMarket;
  documents: WorldDocument[];
  keywords: WorldKeyword[];
  candidates: Candidates;
  adverts: Advert[][];
}
export interface World {
  scenario: Scenario;
  seed: number;
  owners: Owner[];
  markets: MarketWorld[];
}
export interface WorldOptions {
  scenarioFile: string;
  seed: number;
  /** Scales keywords and pages; 1 is the full world. */
  size: number;
  cacheFolder: string;
}

/** Bumped when generation changes, so that no old cache is read. */
const GENERATION = 3;

/** The world from its cache, generated and kept there the first time. */
export function openWorld(options: WorldOptions): World {
  const text = readFileSync(options.scenarioFile, 'utf8');
  const name = createHash('sha256')
    .update(JSON.stringify([GENERATION, text, options.seed, options.size]))
    .digest('hex')
    .slice(0, 16);
  const file = path.join(options.cacheFolder, `world-${name}.bin`);
  if (existsSync(file)) return deserialize(readFileSync(file)) as World;
  const world = generate(readScenario(options.scenarioFile), options.seed, options.size);
  mkdirSync(options.cacheFolder, { recursive: true });
  writeFileSync(`${file}.${process.pid}`, serialize(world));
  renameSync(`${file}.${process.pid}`, file);
  return world;
}

export function generate(scenario: Scenario, seed: number, size: number): World {
  const owners = gatherOwners(scenario, seed, size);
  return { scenario, seed, owners, markets: scenario.markets.map((market) => generateMarket(market)) };

  function generateMarket(market: ScenarioMarket): MarketWorld {
    const table = SURFACES[market.surface];
    if (!table) throw new Error(`No field table for the surface ${market.surface}.`);
    const sized = { ...market, keywords: Math.max(50, Math.round(market.keywords * size)) };
    const vocabulary = scenario.languages[market.language]!;
    const documents = writePages(scenario, market.language, owners, seed);
    const keywords = composeKeywords(scenario, sized, seed);
    const texts = keywords.map((keyword) => keyword.text);
    return {
      market: sized,
      documents,
      keywords,
      candidates: findCandidates(texts, documents, table, market.language, vocabulary),
      adverts: placeAdverts(keywords, owners, documents, vocabulary, market.language, seed),
    };
  }
}
