import {
  type FileReading,
  IMPORT_KINDS,
  type ImportField,
  type ImportKind,
  type UploadAnswer,
  fieldsOf,
} from '@opsimath/contract/api/imports';
import { Button, Checkbox, Select } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { useReadAsMutation, useStartImportMutation } from '../../state/filesApi';
import { useMarketsQuery } from '../../state/projectApi';
import { useScope } from '../../state/useScope';
import { marketApart } from '@opsimath/contract/api/marketSaid';
import { marketName } from '../../parts/words/marketName';
import { Told } from '../../words/Told';
import { PickDay } from '../../parts/words/PickDay';
import { t, wordOf } from '../../words/t';

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
        {t('roster:ReadingForm.readAsEncodingSeparatedBy', {
          encoding: reading.encoding,
          separatorName: separatorName(reading.delimiter),
          headerLine: reading.headerLine,
        })}
        {reading.remembered && ` ${t('roster:ReadingForm.columnsMatchedAsForTheLast')}`}
      </p>
      <ReadingFields reading={reading} onKind={(kind) => void chooseKind(kind)} onChange={change} />
      <Sample answer={answer} reading={reading} />
      {missing.map((field) => (
        <div key={field} role="alert">
          {t('roster:ReadingForm.noColumnForFieldChooseWhich', { field: wordOf(field) })}
        </div>
      ))}
      {dateMissing && <div role="alert">{t('roster:ReadingForm.noColumnForDateChooseOne')}</div>}
      {reading.kind === 'rankings' && (
        <p>
          <Checkbox
            checked={reading.complete === true}
            onChange={({ target }) => change({ complete: target.checked })}
          >
            {t('roster:ReadingForm.theTableHoldsEverythingItsTargets')}
          </Checkbox>{' '}
          <span className="soft">{t('roster:ReadingForm.whatOthersRankForAndIt')}</span>
        </p>
      )}
      {market && (
        <p>
          <Told
            id="roster:ReadingForm.takenInForTheMarketMarketName"
            values={{ marketName: marketName(market) }}
            parts={{ b: <b /> }}
          />{' '}
          <span className="soft">{t('roster:ReadingForm.chooseAnotherInTheBarAbove')}</span>
        </p>
      )}
      {apart !== null && (
        <div role="alert">
          {apart}{' '}
          <Checkbox checked={confirmed} onChange={({ target }) => setConfirmed(target.checked)}>
            {t('roster:ReadingForm.takeItInForThisMarket')}
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
          {t('roster:ReadingForm.takeIn')}
        </Button>
        <Button onClick={onDone}>{t('roster:ReadingForm.leaveIt')}</Button>
      </div>
    </div>
  );
}

function separatorName(delimiter: FileReading['delimiter']): string {
  return { ',': wordOf('commas'), ';': wordOf('semicolons'), '\t': wordOf('tabs'), '|': wordOf('bars') }[
    delimiter
  ];
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
    { value: -1, label: t('roster:ReadingForm.none') },
    ...reading.headers.map((header, i) => ({
      value: i,
      label: header || t('roster:ReadingForm.columnI', { i: i + 1 }),
    })),
  ];
  return (
    <div className="reading-fields">
      <label>
        <span>{t('roster:ReadingForm.kindOfTable')}</span>
        <Select
          size="small"
          aria-label={t('roster:ReadingForm.kindOfTable2')}
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
            {wordOf(field)}
            {needed.includes(field) && ' *'}
          </span>
          <Select
            size="small"
            aria-label={t('roster:ReadingForm.columnOfField', { field: wordOf(field) })}
            value={columnOf(field) ?? -1}
            options={columnOptions}
            popupMatchSelectWidth={false}
            onChange={(column) => setColumn(field, column < 0 ? null : column)}
          />
        </label>
      ))}
      <label>
        <span>{t('roster:ReadingForm.decimals')}</span>
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
        <span>{t('roster:ReadingForm.dates')}</span>
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
          <span>{t('roster:ReadingForm.dateOfAllRows')}</span>
          <PickDay
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
