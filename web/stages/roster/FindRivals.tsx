import type { Front, FrontCard } from '@opsimath/contract/api/front';
import type { Target } from '@opsimath/contract/api/targets';
import { Button, Input, Select } from 'antd';
import { useMemo, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count, counted, spelledDay } from '../../parts/words/figures';
import { useAddTargetsMutation, useFrontQuery } from '../../state/rosterApi';
import { useMarketsQuery } from '../../state/projectApi';
import { useScope } from '../../state/useScope';
import { FrontCardView } from './FrontCardView';
import { FrontParents } from './FrontParents';
import { StrikeWords } from './StrikeWords';
import { useLookUpOf } from '../../state/useLookUpOf';
import './cards.css';
import { t } from '../../words/t';

const ORDERS = [
  { value: 'position', label: t('roster:FindRivals.byPosition') },
  { value: 'likeness', label: t('roster:FindRivals.mostAlikeFirst') },
  { value: 'units', label: t('roster:FindRivals.sellsMostFirst') },
  { value: 'views a day', label: t('roster:FindRivals.mostViewedADayFirst') },
  { value: 'likes', label: t('roster:FindRivals.mostLikedFirst') },
  { value: 'reviews', label: t('roster:FindRivals.mostReviewsFirst') },
  { value: 'held', label: t('roster:FindRivals.mostKeywordsHeldFirst') },
  { value: 'authority', label: t('roster:FindRivals.highestAuthorityFirst') },
  { value: 'age', label: t('roster:FindRivals.oldestFirst') },
];
/** A tip on the choice of rivals that bring many keywords. */
const HISTORY = t('roster:FindRivals.aYoungListingOrVideoHas');

/** The front of a seed keyword as cards: who stands there, who does better than us, added as a rival in one press. */
export function FindRivals({ targets }: { targets: readonly Target[] }) {
  const { project, scope, change } = useScope();
  const [typed, setTyped] = useState(scope.seed);
  const [order, setOrder] = useState('position');
  const [show, setShow] = useState(20);
  const request = { market: scope.market, date: scope.date, keyword: scope.seed, show };
  const { data: front, error, isFetching } = useFrontQuery({ project, request }, { skip: scope.seed === '' });
  const look = (seed: string): void => {
    setTyped(seed);
    change({ seed: seed.trim() });
  };
  return (
    <section>
      <form
        className="find-form"
        onSubmit={(event) => {
          event.preventDefault();
          look(typed);
        }}
      >
        <Input
          aria-label={t('roster:FindRivals.seedKeyword')}
          placeholder={t('roster:FindRivals.aSeedKeywordThatABuyer')}
          value={typed}
          maxLength={300}
          style={{ width: 300 }}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="primary" htmlType="submit" disabled={typed.trim() === ''} loading={isFetching}>
          {t('roster:FindRivals.showItsFront')}
        </Button>
        <span className="faint">{t('roster:FindRivals.aResultPageThatIsNot')}</span>
      </form>
      <StrikeWords targets={targets} onPhrase={look} />
      {error && <Problem error={error} />}
      {!front && isFetching && <Waiting for={t('roster:FindRivals.theFront')} />}
      {front && (
        <>
          <FrontTitle front={front} />
          <FrontParents front={front} />
          <div className="cards-head">
            <Select
              size="small"
              aria-label={t('roster:FindRivals.order')}
              value={order}
              options={ORDERS}
              onChange={setOrder}
            />
            <Select
              size="small"
              aria-label={t('roster:FindRivals.howMany')}
              value={show}
              options={[10, 20, 50, 100].map((value) => ({
                value,
                label: t('roster:FindRivals.firstValue', { value }),
              }))}
              onChange={setShow}
            />
            <span className="faint">{HISTORY}</span>
          </div>
          <Cards front={front} order={order} />
        </>
      )}
    </section>
  );
}

function FrontTitle({ front }: { front: Front }) {
  const { data: markets } = useMarketsQuery();
  const livePage = markets?.find(({ code }) => code === front.market)?.livePage;
  return (
    <header className="front-title">
      <h1>“{front.keyword}”</h1>
      <p className="soft">
        {t('roster:FindRivals.dateCapturedToDepthDepthWhich', {
          date: spelledDay(front.date),
          depth: front.depth,
          which: front.held
            ? t('roster:FindRivals.heldAlready')
            : t('roster:FindRivals.unitsUnit', { units: count(front.units) }),
          which2: front.volume === null ? t('roster:FindRivals.unknown') : count(front.volume),
          results: counted(front.results, 'result'),
          which3:
            front.ownPlaces === 0
              ? t('roster:FindRivals.noneOfTheFrontIsOurs')
              : t('roster:FindRivals.ownPlacesOfTheFrontWhichOurs', {
                  ownPlaces: front.ownPlaces,
                  which: front.ownPlaces === 1 ? t('roster:FindRivals.is') : t('roster:FindRivals.are'),
                }),
          which4: front.own
            ? t('roster:FindRivals.comparedWithTitleWhich', {
                title: front.own.title,
                which:
                  front.own.position === null
                    ? ''
                    : t('roster:FindRivals.atPosition', { position: front.own.position }),
              })
            : t('roster:FindRivals.addOneOfOurOwnTargets'),
        })}{' '}
        {livePage && (
          <a
            href={livePage.replace('{keyword}', encodeURIComponent(front.keyword))}
            target="_blank"
            rel="noreferrer noopener"
            title={t('roster:FindRivals.inANewWindowLivePages')}
          >
            {t('roster:FindRivals.livePage')}
          </a>
        )}
      </p>
    </header>
  );
}

function Cards({ front, order }: { front: Front; order: string }) {
  const { project, scope } = useScope();
  const [add, { isLoading, originalArgs }] = useAddTargetsMutation();
  const [failed, setFailed] = useState('');
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const lookUp = useLookUpOf();
  const tick = (address: string): void => {
    const next = new Set(ticked);
    if (!next.delete(address)) next.add(address);
    setTicked(next);
  };
  const sorted = useMemo(() => sortCards(front, order), [front, order]);
  const addRival = async (address: string): Promise<void> => {
    const { left } = await add({ project, side: 'rival', market: scope.market, text: address }).unwrap();
    setFailed(left[0] ? `${address}: ${left[0].reason}.` : '');
  };
  return (
    <>
      {failed && (
        <div className="soft" role="alert">
          {failed}
        </div>
      )}
      {ticked.size > 0 && (
        <p className="ticked">
          <Button type="primary" size="small" onClick={() => lookUp([...ticked])}>
            {t('roster:FindRivals.lookUpTheseSize', { size: ticked.size })}
          </Button>{' '}
          <span className="soft">{t('roster:FindRivals.thePriceIsShownBeforeAnything')}</span>
        </p>
      )}
      <ul className="cards">
        {sorted.map((card) => (
          <FrontCardView
            key={`${card.paid}${card.position}${card.address}`}
            card={card}
            front={front}
            ticked={ticked.has(card.address)}
            onTick={() => tick(card.address)}
            busy={isLoading && originalArgs?.text === card.address}
            onAdd={() => void addRival(card.address).catch(() => undefined)}
            onAddParent={() => void addRival(card.parent ?? card.address).catch(() => undefined)}
          />
        ))}
      </ul>
    </>
  );
}

function sortCards(front: Front, order: string): FrontCard[] {
  const figure = (card: FrontCard): number => {
    const unknown = -Infinity;
    switch (order) {
      case 'likeness':
        return card.likeness ?? unknown;
      case 'units':
        return card.units ?? unknown;
      case 'held':
        return card.heldKeywords ?? unknown;
      case 'age':
        return card.published === null ? unknown : -Date.parse(card.published);
      default:
        return card.figures[order] ?? unknown;
    }
  };
  const cards = [...front.cards];
  if (order === 'position') return cards;
  return cards.sort(
    (a, b) => Number(a.paid) - Number(b.paid) || figure(b) - figure(a) || a.position - b.position,
  );
}
