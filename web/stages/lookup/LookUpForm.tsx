import type { LookUpRequest } from '@opsimath/contract/api/lookUps';
import type { Target } from '@opsimath/contract/api/targets';
import { readAddress } from '@opsimath/core/text/address';
import { Button, Checkbox, Input, InputNumber, Segmented, Tooltip } from 'antd';
import { useMemo, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count, spelledDay } from '../../parts/words/figures';
import { useLookUpPriceQuery, useStartLookUpMutation } from '../../state/api';
import { comparedWith } from '../../state/scope';
import { useScope } from '../../state/useScope';

const EXTENTS = [
  {
    value: 'positions',
    label: 'Positions',
    tip: 'Keyword, organic and paid position of each target. Nobody can be called absent from this alone.',
  },
  {
    value: 'metrics',
    label: '+ metrics',
    tip: 'Also search volume by month, CPC, ad competition and results count.',
  },
  {
    value: 'captures',
    label: '+ captures',
    tip: 'Also whole result pages of the most searched keywords: they show who is absent and what stands above.',
  },
] as const;

interface LookUpFormProps {
  targets: readonly Target[];
  onStarted: (lookUp: number) => void;
}

export function LookUpForm({ targets, onStarted }: LookUpFormProps) {
  const { project, scope } = useScope();
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [pasted, setPasted] = useState('');
  const [extent, setExtent] = useState<LookUpRequest['extent']>('captures');
  const [captureMost, setCaptureMost] = useState(1000);
  const [priced, setPriced] = useState<LookUpRequest | null>(null);
  const [start, { isLoading, error: startError }] = useStartLookUpMutation();
  const lines = useMemo(() => readLines(pasted), [pasted]);
  const compare = comparedWith(scope);
  const request: LookUpRequest = {
    market: scope.market,
    date: scope.date,
    targets: [
      ...new Set([
        ...targets.filter((target) => !left.has(target.id)).map((target) => target.address),
        ...lines.addresses,
      ]),
    ],
    want: 'both',
    extent,
    captureMost,
    compareDate: extent === 'captures' ? (compare ?? null) : null,
  };
  const asked = priced !== null && JSON.stringify(priced) === JSON.stringify(request);
  const {
    data: price,
    error: priceError,
    isFetching,
  } = useLookUpPriceQuery({ project, request }, { skip: !asked });
  const begin = async (): Promise<void> => {
    const lookUp = await start({ project, request }).unwrap();
    setPasted('');
    setPriced(null);
    onStarted(lookUp.id);
  };
  return (
    <section className="sheet">
      <h2>New look-up</h2>
      <p className="faint">Which keywords do these rank for on {spelledDay(scope.date)}?</p>
      {targets.length > 0 && (
        <div className="lookup-targets">
          {targets.map((target) => (
            <Checkbox
              key={target.id}
              checked={!left.has(target.id)}
              onChange={({ target: box }) =>
                setLeft((current) => withMember(current, target.id, !box.checked))
              }
            >
              {target.name} <span className="faint">{target.side === 'own' ? 'ours' : target.address}</span>
            </Checkbox>
          ))}
        </div>
      )}
      <Input.TextArea
        aria-label="More pages or sites, one a line"
        placeholder="More pages or sites, one a line"
        autoSize={{ minRows: 2, maxRows: 6 }}
        value={pasted}
        onChange={(event) => setPasted(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) setPriced(request);
        }}
      />
      {lines.problems.map((problem) => (
        <div key={problem} className="soft" role="alert">
          {problem}
        </div>
      ))}
      <div className="lookup-extent">
        <Segmented
          size="small"
          aria-label="How much to fetch"
          value={extent}
          onChange={setExtent}
          options={EXTENTS.map(({ value, label, tip }) => ({
            value,
            label: <Tooltip title={tip}>{label}</Tooltip>,
          }))}
        />
      </div>
      {extent === 'captures' && (
        <label className="soft">
          Capture the{' '}
          <InputNumber
            size="small"
            min={1}
            max={100_000}
            value={captureMost}
            onChange={(value) => setCaptureMost(value ?? 1000)}
            style={{ width: 84 }}
          />{' '}
          most searched{compare ? `, also on ${spelledDay(compare)}` : ''}
        </label>
      )}
      {asked && price && (
        <table className="lookup-price">
          <tbody>
            {price.parts.map((part) => (
              <tr key={part.what}>
                <td>{part.what}</td>
                <td className="figure">{part.held ? 'held' : count(part.units)}</td>
              </tr>
            ))}
            <tr>
              <th>Units, at most</th>
              <th className="figure">{count(price.units)}</th>
            </tr>
            <tr>
              <td>Left until {spelledDay(price.renews)}</td>
              <td className="figure">{count(price.allowance - price.spent)}</td>
            </tr>
          </tbody>
        </table>
      )}
      {asked && priceError && <Problem error={priceError} />}
      {startError && <Problem error={startError} />}
      <div className="lookup-buttons">
        <Button
          onClick={() => setPriced(request)}
          loading={asked && isFetching}
          disabled={request.targets.length === 0}
        >
          Price
        </Button>
        <Button
          type="primary"
          onClick={() => void begin()}
          loading={isLoading}
          disabled={request.targets.length === 0}
        >
          Start
        </Button>
      </div>
    </section>
  );
}

function readLines(text: string): { addresses: string[]; problems: string[] } {
  const addresses: string[] = [];
  const problems: string[] = [];
  text.split(/\r\n|[\r\n]/).forEach((line, i) => {
    if (line.trim() === '') return;
    const read = readAddress(line);
    if ('reason' in read) problems.push(`Line ${i + 1}: ${read.reason}.`);
    else addresses.push(read.address);
  });
  return { addresses, problems: problems.slice(0, 5) };
}

function withMember(set: ReadonlySet<number>, id: number, member: boolean): ReadonlySet<number> {
  const next = new Set(set);
  if (member) next.add(id);
  else next.delete(id);
  return next;
}
