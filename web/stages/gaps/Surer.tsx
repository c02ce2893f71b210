import type { GapPage } from '@opsimath/contract/api/gaps';
import { FACT_FIELDS } from '@opsimath/contract/api/factFields';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { percent } from '../../parts/words/figures';
import { useImportsQuery } from '../../state/filesApi';
import { useOverviewQuery } from '../../state/projectApi';
import { useTargetsQuery } from '../../state/rosterApi';
import { searchWithView } from '../../state/scope';
import { useScope } from '../../state/useScope';
import { useSettings } from '../../state/useSettings';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const HIDDEN = 'opsimath.surer-hidden';

/** What would make the figures surer that is not there yet: each with what it changes, and where it is done. */
export function Surer({ page }: { page: GapPage }) {
  const { project, scope } = useScope();
  const { search } = useLocation();
  const navigate = useNavigate();
  const [isHidden, hide] = useState(() => localStorage.getItem(`${HIDDEN}.${project}`) !== null);
  const { data: imports } = useImportsQuery(project, { skip: isHidden });
  const { data: overview } = useOverviewQuery(
    { project, market: scope.market || undefined },
    { skip: isHidden },
  );
  const { data: targets } = useTargetsQuery(project, { skip: isHidden });
  const settings = useSettings();
  if (isHidden || !imports || !overview || !targets || !settings || page.totals.keywords === 0) return null;
  const surface = scope.market.split('-')[0];
  const own = targets.filter((target) => target.side === 'own' && target.surface === surface);
  const link = (to: string) => (
    <button className="plain written" onClick={() => void navigate(`/p/${project}/${to}`)} />
  );
  const hints = [
    !imports.some(({ reading }) => reading.kind === 'performance') && (
      <Told
        id="gaps:Surer.ownSearchPerformance"
        parts={{ link: link(`roster${searchWithView(search, 'files')}`) }}
      />
    ),
    overview.fits === 0 && (
      <Told
        id="gaps:Surer.verdicts"
        values={{ share: percent(settings.fits.unjudged, 0) }}
        parts={{ link: link(`sift${searchWithView(search, 'desk')}`) }}
      />
    ),
    own.length > 0 && !own.some(({ facts }) => FACT_FIELDS.some((name) => facts[name])) && (
      <Told
        id="gaps:Surer.factCard"
        parts={{
          link: link(`roster?${new URLSearchParams({ market: scope.market, target: String(own[0]!.id) })}`),
        }}
      />
    ),
  ].filter(Boolean);
  if (hints.length === 0) return null;
  return (
    <p className="surer soft" role="note" aria-label={t('gaps:Surer.whatWouldMakeThemSurer')}>
      {hints.map((hint, n) => (
        <span key={n}>{hint} </span>
      ))}
      <button
        className="plain faint written"
        onClick={() => {
          localStorage.setItem(`${HIDDEN}.${project}`, 'yes');
          hide(true);
        }}
      >
        {t('gaps:Surer.hide')}
      </button>
    </p>
  );
}
