import { writeFileSync } from 'node:fs';
import type { Proof, ProofPart } from '@opsimath/contract/proof';
import { type Figures, type Foretold, figuresOf } from './validate/figures';
import { type Trial, type TrialSurface, trial } from './validate/trial';

/**
 * Does what is foretold come true? Carries out the first suggestions in simulated worlds of several seeds, each beside a
 * twin in which nothing is done, and compares (method §6a). `--seeds 5,17,91 --targets 60 --untouched 300 --only web`;
 * `--keep` writes what came out to where the settings show it.
 */
const option = (name: string, usual: string): string => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : process.argv[at + 1]!;
};
const seeds = option('seeds', '5,17,91').split(',').map(Number);
const size = Number(option('size', '1'));
const targets = Number(option('targets', '60'));
const untouched = Number(option('untouched', '300'));
const only = option('only', '');
const say = (text: string): void => void process.stdout.write(`${text}\n`);

const SURFACES: readonly TrialSurface[] = [
  {
    kind: 'web',
    market: 'web-us-en',
    addressOf: (name) => `${name}.example`,
    captures: 2500,
    words: [],
  },
  {
    kind: 'video',
    market: 'video-us-en',
    addressOf: (name) => `vidlantern.example/on/${name}`,
    captures: 2500,
    words: ['channel keywords'],
  },
  {
    kind: 'marketplace',
    market: 'marketplace-us-en',
    addressOf: (name) => `stallbridge.example/stall/${name}`,
    captures: 2500,
    words: [],
  },
];

const trials: { seed: number; surface: TrialSurface; trial: Trial }[] = [];
const percent = (share: number): string => `${Math.round(100 * share)} %`;
const over = (foretold: number, came: number): string =>
  `${foretold.toFixed(0)} | ${came.toFixed(0)} | ${came === 0 ? '–' : `${foretold >= came ? '+' : '−'}${Math.abs(100 * (foretold / came - 1)).toFixed(0)} %`}`;

for (const seed of seeds)
  for (const surface of SURFACES.filter(({ kind }) => kind.startsWith(only))) {
    const started = Date.now();
    const found = await trial(seed, size, surface, { targets, untouched });
    trials.push({ seed, surface, trial: found });
    const { site } = found;
    say(`${seed} ${surface.kind}: ${found.notes}`);
    say(
      `  ${found.done} done; site ${site.twin.toFixed(0)} → ${site.world.toFixed(0)}: foretold +${site.foretold.toFixed(0)}, came +${(site.world - site.twin).toFixed(0)} (leads ${found.leads.foretold.toFixed(0)} / ${found.leads.came.toFixed(0)}, elsewhere ${found.elsewhere.foretold.toFixed(0)} / ${found.elsewhere.came.toFixed(0)}); ${((Date.now() - started) / 1000).toFixed(0)} s`,
    );
  }

const line = (name: string, figures: Figures): string =>
  `| ${[
    name,
    figures.rows,
    percent(figures.before),
    percent(figures.foretold),
    percent(figures.came),
    `${figures.calibrationError.toFixed(3)} (${figures.byChance.toFixed(3)})`,
    over(figures.clicksForetold, figures.clicksCame),
    figures.logScore.toFixed(2),
    figures.stays.toFixed(2),
    figures.shares.toFixed(2),
  ].join(' | ')} |`;

say(
  '\n| what | rows | on the front before | foretold | came | calibration error (by chance alone) | clicks foretold | came | off by | log score | it stays | shares |',
);
say('|---|---|---|---|---|---|---|---|---|---|---|---|');
for (const part of ['untouched', 'without', 'with'] as const)
  for (const { kind } of SURFACES) {
    const of = trials.filter(({ surface }) => surface.kind === kind);
    if (of.length === 0) continue;
    const rows = of.flatMap(({ trial: one }): Foretold[] => one[part]);
    if (rows.length === 0) continue;
    const { front, curve } = of[0]!.trial;
    say(
      line(`${kind}, ${part === 'untouched' ? part : `${part} the action`}`, figuresOf(rows, front, curve)),
    );
  }
say('\n| whole site, clicks a month added | pieces of work | foretold | came | off by |');
say('|---|---|---|---|---|');
for (const { kind } of SURFACES) {
  const of = trials.filter(({ surface }) => surface.kind === kind).map(({ trial: one }) => one);
  if (of.length === 0) continue;
  const sum = (read: (one: Trial) => number): number => of.reduce((total, one) => total + read(one), 0);
  const row = (name: string, foretold: number, came: number): void =>
    say(`| ${kind}, ${name} | ${sum(({ done }) => done)} | ${over(foretold, came)} |`);
  row(
    'all keywords',
    sum(({ site }) => site.foretold),
    sum(({ site }) => site.world - site.twin),
  );
  row(
    'keywords aimed at',
    sum(({ leads }) => leads.foretold),
    sum(({ leads }) => leads.came),
  );
  row(
    'other keywords',
    sum(({ elsewhere }) => elsewhere.foretold),
    sum(({ elsewhere }) => elsewhere.came),
  );
}

if (process.argv.includes('--keep')) {
  const proof: Proof = {
    seeds,
    surfaces: SURFACES.flatMap(({ kind }) => {
      const of = trials.filter(({ surface }) => surface.kind === kind).map(({ trial: one }) => one);
      if (of.length === 0) return [];
      const told = (part: 'untouched' | 'with'): ProofPart => {
        const { front, curve } = of[0]!;
        const figures = figuresOf(
          of.flatMap((one) => one[part]),
          front,
          curve,
        );
        const { rows, foretold, came, calibrationError, clicksForetold, clicksCame } = figures;
        return { rows, foretold, came, calibrationError, clicksForetold, clicksCame };
      };
      const sum = (read: (one: Trial) => number): number => of.reduce((total, one) => total + read(one), 0);
      return [
        {
          surface: kind,
          untouched: told('untouched'),
          done: told('with'),
          siteForetold: sum(({ site }) => site.foretold),
          siteCame: sum(({ site }) => site.world - site.twin),
        },
      ];
    }),
  };
  writeFileSync('web/stages/roster/proof.json', `${JSON.stringify(proof, null, 2)}\n`);
}
