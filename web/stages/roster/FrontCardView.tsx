import { SURFACE_ROWS } from '@opsimath/core/text/surfaces';
import type { Front, FrontCard } from '@opsimath/contract/api/front';
import { Button, Checkbox, Tooltip } from 'antd';
import { PictureOf } from '../../parts/pictures/PictureOf';
import { count, decimal } from '../../parts/words/figures';
import { useChangeTargetMutation, useTargetsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { MarkedPhrase } from './MarkedPhrase';
import { t, wordOf } from '../../words/t';

interface FrontCardViewProps {
  card: FrontCard;
  front: Front;
  busy: boolean;
  ticked: boolean;
  onTick: () => void;
  onAdd: () => void;
  onAddParent: () => void;
}

/** One slot of the front: who, where, what it says, the figures of its surface, and in what it does better than us. */
export function FrontCardView({ card, front, busy, ticked, onTick, onAdd, onAddParent }: FrontCardViewProps) {
  const ours = card.side === 'own';
  return (
    <li className={`card ${ours ? 'ours' : ''}`}>
      <PictureOf picture={card.picture} name={card.owner} address={card.address} />
      <div className="card-body">
        <div className="card-top">
          <span className={card.paid ? 'slot paid' : 'slot'}>
            {card.paid ? t('roster:FrontCardView.paidPosition', { position: card.position }) : card.position}
          </span>
          <b>{card.owner}</b>
          {card.side !== 'other' && (
            <span className="soft">
              {ours ? t('roster:FrontCardView.ours') : t('roster:FrontCardView.aRival')}
            </span>
          )}
          {!card.paid && card.paysAt !== null && (
            <span className="soft" title={t('roster:FrontCardView.theSameOwnerAlsoPaysFor')}>
              {t('roster:FrontCardView.paysSlotPaysAt', { paysAt: card.paysAt })}
            </span>
          )}
        </div>
        <div className="card-title" title={card.title}>
          <MarkedPhrase text={card.title} phrase={front.keyword} />
        </div>
        <CardFigures card={card} front={front} />
        {card.ahead.length > 0 && (
          <ul className="ahead" aria-label={t('roster:FrontCardView.doesBetterThanOurs')}>
            {card.ahead.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        )}
        <div className="card-acts">
          <Checkbox
            checked={ticked}
            onChange={onTick}
            aria-label={t('roster:FrontCardView.lookUpTitle', { title: card.title })}
          >
            {t('roster:FrontCardView.lookUp')}
          </Checkbox>
          {card.side === 'other' && (
            <>
              <Button size="small" loading={busy} onClick={onAdd}>
                {t('roster:FrontCardView.addAsRival')}
              </Button>
              {card.parent && (
                <Button size="small" type="link" onClick={onAddParent}>
                  {t('roster:FrontCardView.itsSurface', {
                    surface: wordOf(SURFACE_ROWS[front.surface].parent),
                  })}
                </Button>
              )}
            </>
          )}
          {card.side === 'rival' && <LikenessMark address={card.address} mark={card.mark} />}
          <Tooltip title={t('roster:FrontCardView.theLivePageInANew')}>
            <a href={`https://${card.address}`} target="_blank" rel="noreferrer noopener">
              {t('roster:FrontCardView.open')}
            </a>
          </Tooltip>
        </div>
      </div>
    </li>
  );
}

type ShownFigure = [name: string, value: string | null, tip?: string];

function CardFigures({ card, front }: { card: FrontCard; front: Front }) {
  const shown = FIGURES_OF[front.surface](card, front.currency);
  return (
    <dl className="card-figures">
      {shown
        .filter(([, value]) => value !== null)
        .map(([name, value, tip]) => (
          <div key={name} title={tip}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      <div>
        <dt>{t('roster:FrontCardView.published')}</dt>
        <dd>{card.published ?? t('roster:FrontCardView.unknown')}</dd>
      </div>
      {card.likeness !== null && (
        <div title={t('roster:FrontCardView.likenessToOurTargetCosineOf')}>
          <dt>{t('roster:FrontCardView.likeness')}</dt>
          <dd>{decimal(card.likeness, 2)}</dd>
        </div>
      )}
      {card.heldKeywords !== null && (
        <div>
          <dt>{t('roster:FrontCardView.keywordsHeld')}</dt>
          <dd>{count(card.heldKeywords)}</dd>
        </div>
      )}
    </dl>
  );
}

const known = (value: number | null | undefined, shown: (value: number) => string): string | null =>
  value === null || value === undefined ? null : shown(value);

/** The figures of each surface; those that nobody gives are not shown, those that may be hidden are called unknown. */
const FIGURES_OF: Record<Front['surface'], (card: FrontCard, currency: string) => ShownFigure[]> = {
  web: ({ figures }) => [
    [wordOf('authority'), count(figures.authority)],
    [t('roster:FrontCardView.refDomains'), count(figures['referring domains'])],
    [wordOf('backlinks'), count(figures.backlinks)],
  ],
  video: ({ figures }) => [
    [wordOf('views'), count(figures.views)],
    [t('roster:FrontCardView.viewsADay'), count(figures['views a day'])],
    [wordOf('likes'), count(figures.likes)],
    [wordOf('comments'), known(figures.comments, count) ?? t('roster:FrontCardView.unknown')],
    [
      wordOf('length'),
      known(figures.length, (s) => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`),
    ],
  ],
  marketplace: ({ figures, category, units, revenue }, currency) => [
    [wordOf('price'), known(figures.price, (price) => `${decimal(price, 2)} ${currency}`)],
    [wordOf('rating'), known(figures.rating, (rating) => decimal(rating, 1))],
    [wordOf('reviews'), count(figures.reviews)],
    [
      t('roster:FrontCardView.salesRank'),
      known(figures['sales rank'], (rank) =>
        t('roster:FrontCardView.rankInCategory', {
          rank: count(rank),
          category: category ?? t('roster:FrontCardView.noCategory'),
        }),
      ),
      t('roster:FrontCardView.lowerSellsMoreRanksOfDifferent'),
    ],
    [
      t('roster:FrontCardView.sellsAMonth'),
      known(units, (sold) => t('roster:FrontCardView.aboutSold', { sold: count(sold) })) ??
        t('roster:FrontCardView.unknown'),
      t('roster:FrontCardView.estimatedFromTheSourceSOwn'),
    ],
    [
      wordOf('revenue'),
      known(revenue, (money) =>
        t('roster:FrontCardView.aboutMoneyCurrency', { money: count(money), currency }),
      ),
      t('roster:FrontCardView.unitsTimesPriceEstimated'),
    ],
  ],
};

/** Says by hand whether a rival is like us. */
function LikenessMark({ address, mark }: { address: string; mark: FrontCard['mark'] }) {
  const { project } = useScope();
  const { data: targets } = useTargetsQuery(project);
  const [change] = useChangeTargetMutation();
  const target = targets?.find((entry) => entry.address === address);
  if (!target) return null;
  const say = (likeness: 'like' | 'unlike'): void =>
    void change({ project, target: target.id, change: { likeness: mark === likeness ? null : likeness } });
  return (
    <>
      {(['like', 'unlike'] as const).map((likeness) => (
        <button
          key={likeness}
          className="plain source"
          aria-pressed={mark === likeness}
          onClick={() => say(likeness)}
        >
          {t('roster:FrontCardView.likenessUs', { likeness: wordOf(likeness) })}
        </button>
      ))}
    </>
  );
}
