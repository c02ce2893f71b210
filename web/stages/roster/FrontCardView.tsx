import type { Front, FrontCard } from '@opsimath/contract/api/front';
import { Button, Checkbox, Tooltip } from 'antd';
import { PictureOf } from '../../parts/pictures/PictureOf';
import { count, decimal } from '../../parts/words/figures';
import { useChangeTargetMutation, useTargetsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { MarkedPhrase } from './MarkedPhrase';

interface FrontCardViewProps {
  card: FrontCard;
  front: Front;
  busy: boolean;
  ticked: boolean;
  onTick: () => void;
  onAdd: () => void;
  onAddParent: () => void;
}
const PARENT = { web: 'site', video: 'channel', marketplace: 'shop' } as const;

/** One slot of the front: who, where, what it says, the figures of its surface, and in what it does better than us. */
export function FrontCardView({ card, front, busy, ticked, onTick, onAdd, onAddParent }: FrontCardViewProps) {
  const ours = card.side === 'own';
  return (
    <li className={`card ${ours ? 'ours' : ''}`}>
      <PictureOf picture={card.picture} name={card.owner} address={card.address} />
      <div className="card-body">
        <div className="card-top">
          <span className={card.paid ? 'slot paid' : 'slot'}>
            {card.paid ? `paid ${card.position}` : card.position}
          </span>
          <b>{card.owner}</b>
          {card.side !== 'other' && <span className="soft">{ours ? 'ours' : 'a rival'}</span>}
          {!card.paid && card.paysAt !== null && (
            <span className="soft" title="The same owner also pays for this keyword">
              pays, slot {card.paysAt}
            </span>
          )}
        </div>
        <div className="card-title" title={card.title}>
          <MarkedPhrase text={card.title} phrase={front.keyword} />
        </div>
        <CardFigures card={card} front={front} />
        {card.ahead.length > 0 && (
          <ul className="ahead" aria-label="Does better than ours">
            {card.ahead.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        )}
        <div className="card-acts">
          <Checkbox checked={ticked} onChange={onTick} aria-label={`Look up ${card.title}`}>
            look up
          </Checkbox>
          {card.side === 'other' && (
            <>
              <Button size="small" loading={busy} onClick={onAdd}>
                Add as rival
              </Button>
              {card.parent && (
                <Button size="small" type="link" onClick={onAddParent}>
                  its {PARENT[front.surface]}
                </Button>
              )}
            </>
          )}
          {card.side === 'rival' && <LikenessMark address={card.address} mark={card.mark} />}
          <Tooltip title="The live page, in a new window. It may look different for you.">
            <a href={`https://${card.address}`} target="_blank" rel="noreferrer noopener">
              open
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
        <dt>published</dt>
        <dd>{card.published ?? 'unknown'}</dd>
      </div>
      {card.likeness !== null && (
        <div title="Likeness to our target: cosine of TF-IDF stems of title, tags and bullets, 0–1. Estimated.">
          <dt>likeness</dt>
          <dd>{decimal(card.likeness, 2)}</dd>
        </div>
      )}
      {card.heldKeywords !== null && (
        <div>
          <dt>keywords held</dt>
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
    ['authority', count(figures.authority)],
    ['ref. domains', count(figures['referring domains'])],
    ['backlinks', count(figures.backlinks)],
  ],
  video: ({ figures }) => [
    ['views', count(figures.views)],
    ['views a day', count(figures['views a day'])],
    ['likes', count(figures.likes)],
    ['comments', known(figures.comments, count) ?? 'unknown'],
    ['length', known(figures.length, (s) => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`)],
  ],
  marketplace: ({ figures, category, units, revenue }, currency) => [
    ['price', known(figures.price, (price) => `${decimal(price, 2)} ${currency}`)],
    ['rating', known(figures.rating, (rating) => decimal(rating, 1))],
    ['reviews', count(figures.reviews)],
    [
      'sales rank',
      known(figures['sales rank'], (rank) => `${count(rank)} in ${category ?? 'no category'}`),
      'Lower sells more. Ranks of different categories do not compare.',
    ],
    [
      'sells a month',
      known(units, (sold) => `about ${count(sold)}`) ?? 'unknown',
      'Estimated from the source’s own curve of sales by rank; unknown where it gives none',
    ],
    [
      'revenue',
      known(revenue, (money) => `about ${count(money)} ${currency}`),
      'Units times price, estimated',
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
          {likeness} us
        </button>
      ))}
    </>
  );
}
