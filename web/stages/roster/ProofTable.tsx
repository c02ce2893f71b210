import type { Proof, ProofPart } from '@opsimath/contract/proof';
import { Ledger } from '../../parts/table/Ledger';
import { count, decimal, percent } from '../../parts/words/figures';
import found from './proof.json';

const PROOF = found as Proof;
const whole = (clicks: number): string => count(Math.round(clicks));

/** Whether what was foretold came true where that can be known: in simulated worlds with a twin each. */
export function ProofTable() {
  const rows = PROOF.surfaces.flatMap((proof) => [
    { proof, part: 'untouched' as const, name: `${proof.surface}, nothing done` },
    { proof, part: 'done' as const, name: `${proof.surface}, work done` },
  ]);
  return (
    <>
      <h3>Did it come true?</h3>
      <p className="soft">
        The first pieces of work were done in {PROOF.seeds.length} simulated worlds, each beside a twin in
        which nothing was done; a horizon later both were looked at (§6a). The whole site gained{' '}
        {PROOF.surfaces
          .map(
            ({ surface, siteForetold, siteCame }) =>
              `${whole(siteCame)} clicks a month on the ${surface === 'video' ? 'video search' : surface}, where ${whole(siteForetold)} were foretold`,
          )
          .join('; ')}
        .
      </p>
      <Ledger<(typeof rows)[number]>
        rows={rows}
        keyOf={({ name }) => name}
        label="Did it come true"
        columns={[
          { head: 'Keywords', cell: ({ name }) => name },
          { head: 'Rows', figure: true, cell: (row) => count(partOf(row).rows) },
          {
            head: 'Front, foretold',
            tip: 'Mean chance of standing within the front',
            figure: true,
            cell: (row) => percent(partOf(row).foretold, 0),
          },
          { head: 'Came', figure: true, cell: (row) => percent(partOf(row).came, 0) },
          {
            head: 'Calibration error',
            tip: 'Mean distance of the two over tenths of the rows',
            figure: true,
            cell: (row) => decimal(partOf(row).calibrationError, 3),
          },
          { head: 'Clicks, foretold', figure: true, cell: (row) => whole(partOf(row).clicksForetold) },
          { head: 'Came', figure: true, cell: (row) => whole(partOf(row).clicksCame) },
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
