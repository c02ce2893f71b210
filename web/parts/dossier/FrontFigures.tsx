import type { Around } from '@opsimath/contract/api/around';
import type { HistoryPoint } from '@opsimath/contract/api/dossier';
import { counted, decimal, percent, spelledDay, worth } from '../words/figures';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const MOST_EARLIER = 4;
const QUARTERS = [
  '',
  t('parts:FrontFigures.lowestQuarter'),
  t('parts:FrontFigures.secondQuarter'),
  t('parts:FrontFigures.thirdQuarter'),
  t('parts:FrontFigures.highestQuarter'),
];

/** Ads on earlier captures, so that it is seen whether they grow. */
function adsBefore(history: readonly HistoryPoint[], day: string): string {
  const earlier = history.filter(({ ads, date }) => ads !== null && date < day);
  return earlier.length === 0
    ? ''
    : t('parts:FrontFigures.beforeEarlier', {
        earlier: earlier
          .slice(-MOST_EARLIER)
          .map(({ date, ads }) => t('parts:FrontFigures.adsOnDate', { ads, date: spelledDay(date) }))
          .join(', '),
      });
}

/** A block with its slot on the page, and the holder's place within it where several are named. */
function blockWords({
  kind,
  slot,
  holder,
  place,
  of,
}: NonNullable<Around['front']>['blocks'][number]): string {
  const within = of > 1 ? t('parts:FrontFigures.placePlaceOfOfInIt', { place, of }) : '';
  return t('parts:FrontFigures.kindAtSlotSlotWithinHolder', {
    kind,
    slot,
    within,
    holder: holder ?? t('parts:FrontFigures.nobody'),
  });
}

interface FrontFiguresProps {
  around: Around;
  currency: string;
  history: readonly HistoryPoint[];
}

/** The captured front in figures, beside ours. */
export function FrontFigures({ around: { front, before }, currency, history }: FrontFiguresProps) {
  if (front === null) return null;
  const figure = (name: string, value: number): string =>
    name === 'price' ? worth(value) : decimal(value, name === 'rating' ? 1 : 0);
  return (
    <section className="section">
      <h2>{t('parts:FrontFigures.theFrontInFigures')}</h2>
      <table className="ledger front-figures">
        <thead>
          <tr>
            <th />
            <th className="figure">{t('parts:FrontFigures.lowestQuarterTo')}</th>
            <th className="figure">{t('parts:FrontFigures.halfAt')}</th>
            <th className="figure">{t('parts:FrontFigures.highestFrom')}</th>
            <th className="figure">{t('parts:FrontFigures.ours')}</th>
          </tr>
        </thead>
        <tbody>
          {front.quartiles.map(({ name, low, middle, high, ours, quarter, known, least, most }) => (
            <tr
              key={name}
              title={t('parts:FrontFigures.figureToFigure2OfKnownResults', {
                figure: figure(name, least),
                figure2: figure(name, most),
                known,
              })}
            >
              <th scope="row">
                {name === 'price' ? t('parts:FrontFigures.priceCurrency', { currency }) : name}
              </th>
              <td className="figure">{figure(name, low)}</td>
              <td className="figure">{figure(name, middle)}</td>
              <td className="figure">{figure(name, high)}</td>
              <td className="figure" title={quarter === null ? undefined : QUARTERS[quarter]}>
                {ours === null ? (
                  <span className="faint">{t('parts:FrontFigures.unknown')}</span>
                ) : (
                  figure(name, ours)
                )}
                {quarter !== null && <span className="faint"> {quarter}/4</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="soft told">
        <li>
          <Told
            id="parts:FrontFigures.exactRivalsExactRivalsOfResultsOn"
            values={{
              exactRivals: front.exactRivals,
              results: front.results,
              allWords: front.allWords,
              depth: front.depth,
              rivals: front.exactInDepth.rivals,
              results2: counted(front.exactInDepth.results, 'result'),
              rivals2: percent(front.exactInDepth.rivals / Math.max(1, front.exactInDepth.results), 0),
            }}
            parts={{ b: <b /> }}
          />
          {before &&
            ` ${t('parts:FrontFigures.beforeUsStandOrganicOrganicPaid', { organic: before.organic, paid: before.paid, features: counted(before.features, 'feature'), page: before.page })}`}
        </li>
        <li>
          {t('parts:FrontFigures.titlesPhraseFirstInFirstLater', {
            first: front.phrasePlace.first,
            later: front.phrasePlace.later,
          })}{' '}
          {front.capitals > 0 &&
            `${t('parts:FrontFigures.aWordInCapitalsInCapitals', { capitals: front.capitals })} `}
          {front.patterns.length > 0
            ? front.patterns
                .map(({ text, titles }) => t('parts:FrontFigures.textInTitles', { text, titles }))
                .join(', ')
            : t('parts:FrontFigures.noTwoShareAWord')}
          .
        </li>
        {front.kinds.length > 0 && (
          <li>
            {t('parts:FrontFigures.kindsKinds', {
              kinds: front.kinds.map(({ kind, slots }) => `${kind} ${slots}`).join(', '),
            })}
          </li>
        )}
        {front.several.length > 0 && (
          <li>
            {t('parts:FrontFigures.severalSlotsSeveral', {
              several: front.several
                .map(({ owner, positions }) =>
                  t('parts:FrontFigures.ownerAtPositions', { owner, positions: positions.join(', ') }),
                )
                .join('; '),
            })}
          </li>
        )}
        <li>
          {t('parts:FrontFigures.slotsOnThePageAdsBefore', {
            slots: counted(front.paidSlots, 'paid slot'),
            adsBefore: adsBefore(history, front.date),
          })}{' '}
          {front.blocks.length > 0 && `${front.blocks.map(blockWords).join('; ')}.`}
        </li>
        {front.weak.length > 0 && (
          <li>{t('parts:FrontFigures.weakPlacesSeldomWatchedAndLong', { weak: front.weak.join(', ') })}</li>
        )}
      </ul>
    </section>
  );
}
