import type { ResultPagesAnswer, SlotKind, SourcePage, SourceSlot } from '@opsimath/contract/source/answers';
import { key } from '@opsimath/core/text/key';
import { hashText, mix, unit } from '../random';
import type { WorldDocument } from '../world/document';
import type { MarketWorld, World } from '../world/world';
import { holdAuction, type PaidSlot } from './auction';
import type { Figures } from './figures';
import type { OpenMarket } from './market';
import { type Ranker, lastRevision } from './ranker';
import { recordOf } from './records';

/** Blocks that stand among the results, and above which organic position. */
interface Block {
  kind: SlotKind;
  before: number;
  document: WorldDocument | null;
}

/** Result pages of one market; a batch shares its records. */
export class ResultPages {
  private videos: OpenMarket | null = null;
  private readonly titles = new WeakMap<WorldDocument, string>();

  constructor(
    private readonly world: World,
    private readonly market: MarketWorld,
    private readonly ranker: Ranker,
    private readonly keywordIndex: ReadonlyMap<string, number>,
    private readonly figures: Figures,
  ) {}

  /** Where the blocks of videos come from. */
  showVideosOf(videos: OpenMarket): void {
    this.videos = videos;
  }

  /** Pages for keys; what nobody ever typed is looked for word for word in titles. */
  batch(keys: readonly string[], day: number, depth: number): Pick<ResultPagesAnswer, 'records' | 'pages'> {
    const indexOf = new Map<string, number>();
    const records: ResultPagesAnswer['records'] = [];
    const record = (document: WorldDocument): number => {
      let index = indexOf.get(document.address);
      if (index === undefined) {
        index = records.push(recordOf(this.world, this.market.market, this.figures, document, day)) - 1;
        indexOf.set(document.address, index);
      }
      return index;
    };
    return { records, pages: keys.map((text) => this.page(text, day, depth, record)) };
  }

  private page(
    text: string,
    day: number,
    depth: number,
    record: (document: WorldDocument) => number,
  ): SourcePage {
    const keyword = this.keywordIndex.get(text);
    if (keyword === undefined) return this.titlesWith(text, day, depth, record);
    const organic = this.ranker.organic(keyword, day).subarray(0, depth);
    const paid = holdAuction(this.market, keyword, day);
    const content = (document: number): WorldDocument => this.ranker.contentOn(document, day);
    const blocks = this.blocks(keyword, organic, day, content);
    const slots: SourceSlot[] = [];
    const place = (slot: Omit<SourceSlot, 'slot'>): void =>
      void slots.push({ slot: slots.length + 1, ...slot });
    const placePaid = (slot: PaidSlot): void =>
      place({
        kind: 'paid',
        position: slot.position,
        record: record(content(slot.advert.landing)),
        text: `${this.world.owners[slot.advert.owner]!.name}: ${text}`,
      });
    paid.filter((slot) => slot.onTop).forEach(placePaid);
    organic.forEach((document, i) => {
      for (const block of blocks.filter(({ before }) => before === i + 1)) {
        place({
          kind: block.kind,
          position: null,
          record: block.document === null ? null : record(block.document),
        });
      }
      place({ kind: 'organic', position: i + 1, record: record(content(document)) });
      if (i === Math.min(organic.length, this.market.market.resultsPerPage) - 1) {
        paid.filter((slot) => !slot.onTop).forEach(placePaid);
        place({
          kind: 'related searches',
          position: null,
          record: null,
          text: this.related(keyword).join('\n'),
        });
      }
    });
    return { keyword: text, depth, results: this.results(keyword), slots };
  }

  /** Documents that have the words in their title, one after another as typed: those whose title is nothing else first. */
  private titlesWith(
    text: string,
    day: number,
    depth: number,
    record: (document: WorldDocument) => number,
  ): SourcePage {
    const found: { document: WorldDocument; beside: number }[] = [];
    for (let index = 0; index < this.market.documents.length; index++) {
      const document = this.ranker.contentOn(index, day);
      const isThere = lastRevision(document.revisions, day) !== null;
      if (!isThere || (document.ends !== null && day >= document.ends)) continue;
      const title = this.titleOf(document);
      if (` ${title} `.includes(` ${text} `)) found.push({ document, beside: title.length - text.length });
    }
    found.sort((a, b) => a.beside - b.beside || (a.document.address < b.document.address ? -1 : 1));
    const slots = found.slice(0, depth).map(({ document }, n): SourceSlot => ({
      ...{ slot: n + 1, kind: 'organic', position: n + 1 },
      record: record(document),
    }));
    return { keyword: text, depth, results: found.length, slots };
  }

  private titleOf(document: WorldDocument): string {
    let title = this.titles.get(document);
    if (title === undefined) this.titles.set(document, (title = key(document.fields.title ?? '')));
    return title;
  }

  private blocks(
    keyword: number,
    organic: Int32Array,
    day: number,
    content: (document: number) => WorldDocument,
  ): Block[] {
    const { keywords, market } = this.market;
    const blocks: Block[] = [];
    // Only the web mixes other things among its results.
    if (market.surface !== 'web') return blocks;
    const { text } = keywords[keyword]!;
    const luck = (salt: number): number => unit(mix(hashText(text), salt));
    const { askingWords } = this.world.scenario.languages[market.language]!;
    const asks = text.split(' ').some((word) => askingWords.includes(word));
    const holder = (genres: readonly string[], within: number): WorldDocument | null =>
      Array.from(organic.subarray(0, within), content).find(({ genre }) => genres.includes(genre)) ?? null;
    const answer = holder(['guide', 'thread'], 8);
    if (asks && answer !== null && luck(1) < 0.55)
      blocks.push({ kind: 'answer box', before: 1, document: answer });
    // Blocks come and go over the months.
    const season = Math.floor(day / 45);
    if (!asks && unit(mix(mix(keyword, season), 2)) < 0.3) {
      blocks.push({
        kind: 'image block',
        before: luck(3) < 0.4 ? 1 : 4,
        document: holder(['item', 'collection'], 20),
      });
    }
    if (asks && unit(mix(mix(keyword, season), 4)) < 0.35) {
      blocks.push({ kind: 'video block', before: luck(5) < 0.35 ? 1 : 3, document: this.video(text, day) });
    }
    return blocks;
  }

  /** The video that stands first for the same words. */
  private video(text: string, day: number): WorldDocument | null {
    const keyword = this.videos?.index.get(text);
    if (!this.videos || keyword === undefined) return null;
    const first = this.videos.ranker.organic(keyword, day)[0];
    return first === undefined ? null : this.videos.ranker.contentOn(first, day);
  }

  private related(keyword: number): string[] {
    const { keywords } = this.market;
    return [1, 2, 3, 4].map((salt) => keywords[mix(keyword, salt) % keywords.length]!.text);
  }

  /** The rough count of results that services print. */
  results(keyword: number): number {
    const { text, volume } = this.market.keywords[keyword]!;
    const words = text.split(' ').length;
    return (
      Math.round(((4e8 / 5 ** words) * (0.4 + unit(mix(hashText(text), 9))) + volume * 40) / 1000) * 1000
    );
  }
}
