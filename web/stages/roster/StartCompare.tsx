import type { LookUp } from '@opsimath/contract/api/lookUps';
import { Button } from 'antd';
import { useNavigate } from 'react-router';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** The last of the first steps: to the keywords that rivals rank for and we don’t. */
export function StartCompare({ lookUp, ready }: { lookUp: LookUp | undefined; ready: boolean }) {
  const { project, scope } = useScope();
  const navigate = useNavigate();
  if (!ready || !lookUp) return <p className="faint">{t('roster:StartCompare.itFollowsTheLookUp')}</p>;
  const params = new URLSearchParams({ market: lookUp.market, date: scope.date, kinds: 'absent' });
  return (
    <Button size="small" type="primary" onClick={() => void navigate(`/p/${project}/gaps?${params}`)}>
      {t('roster:StartCompare.seeWhatWeLack')}
    </Button>
  );
}
