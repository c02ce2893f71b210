import { useResultPageQuery } from '../../state/gapsApi';
import { useMarketsQuery } from '../../state/projectApi';
import { usePageKinds } from '../../state/usePageKinds';
import { frontFacts } from './frontFacts';
import { spelledDay } from '../../parts/words/figures';
import { t } from '../../words/t';

const MOST = 10;

interface DeskFrontProps {
  project: number;
  market: string;
  date: string;
  keyword: number;
  text: string;
  /** The keyword after this one: its front is fetched already. */
  ahead: number | null;
}

/** The front of a keyword in a few lines: who answers it, and with what. */
export function DeskFront({ project, market, date, keyword, text, ahead }: DeskFrontProps) {
  const { currentData: page, isFetching } = useResultPageQuery({ project, keyword, market, date });
  useResultPageQuery({ project, keyword: ahead ?? 0, market, date }, { skip: ahead === null });
  const front = (page?.slots ?? []).filter(({ kind }) => kind === 'organic').slice(0, MOST);
  const { kindOf } = usePageKinds();
  const { data: markets } = useMarketsQuery();
  const here = markets?.find(({ code }) => code === market);
  const facts = here ? frontFacts(front, { kindOf, ...here }) : [];
  return (
    <div className="desk-front sheet" aria-label={t('sift:DeskFront.front')}>
      <h3>{t('sift:DeskFront.whatAnswersIt')}</h3>
      {facts.length > 0 && (
        <dl className="front-facts">
          {facts.map(({ name, value }) => (
            <div key={name}>
              <dt className="faint">{name}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
      )}
      {front.length > 0 ? (
        <ol>
          {front.map((slot) => (
            <li key={slot.slot} className={slot.side}>
              <b>{slot.title}</b>
              <div className="faint">
                {slot.owner}
                {slot.phraseInTitle && ` ${t('sift:DeskFront.phraseInTitle')}`}
                {slot.figures.price !== undefined && ` · ${slot.figures.price}`}
              </div>
            </li>
          ))}
        </ol>
      ) : (
        <p className="soft">
          {isFetching ? t('sift:DeskFront.lookingForText', { text }) : t('sift:DeskFront.noResultPageOfItIs')}
        </p>
      )}
      {page && (
        <p className="faint">
          {t('sift:DeskFront.sourceDateToDepthDepth', {
            source: page.source,
            date: spelledDay(page.date),
            depth: page.depth,
          })}
        </p>
      )}
    </div>
  );
}
