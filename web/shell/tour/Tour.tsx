import { Button } from 'antd';
import { useEffect } from 'react';
import { useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { useKeys } from '../../parts/keys/useKeys';
import { t } from '../../words/t';
import './tour.css';
import { TOUR_STEPS } from './tourSteps';

const LIT = 'tour-lit';

/** The step of the tour that the address names: it opens its stage, and points at what it speaks of. */
export function Tour() {
  const { project } = useParams();
  const [params] = useSearchParams();
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const all = TOUR_STEPS.length;
  const place = Math.min(all, Math.max(1, Number(params.get('tour')) || 1));
  const step = TOUR_STEPS[place - 1]!;

  const go = (to: number): void => {
    const next = TOUR_STEPS[to - 1];
    if (!next) return;
    const search = new URLSearchParams(params);
    search.set('tour', String(to));
    if (next.view === '') search.delete('view');
    else search.set('view', next.view);
    search.delete('open');
    void navigate(`/p/${project}/${next.path}?${search.toString()}`);
  };
  const leave = (): void => {
    const search = new URLSearchParams(params);
    search.delete('tour');
    void navigate(`${pathname}?${search.toString()}`, { replace: true });
  };
  useKeys('right', () => go(place + 1));
  useKeys('left', () => go(place - 1));
  useKeys('esc', leave);

  useEffect(() => {
    let lit: Element | null = null;
    const point = (): void => {
      const found = document.querySelector(`#stage :is(${step.shows})`);
      if (found === lit) return;
      lit?.classList.remove(LIT);
      lit = found;
      lit?.classList.add(LIT);
      lit?.scrollIntoView({ block: 'nearest' });
    };
    point();
    // What it speaks of may come only when its figures are there.
    const watch = new MutationObserver(point);
    watch.observe(document.body, { childList: true, subtree: true });
    return () => {
      watch.disconnect();
      lit?.classList.remove(LIT);
    };
  }, [step, pathname]);

  return (
    <aside className="tour no-print" role="dialog" aria-label={t('shell:Tour.tour')}>
      <h2>{step.title}</h2>
      <p>{step.text}</p>
      <div className="tour-acts">
        <span className="faint">{t('shell:Tour.stepOf', { step: place, all })}</span>
        <button className="plain soft written" onClick={leave}>
          {t('shell:Tour.leave')}
        </button>
        <Button size="small" disabled={place === 1} onClick={() => go(place - 1)}>
          {t('shell:Tour.back')}
        </Button>
        {place < all ? (
          <Button size="small" type="primary" autoFocus onClick={() => go(place + 1)}>
            {t('shell:Tour.next')}
          </Button>
        ) : (
          <Button size="small" type="primary" onClick={leave}>
            {t('shell:Tour.done')}
          </Button>
        )}
      </div>
    </aside>
  );
}
