import {
  type FileReading,
  IMPORT_KINDS,
  type ImportField,
  type ImportKind,
  type UploadAnswer,
  fieldsOf,
} from '@opsimath/contract/api/imports';
import { Button, Checkbox, DatePicker, Select } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { useReadAsMutation, useStartImportMutation } from '../../state/filesApi';
import { useMarketsQuery } from '../../state/projectApi';
import { useScope } from '../../state/useScope';
import { marketApart } from '@opsimath/contract/api/marketSaid';
import { marketName } from '../../parts/words/marketName';

/** How a file is read, for correction before it is taken in. */
export function ReadingForm({ answer, onDone }: { answer: UploadAnswer; onDone: () => void }) {
  const { scope } = useScope();
  const [reading, setReading] = useState<FileReading>(answer.preview.reading);
  const [start, { isLoading, error }] = useStartImportMutation();
  const [readAs] = useReadAsMutation();
  const { data: markets } = useMarketsQuery();
  const market = markets?.find(({ code }) => code === scope.market);
  const apart = market ? marketApart(market, answer.preview.says) : null;
  const [confirmed, setConfirmed] = useState(false);
  const { needed: neededFields, dated } = IMPORT_KINDS[reading.kind];
  const needed: readonly ImportField[] = neededFields;
  const columnOf = (field: ImportField): number | null => reading.columns[field] ?? null;
  const change = (next: Partial<FileReading>): void => setReading((current) => ({ ...current, ...next }));
  const missing = needed.filter((field) => columnOf(field) === null);
  const dateMissing = dated && columnOf('date') === null && reading.fixedDate === null;
  const chooseKind = async (kind: ImportKind): Promise<void> => {
    const { reading: next } = await readAs({ id: answer.import.id, kind }).unwrap();
    setReading(next);
  };
  const take = async (): Promise<void> => {
    await start({ id: answer.import.id, market: scope.market, reading, marketConfirmed: confirmed }).unwrap();
    onDone();
  };
  return (
    <div className="sheet reading">
      <h3>{answer.import.fileName}</h3>
      <p className="soft">
        Read as {reading.encoding}, separated by {separatorName(reading.delimiter)}, heads on line{' '}
        {reading.headerLine}.{reading.remembered && ' Columns matched as for the last file with these heads.'}
      </p>
      <ReadingFields reading={reading} onKind={(kind) => void chooseKind(kind)} onChange={change} />
      <Sample answer={answer} reading={reading} />
      {missing.map((field) => (
        <div key={field} role="alert">
          No column for {field}: choose which one holds it.
        </div>
      ))}
      {dateMissing && (
        <div role="alert">No column for date: choose one, or give the date that all rows stand for.</div>
      )}
      {reading.kind === 'rankings' && (
        <p>
          <Checkbox
            checked={reading.complete === true}
            onChange={({ target }) => change({ complete: target.checked })}
          >
            The table holds everything its targets rank for
          </Checkbox>{' '}
          <span className="soft">
            What others rank for and it does not name then counts as absent, presumed.
          </span>
        </p>
      )}
      {market && (
        <p>
          Taken in for the market <b>{marketName(market)}</b>.{' '}
          <span className="soft">Choose another in the bar above.</span>
        </p>
      )}
      {apart !== null && (
        <div role="alert">
          {apart}{' '}
          <Checkbox checked={confirmed} onChange={({ target }) => setConfirmed(target.checked)}>
            Take it in for this market all the same
          </Checkbox>
        </div>
      )}
      {error && <Problem error={error} />}
      <div className="lookup-buttons">
        <Button
          type="primary"
          onClick={() => void take().catch(() => undefined)}
          loading={isLoading}
          disabled={missing.length > 0 || dateMissing || (apart !== null && !confirmed)}
        >
          Take in
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </div>
  );
}

function separatorName(delimiter: FileReading['delimiter']): string {
  return { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' }[delimiter];
}

/** Which column holds what, and how figures and dates are written. */
function ReadingFields({
  reading,
  onKind,
  onChange: change,
}: {
  reading: FileReading;
  onKind: (kind: ImportKind) => void;
  onChange: (next: Partial<FileReading>) => void;
}) {
  const { needed: neededFields, dated } = IMPORT_KINDS[reading.kind];
  const needed: readonly ImportField[] = neededFields;
  const columnOf = (field: ImportField): number | null => reading.columns[field] ?? null;
  const setColumn = (field: ImportField, column: number | null): void =>
    change({ columns: { ...reading.columns, [field]: column } });
  const columnOptions = [
    { value: -1, label: 'none' },
    ...reading.headers.map((header, i) => ({ value: i, label: header || `column ${i + 1}` })),
  ];
  return (
    <div className="reading-fields">
      <label>
        <span>kind of table</span>
        <Select
          size="small"
          aria-label="Kind of table"
          value={reading.kind}
          popupMatchSelectWidth={false}
          options={Object.entries(IMPORT_KINDS).map(([value, { name }]) => ({
            value: value as ImportKind,
            label: name,
          }))}
          onChange={onKind}
        />
      </label>
      {fieldsOf(reading.kind).map((field) => (
        <label key={field}>
          <span>
            {field}
            {needed.includes(field) && ' *'}
          </span>
          <Select
            size="small"
            aria-label={`Column of ${field}`}
            value={columnOf(field) ?? -1}
            options={columnOptions}
            popupMatchSelectWidth={false}
            onChange={(column) => setColumn(field, column < 0 ? null : column)}
          />
        </label>
      ))}
      <label>
        <span>decimals</span>
        <Select
          size="small"
          value={reading.decimalComma}
          options={[
            { value: false, label: '12.5' },
            { value: true, label: '12,5' },
          ]}
          onChange={(decimalComma) => change({ decimalComma })}
        />
      </label>
      <label>
        <span>dates</span>
        <Select
          size="small"
          value={reading.dateOrder}
          options={[
            { value: 'year first', label: '2026-03-14' },
            { value: 'day first', label: '14.03.2026' },
            { value: 'month first', label: '03/14/2026' },
          ]}
          onChange={(dateOrder) => change({ dateOrder })}
        />
      </label>
      {dated && columnOf('date') === null && (
        <label>
          <span>date of all rows</span>
          <DatePicker
            size="small"
            onChange={(day) => change({ fixedDate: day?.format('YYYY-MM-DD') ?? null })}
          />
        </label>
      )}
    </div>
  );
}

function Sample({ answer, reading }: { answer: UploadAnswer; reading: FileReading }) {
  return (
    <div className="reading-sample">
      <table className="ledger">
        <thead>
          <tr>
            {reading.headers.map((header, i) => (
              <th key={i}>{header}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {answer.preview.sample.slice(0, 4).map((row, r) => (
            <tr key={r}>
              {reading.headers.map((_, i) => (
                <td key={i}>{row[i]}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
