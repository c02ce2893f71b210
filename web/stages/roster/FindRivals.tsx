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

const ORDERS = [
  { value: 'position', label: 'by position' },
  { value: 'likeness', label: 'most alike first' },
  { value: 'units', label: 'sells most first' },
  { value: 'views a day', label: 'most viewed a day first' },
  { value: 'likes', label: 'most liked first' },
  { value: 'reviews', label: 'most reviews first' },
  { value: 'held', label: 'most keywords held first' },
  { value: 'authority', label: 'highest authority first' },
  { value: 'age', label: 'oldest first' },
];
/** A tip on the choice of rivals that bring many keywords. */
const HISTORY = 'A young listing or video has few keywords yet: age, reviews and views say who has many.';

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
          aria-label="Seed keyword"
          placeholder="A seed keyword that a buyer would type"
          value={typed}
          maxLength={300}
          style={{ width: 300 }}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="primary" htmlType="submit" disabled={typed.trim() === ''} loading={isFetching}>
          Show its front
        </Button>
        <span className="faint">A result page that is not held costs 1 unit.</span>
      </form>
      <StrikeWords targets={targets} onPhrase={look} />
      {error && <Problem error={error} />}
      {!front && isFetching && <Waiting for="the front" />}
      {front && (
        <>
          <FrontTitle front={front} />
          <FrontParents front={front} />
          <div className="cards-head">
            <Select size="small" aria-label="Order" value={order} options={ORDERS} onChange={setOrder} />
            <Select
              size="small"
              aria-label="How many"
              value={show}
              options={[10, 20, 50, 100].map((value) => ({ value, label: `first ${value}` }))}
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
        {spelledDay(front.date)}, captured to depth {front.depth}
        {front.held ? ', held already' : `, ${count(front.units)} unit`}. Volume{' '}
        {front.volume === null ? 'unknown' : count(front.volume)}; {counted(front.results, 'result')} (rough).{' '}
        {front.ownPlaces === 0
          ? 'None of the front is ours'
          : `${front.ownPlaces} of the front ${front.ownPlaces === 1 ? 'is' : 'are'} ours`}
        {front.own
          ? `; compared with ${front.own.title}${front.own.position === null ? '' : `, at ${front.own.position}`}.`
          : '; add one of our own targets on this surface to compare with.'}{' '}
        {livePage && (
          <a
            href={livePage.replace('{keyword}', encodeURIComponent(front.keyword))}
            target="_blank"
            rel="noreferrer noopener"
            title="In a new window. Live pages are personal, and what you see there is not kept."
          >
            live page
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
            Look up these {ticked.size}
          </Button>{' '}
          <span className="soft">The price is shown before anything is spent.</span>
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
