import type { ShownPage } from '@opsimath/contract/api/dossier';
import { Select } from 'antd';
import { useState } from 'react';
import { useResultPageQuery } from '../../state/gapsApi';
import { KindOfPage } from './KindOfPage';
import { NoteMark } from '../notes/NoteMark';
import { decimal, spelledDay } from '../words/figures';

interface ResultPageProps {
  project: number;
  keyword: number;
  market: string;
  /** The page at the date in scope. */
  page: ShownPage | null;
  dates: readonly string[];
}
const FIRST_SLOTS = 24;
/** Characters of a description that are its opening line. */
const OPENING = 160;

/** A captured result page, slot by slot, ours and rivals' marked; other captures can be chosen. */
export function ResultPage({ project, keyword, market, page, dates }: ResultPageProps) {
  const [date, setDate] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const [opening, setOpening] = useState(false);
  const { data: chosen } = useResultPageQuery(
    { project, keyword, market, date: date ?? '' },
    { skip: date === null },
  );
  const shown = date === null ? page : (chosen ?? null);
  if (!page) {
    return (
      <section className="section">
        <h2>Result page</h2>
        <p className="soft">Never captured on or before this date: who is absent cannot be said.</p>
      </section>
    );
  }
  return (
    <section className="section">
      <h2>
        Result page of{' '}
        <Select
          size="small"
          variant="borderless"
          className="written"
          aria-label="Capture shown"
          popupMatchSelectWidth={false}
          value={date ?? page.date}
          onChange={setDate}
          options={[...dates].reverse().map((day) => ({ value: day, label: spelledDay(day) }))}
        />
      </h2>
      {shown && (
        <>
          <table className="ledger page">
            <tbody>
              {shown.slots.slice(0, all ? undefined : FIRST_SLOTS).map((slot) => (
                <tr key={slot.slot} className={slot.side}>
                  <td className="figure faint" title="Absolute slot">
                    {slot.slot}
                  </td>
                  <td className="kind-cell">
                    {slot.kind === 'organic'
                      ? slot.position
                      : slot.kind === 'paid'
                        ? `paid ${slot.position}`
                        : slot.kind}
                  </td>
                  <td>
                    {slot.title ?? <span className="faint">belongs to nobody</span>}
                    <div className="faint" title={slot.address ?? undefined}>
                      {slot.letter && <b>{slot.letter} </b>}
                      {slot.owner}
                      {slot.authority !== null && ` · authority ${slot.authority}`}
                      {slot.what === 'page' && slot.address !== null && (
                        <>
                          {' · '}
                          <KindOfPage address={slot.address} />
                        </>
                      )}
                      {slot.phraseInTitle && ' · phrase in title'}
                      {slot.figures.price !== undefined && ` · price ${decimal(slot.figures.price, 2)}`}
                      {slot.figures.rating !== undefined && ` · rated ${decimal(slot.figures.rating, 1)}`}
                      {slot.address !== null && (
                        <>
                          {' · '}
                          <a
                            href={`https://${slot.address}`}
                            target="_blank"
                            rel="noreferrer noopener"
                            aria-label={`Open ${slot.address} in a new window`}
                          >
                            open
                          </a>
                        </>
                      )}
                      {slot.address !== null && (
                        <>
                          {' '}
                          <NoteMark
                            project={project}
                            subject={{ on: 'slot', keyword, date: shown.date, address: slot.address }}
                            of={`slot ${slot.slot}`}
                          />
                        </>
                      )}
                    </div>
                    {opening && slot.description && (
                      <div className="soft">{slot.description.slice(0, OPENING)}</div>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="faint">
            {shown.source}, {shown.date}, looked to depth {shown.depth}.{' '}
            <button className="plain written" aria-pressed={opening} onClick={() => setOpening(!opening)}>
              {opening ? 'Hide how they open' : 'Show how they open'}
            </button>{' '}
            {shown.slots.length > FIRST_SLOTS && (
              <button className="plain written" onClick={() => setAll(!all)}>
                {all ? 'Show the first slots only' : `Show all ${shown.slots.length} slots`}
              </button>
            )}
          </p>
        </>
      )}
    </section>
  );
}
