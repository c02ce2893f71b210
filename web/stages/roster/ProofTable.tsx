import { PROOF, PROOF_SEEDS, type Proof } from '@opsimath/core/forecast/proof';
import { Ledger } from '../../parts/table/Ledger';
import { count, decimal, percent } from '../../parts/words/figures';

/** Whether what was foretold came true where that can be known: in simulated worlds with a twin each. */
export function ProofTable() {
  const rows = PROOF.flatMap((proof) => [
    { proof, part: 'untouched' as const, name: `${proof.surface}, nothing done` },
    { proof, part: 'done' as const, name: `${proof.surface}, work done` },
  ]);
  return (
    <>
      <h3>Did it come true?</h3>
      <p className="soft">
        The first pieces of work were done in {PROOF_SEEDS.length} simulated worlds, each beside a twin in
        which nothing was done; a horizon later both were looked at (§6a). The whole site gained{' '}
        {PROOF.map(
          ({ surface, site }) =>
            `${count(site.came)} clicks a month on the ${surface === 'video' ? 'video search' : surface}, where ${count(site.foretold)} were foretold`,
        ).join('; ')}
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
          { head: 'Clicks, foretold', figure: true, cell: (row) => count(partOf(row).clicks.foretold) },
          { head: 'Came', figure: true, cell: (row) => count(partOf(row).clicks.came) },
        ]}
      />
    </>
  );
}

const partOf = ({ proof, part }: { proof: Proof; part: 'untouched' | 'done' }): Proof['done'] => proof[part];
