import type { IndexState } from '@opsimath/contract/source/answers';
import { dayNumber, isoDay } from '../day';
import { hashText, mix } from '../random';
import { scoresOf, type SearchGround } from '../world/candidates';
import type { WorldDocument } from '../world/document';
import { standsOn, versionsOf } from '../world/history';
import type { TextIndex } from '../world/textIndex';
import { documentsName, groundOf, indexOf, type World } from '../world/world';
import type { OpenMarket } from './market';

/** One edit as it was published. */
export interface PublishedEdit {
  market: string;
  address: string;
  fields: Record<string, string>;
  /** ISO days. */
  publishedOn: string;
  seenOn: string;
  /** Names the request: sent twice it is one edit. */
  requestId?: string;
}

/** Own documents as their owner edits them; search follows after some days, or sooner if asked to look again. */
export class Publishing {
  private edits: PublishedEdit[] = [];
  private readonly indices = new Map<string, TextIndex>();

  constructor(
    private readonly world: World,
    private readonly markets: ReadonlyMap<string, OpenMarket>,
  ) {}

  /** Publishes fields of one document, making it if it is new. What was asked for under the same id is not done again. */
  publish(
    market: OpenMarket,
    owner: number,
    {
      address,
      fields,
      today,
      requestId,
    }: { address: string; fields: Record<string, string>; today: string; requestId?: string },
  ): PublishedEdit {
    const known = requestId ? this.edits.find((edit) => edit.requestId === requestId) : undefined;
    if (known) return known;
    const delay = 1 + (mix(hashText(address), dayNumber(today)) % 5);
    const edit = {
      market: market.code,
      address,
      fields,
      publishedOn: today,
      seenOn: isoDay(dayNumber(today) + delay),
      ...(requestId && { requestId }),
    };
    this.take(edit, owner);
    return edit;
  }

  /** Search looks again today. */
  lookAgain(address: string, today: string): void {
    for (const edit of this.edits.filter((entry) => entry.address === address && entry.seenOn > today)) {
      edit.seenOn = today;
      for (const market of this.concerned(edit.market)) this.makeKnown(market, edit);
    }
  }

  stateOf(market: OpenMarket, address: string, today: string): IndexState {
    const edit = this.edits.filter((entry) => entry.address === address).at(-1);
    if (edit) {
      const waits = edit.seenOn > today;
      return { address, state: waits ? 'waiting' : 'indexed', since: edit.seenOn };
    }
    const document = market.world.documents.find((entry) => entry.address === address);
    const published = document && standsOn(document, dayNumber(today));
    return published
      ? { address, state: 'indexed', since: isoDay(document.revisions[0]! + 1 + (document.seed % 5)) }
      : { address, state: 'not indexed', since: null };
  }

  all(): PublishedEdit[] {
    return this.edits;
  }

  /** Takes up what was published before a restart. */
  restore(edits: readonly PublishedEdit[], ownerOf: (market: string) => number): void {
    for (const edit of edits) this.take({ ...edit }, ownerOf(edit.market));
  }

  private take(edit: PublishedEdit, owner: number): void {
    this.edits.push(edit);
    const market = this.markets.get(edit.market)!;
    if (!market.world.documents.some((entry) => entry.address === edit.address)) {
      market.world.documents.push(this.newDocument(market, owner, edit));
    }
    for (const concerned of this.concerned(edit.market)) this.makeKnown(concerned, edit);
  }

  /** Every market that searches the same documents. */
  private concerned(code: string): OpenMarket[] {
    const name = documentsName(this.markets.get(code)!.world.market);
    return [...this.markets.values()].filter(({ world }) => documentsName(world.market) === name);
  }

  private makeKnown(market: OpenMarket, edit: PublishedEdit): void {
    const document = market.world.documents.findIndex((entry) => entry.address === edit.address);
    const before = market.ranker.contentOn(document, Number.MAX_SAFE_INTEGER);
    const seenFrom = dayNumber(edit.seenOn);
    const content: WorldDocument = {
      ...before,
      fields: { ...before.fields, ...edit.fields },
      revisions: [...before.revisions.filter((day) => day < seenFrom), seenFrom],
    };
    const texts = market.world.keywords.map(({ text }) => text);
    market.ranker.addEdition({
      document,
      seenFrom,
      content,
      scores: scoresOf(content, texts, this.ground(market)),
    });
    market.rankings.refresh(content.owner);
  }

  private ground(market: OpenMarket): SearchGround {
    const { market: description, documents } = market.world;
    const name = `${documentsName(description)}:${description.language}`;
    let index = this.indices.get(name);
    if (!index) {
      index = indexOf(versionsOf(documents), description);
      this.indices.set(name, index);
    }
    return groundOf(this.world, description, index);
  }

  private newDocument(market: OpenMarket, owner: number, edit: PublishedEdit): WorldDocument {
    const { surface, language } = market.world.market;
    const { authority, kind } = this.world.owners[owner]!;
    return {
      address: edit.address,
      kind: surface === 'web' ? 'page' : surface === 'video' ? 'video' : 'listing',
      genre: surface === 'web' ? 'guide' : surface === 'video' ? 'howto' : 'listing',
      owner,
      trade: kind,
      language,
      fields: { title: '', description: '' },
      authority: Math.max(1, authority - 6),
      // Nothing is shown of it before search has seen it.
      revisions: [dayNumber(edit.seenOn)],
      rewordings: [],
      ends: null,
      appeal: 0,
      facts: { length: 300, price: 60, images: 4, rating: 4.5 },
      category: surface === 'marketplace' ? this.world.scenario.category : null,
      seed: hashText(edit.address),
    };
  }
}
