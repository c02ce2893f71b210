import type { ShownPage } from '@opsimath/contract/api/dossier';
import { Select } from 'antd';
import { useState } from 'react';
import { useResultPageQuery } from '../../state/gapsApi';
import { KindOfPage } from './KindOfPage';
import { NoteMark } from '../notes/NoteMark';
import { decimal, spelledDay } from '../words/figures';
import { t, wordOf } from '../../words/t';

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
        <h2>{t('parts:ResultPage.resultPage')}</h2>
        <p className="soft">{t('parts:ResultPage.neverCapturedOnOrBeforeThis')}</p>
      </section>
    );
  }
  return (
    <section className="section">
      <h2>
        {t('parts:ResultPage.resultPageOf')}{' '}
        <Select
          size="small"
          variant="borderless"
          className="written"
          aria-label={t('parts:ResultPage.captureShown')}
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
                  <td className="figure faint" title={t('parts:ResultPage.absoluteSlot')}>
                    {slot.slot}
                  </td>
                  <td className="kind-cell">
                    {slot.kind === 'organic'
                      ? slot.position
                      : slot.kind === 'paid'
                        ? t('parts:ResultPage.paidPosition', { position: slot.position })
                        : wordOf(slot.kind)}
                  </td>
                  <td>
                    {slot.title ?? <span className="faint">{t('parts:ResultPage.belongsToNobody')}</span>}
                    <div className="faint" title={slot.address ?? undefined}>
                      {slot.letter && <b>{slot.letter} </b>}
                      {slot.owner}
                      {slot.authority !== null &&
                        ` ${t('parts:ResultPage.ofAuthority', { authority: slot.authority })}`}
                      {slot.what === 'page' && slot.address !== null && (
                        <>
                          {' · '}
                          <KindOfPage address={slot.address} />
                        </>
                      )}
                      {slot.phraseInTitle && ` ${t('parts:ResultPage.phraseInTitle')}`}
                      {slot.figures.price !== undefined &&
                        ` ${t('parts:ResultPage.pricePrice', { price: decimal(slot.figures.price, 2) })}`}
                      {slot.figures.rating !== undefined &&
                        ` ${t('parts:ResultPage.ratedRating', { rating: decimal(slot.figures.rating, 1) })}`}
                      {slot.address !== null && (
                        <>
                          {' · '}
                          <a
                            href={`https://${slot.address}`}
                            target="_blank"
                            rel="noreferrer noopener"
                            aria-label={t('parts:ResultPage.openAddressInANewWindow', {
                              address: slot.address,
                            })}
                          >
                            {t('parts:ResultPage.open')}
                          </a>
                        </>
                      )}
                      {slot.address !== null && (
                        <>
                          {' '}
                          <NoteMark
                            project={project}
                            subject={{ on: 'slot', keyword, date: shown.date, address: slot.address }}
                            of={t('parts:ResultPage.slotSlot', { slot: slot.slot })}
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
            {t('parts:ResultPage.sourceDateLookedToDepthDepth', {
              source: shown.source,
              date: shown.date,
              depth: shown.depth,
            })}{' '}
            <button className="plain written" aria-pressed={opening} onClick={() => setOpening(!opening)}>
              {opening ? t('parts:ResultPage.hideHowTheyOpen') : t('parts:ResultPage.showHowTheyOpen')}
            </button>{' '}
            {shown.slots.length > FIRST_SLOTS && (
              <button className="plain written" onClick={() => setAll(!all)}>
                {all
                  ? t('parts:ResultPage.showTheFirstSlotsOnly')
                  : t('parts:ResultPage.showAllSlotsSlots', { slots: shown.slots.length })}
              </button>
            )}
          </p>
        </>
      )}
    </section>
  );
}
