import { dayNumber } from '../day';
import { Draws, hashText, mix } from '../random';
import {
  type WorldDocument,
  clampAuthority,
  countWithComing,
  drawId,
  drawLines,
  revisionsOf,
  shelfOf,
} from './document';
import { drawFilling, fill } from './forms';
import { liveThrough } from './history';
import { type Owner, PLATFORM_PATHS } from './owners';
import { brandsOf, ownNameOf } from './pages';
import type { Scenario } from './scenario';

/** Writes the videos of every channel in one language. */
export function writeVideos(
  scenario: Scenario,
  language: string,
  owners: readonly Owner[],
  seed: number,
): WorldDocument[] {
  const vocabulary = scenario.languages[language]!;
  const forms = vocabulary.video;
  const table = scenario.surfaces.video;
  if (!forms || !table) throw new Error(`The scenario has no videos in ${language}.`);
  const titles = forms.titles as Record<string, string[]>;
  const brands = brandsOf(owners);
  const today = dayNumber(scenario.today);
  const ownName = ownNameOf(scenario);
  const taken = new Set<string>();
  return owners.flatMap((owner, index) => {
    if (owner.surface !== 'video') return [];
    const draws = new Draws(mix(seed + 21, hashText(owner.address + language)));
    const shelf = shelfOf(vocabulary, owner, seed);
    const genres = Object.entries(table.mix[owner.kind] ?? { review: 1 });
    const common = { ...drawFilling(vocabulary, brands, draws, shelf), owner: owner.name };
    const channelKeywords = drawLines(forms.channelKeywords, draws.whole(4, 9), common, draws).join('\n');
    const isOwn = owner.name === ownName;
    return Array.from({ length: countWithComing(owner.documents, isOwn) }, (_, n): WorldDocument => {
      const genre = draws.weighted(genres);
      const filling = { ...drawFilling(vocabulary, brands, draws, shelf), owner: owner.name };
      const title = fill(draws.one(titles[genre]!), filling);
      const id = drawId(PLATFORM_PATHS.video.idStart, draws, taken);
      const written: WorldDocument = {
        address: table.platform + PLATFORM_PATHS.video.target.replace('{id}', id),
        kind: 'video',
        genre,
        owner: index,
        trade: owner.kind,
        language,
        fields: {
          title,
          description: drawLines(forms.descriptions, draws.whole(1, 3), filling, draws).join(' '),
          tags: drawLines(forms.tags, draws.whole(3, 12), filling, draws).join('\n'),
          'channel keywords': channelKeywords,
        },
        authority: clampAuthority(owner.authority + draws.between(-6, 6)),
        revisions: revisionsOf(today, draws, [200, 2400], n >= owner.documents),
        rewordings: [],
        ends: null,
        appeal: draws.normal(),
        facts: { length: draws.whole(45, genre === 'trip' ? 2400 : 1100) },
        category: null,
        seed: hashText(id),
      };
      if (isOwn) return written;
      return liveThrough(
        written,
        {
          titles: titles[genre]!,
          keywords: forms.keywordForms ?? vocabulary.keywordForms,
          description: forms.descriptions,
          lines: 'tags',
        },
        filling,
        (again) => drawFilling(vocabulary, brands, again, shelf),
        today,
      );
    });
  });
}
