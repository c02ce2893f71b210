import type { Proof, ProofPart } from '@opsimath/contract/proof';
import { Ledger } from '../../parts/table/Ledger';
import { count, decimal, percent } from '../../parts/words/figures';
import found from './proof.json';
import { t, wordOf } from '../../words/t';

const PROOF = found as Proof;
const whole = (clicks: number): string => count(Math.round(clicks));

/** Whether what was foretold came true where that can be known: in simulated worlds with a twin each. */
export function ProofTable() {
  const rows = PROOF.surfaces.flatMap((proof) => [
    {
      proof,
      part: 'untouched' as const,
      name: t('roster:ProofTable.surfaceNothingDone', { surface: wordOf(proof.surface) }),
    },
    {
      proof,
      part: 'done' as const,
      name: t('roster:ProofTable.surfaceWorkDone', { surface: wordOf(proof.surface) }),
    },
  ]);
  return (
    <>
      <h3>{t('roster:ProofTable.didItComeTrue')}</h3>
      <p className="soft">
        {t('roster:ProofTable.theFirstPiecesOfWorkWere', {
          seeds: PROOF.seeds.length,
          surfaces: PROOF.surfaces
            .map(({ surface, siteForetold, siteCame }) =>
              t('roster:ProofTable.wholeClicksAMonthOnThe', {
                whole: whole(siteCame),
                which: surface === 'video' ? t('roster:ProofTable.videoSearch') : wordOf(surface),
                whole2: whole(siteForetold),
              }),
            )
            .join('; '),
        })}
      </p>
      <Ledger<(typeof rows)[number]>
        rows={rows}
        keyOf={({ name }) => name}
        label={t('roster:ProofTable.didItComeTrue2')}
        columns={[
          { head: t('roster:ProofTable.keywords'), cell: ({ name }) => name },
          { head: t('roster:ProofTable.rows'), figure: true, cell: (row) => count(partOf(row).rows) },
          {
            head: t('roster:ProofTable.frontForetold'),
            tip: t('roster:ProofTable.meanChanceOfStandingWithinThe'),
            figure: true,
            cell: (row) => percent(partOf(row).foretold, 0),
          },
          { head: t('roster:ProofTable.came'), figure: true, cell: (row) => percent(partOf(row).came, 0) },
          {
            head: t('roster:ProofTable.calibrationError'),
            tip: t('roster:ProofTable.meanDistanceOfTheTwoOver'),
            figure: true,
            cell: (row) => decimal(partOf(row).calibrationError, 3),
          },
          {
            head: t('roster:ProofTable.clicksForetold'),
            figure: true,
            cell: (row) => whole(partOf(row).clicksForetold),
          },
          { head: t('roster:ProofTable.came'), figure: true, cell: (row) => whole(partOf(row).clicksCame) },
        ]}
      />
    </>
  );
}

const partOf = ({
  proof,
  part,
}: {
  proof: Proof['surfaces'][number];
  part: 'untouched' | 'done';
}): ProofPart => proof[part];
