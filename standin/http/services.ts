import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { dayNumber, isoDay, monthIndex } from '../day';
import { Translator } from '../people/translate';
import { Figures } from '../search/figures';
import { localMarket, readNear, townsIn } from '../search/localMarket';
import { type OpenMarket, openMarkets } from '../search/market';
import { Publishing, type PublishedEdit } from '../search/publishing';
import type { World } from '../world/world';
import { Faults } from './faults';
import { Refusal } from './refusal';
import { Units } from './units';

/** Places kept as they were worked out; those asked for longest ago are worked out anew. */
const MOST_PLACES = 12;

export interface ServicesOptions {
  today: string;
  allowance: number;
  /** Where the clock, the units spent and what was published are kept between starts. */
  stateFile?: string;
}
interface KeptState {
  today: string;
  month: string;
  spent: number;
  edits: PublishedEdit[];
}

/** Everything the services hold while they run, and what their routes share. */
export class Services {
  readonly units: Units;
  readonly faults = new Faults();
  readonly figures: Figures;
  readonly markets: Map<string, OpenMarket>;
  readonly publishing: Publishing;
  readonly translator: Translator;
  /** Month that volumes are counted from. */
  readonly base: number;
  private today: string;
  private readonly places = new Map<string, OpenMarket>();
  private lookedAgain = { day: '', count: 0 };

  constructor(
    readonly world: World,
    private readonly options: ServicesOptions,
  ) {
    const kept = this.readState();
    this.today = kept?.today ?? options.today;
    this.base = monthIndex(dayNumber(world.scenario.today));
    this.units = new Units(options.allowance, () => this.today, kept ?? undefined);
    const marketplace = world.markets.find(({ market }) => market.surface === 'marketplace');
    this.figures = new Figures(world, marketplace?.documents ?? []);
    this.markets = openMarkets(world, this.figures);
    this.publishing = new Publishing(world, this.markets);
    this.translator = new Translator(world.scenario);
    this.publishing.restore(kept?.edits ?? [], (market) => this.ownOwner(this.market(market)));
  }

  /** Of a place within a market the code says so: `web-us-en@city:Fernmoor`. */
  market(code: string): OpenMarket {
    const [whole, near] = code.split('@', 2);
    const found = this.markets.get(whole!);
    if (!found) throw new Refusal(404, 'no-such-market', `There is no market ${whole}.`);
    return near === undefined ? found : this.within(found, code, near);
  }

  private within(whole: OpenMarket, code: string, near: string): OpenMarket {
    const known = this.places.get(code);
    if (known) return known;
    const { surface, place, placeName } = whole.world.market;
    const asked = readNear(near);
    if (surface !== 'web' || asked === null)
      throw new Refusal(400, 'place-not-supported', `The ${surface} of ${placeName} is not known by places.`);
    const towns = townsIn(this.world, place, asked);
    if (towns.length === 0)
      throw new Refusal(404, 'no-such-place', `No ${asked.kind} “${asked.value}” is known in ${placeName}.`);
    const found = localMarket(this.world, whole, code, towns, this.figures);
    this.places.set(code, found);
    if (this.places.size > MOST_PLACES) this.places.delete(this.places.keys().next().value!);
    return found;
  }

  /** What was worked out of places rests on what search knows: an edit undoes it. */
  forgetPlaces(): void {
    this.places.clear();
  }

  clock(): string {
    return this.today;
  }

  advance(days: number): string {
    this.today = isoDay(dayNumber(this.today) + days);
    this.keep();
    return this.today;
  }

  day(date: string): number {
    if (date > this.today)
      throw new Refusal(400, 'future', `${date} has not come yet; today is ${this.today}.`);
    return dayNumber(date);
  }

  /** Books units, once for one request however often it is sent. */
  charge(amount: number, requestId: string | undefined): number {
    if (!this.units.book(amount, requestId)) {
      throw new Refusal(
        402,
        'allowance-spent',
        `This asks for ${amount} units; fewer are left until ${this.units.state().renews}.`,
      );
    }
    if (amount > 0) this.keep();
    return amount;
  }

  /** Index of the owner that this account belongs to, on the surface of a market. */
  ownOwner({ world: { market } }: OpenMarket): number {
    const { owners, scenario } = this.world;
    const name = owners.find(({ address }) => address === scenario.own)!.name;
    return owners.findIndex((owner) => owner.name === name && owner.surface === market.surface);
  }

  /** Throws unless an address is ours: our site, channel or shop, or below it. */
  assertOwn(market: OpenMarket, address: string): number {
    const own = this.ownOwner(market);
    const home = this.world.owners[own]?.address;
    const document = market.world.documents.find((entry) => entry.address === address);
    const isOurs =
      home !== undefined &&
      (address === home || (document ? document.owner === own : address.startsWith(`${home}/`)));
    if (!isOurs) throw new Refusal(403, 'not-yours', `${address} is not connected to this account.`);
    return own;
  }

  /** How often search may be asked to look again on one day. */
  static readonly LOOKS_A_DAY = 10;

  lookAgain(address: string): number {
    if (this.lookedAgain.day !== this.today) this.lookedAgain = { day: this.today, count: 0 };
    if (this.lookedAgain.count >= Services.LOOKS_A_DAY)
      throw new Refusal(429, 'looked-enough', 'No more re-indexing can be asked for today.');
    this.lookedAgain.count++;
    this.publishing.lookAgain(address, this.today);
    this.keep();
    return Services.LOOKS_A_DAY - this.lookedAgain.count;
  }

  /** Writes down what must outlive this process; soon, and many changes at once. */
  keep(): void {
    const { stateFile } = this.options;
    if (stateFile === undefined || this.waiting) return;
    this.waiting = setTimeout(() => {
      this.waiting = null;
      this.writeState(stateFile);
    }, 200);
  }
  private waiting: NodeJS.Timeout | null = null;

  close(): void {
    if (this.waiting) clearTimeout(this.waiting);
    if (this.options.stateFile !== undefined) this.writeState(this.options.stateFile);
  }

  private writeState(file: string): void {
    const state: KeptState = { today: this.today, ...this.units.kept(), edits: this.publishing.all() };
    mkdirSync(path.dirname(file), { recursive: true });
    writeFileSync(`${file}.new`, JSON.stringify(state));
    renameSync(`${file}.new`, file);
  }

  private readState(): KeptState | null {
    const { stateFile } = this.options;
    if (stateFile === undefined || !existsSync(stateFile)) return null;
    return JSON.parse(readFileSync(stateFile, 'utf8')) as KeptState;
  }
}
